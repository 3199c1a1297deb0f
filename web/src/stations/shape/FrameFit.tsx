import type { FrameSag } from '@fomrik/core/carry';
import { useLength } from '../../parts/useLength';
import { useEdits } from '../../parts/usePart';
import { StickTable } from './StickTable';

/** How far a frame of pipes gives under what it carries, and what other pipes would do. */
export function FrameFit({ frame }: { frame: FrameSag }) {
  const length = useLength();
  const { change } = useEdits(frame.partId);
  const { rodField } = frame;
  return (
    <section aria-label="Frame" className="mb-2 max-w-2xl text-[13px]">
      <h2 className="head">The frame under what it carries</h2>
      <p>
        Held {frame.heldBy}, {frame.where} gives <strong>{length(frame.sagMm)}</strong>; it reaches{' '}
        {length(frame.reachMm, 0)} from there.
      </p>
      <StickTable
        choices={frame.choices}
        hangs="Gives, mm"
        onTake={(rodId) => change((p) => void (p.params[rodField] = rodId))}
      />
      <p className="mt-1 text-[12px] text-soft">
        Every pipe as a beam that bends and twists, stiff at its corners. Fittings that are not fully home
        give more; load it with what it will carry before it is worn.
      </p>
    </section>
  );
}
