import { useSelected } from '../store/selection';
import { type EyeFrom, eyesNow, lookFrom, useView } from '../store/view';

const words: Record<EyeFrom, string> = {
  turned: 'Turned',
  front: 'Front',
  side: 'Side',
  back: 'Back',
  top: 'Top',
  edge: 'Along edge',
};

/** From where the solid is looked at; pressing the same again frames it anew. */
export function EyeBar({ dark }: { dark: boolean }) {
  const from = useView((v) => v.eye.from);
  const edge = useSelected((s) => s.edge);
  return (
    <div role="toolbar" aria-label="View" className="absolute right-1 top-1 flex flex-col items-end gap-px">
      {eyesNow(edge).map((eye) => (
        <button
          key={eye}
          type="button"
          aria-pressed={eye === from}
          title={`${words[eye]}; V goes to the next view`}
          onClick={() => lookFrom(eye)}
          className={`min-h-6 px-1.5 text-[12px] ${dark ? 'text-white' : 'text-teal'} ${eye === from ? 'border-b-2 border-current font-semibold' : 'border-b-2 border-transparent'}`}
        >
          {words[eye]}
        </button>
      ))}
    </div>
  );
}
