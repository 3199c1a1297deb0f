import type { FrameSag } from '@fomrik/core/carry';
import { trimNumber } from '@fomrik/core/units';
import { useLength } from '../../parts/useLength';
import { useEdits } from '../../parts/usePart';
import { StickTable } from './StickTable';

/** How far a frame of pipes sags under its load, how much it is bent and how it swings, and what other pipes would do. */
export function FrameFit({ frame }: { frame: FrameSag }) {
  const length = useLength();
  const { change } = useEdits(frame.partId);
  const { rodField } = frame;
  return (
    <section aria-label="Frame" className="mb-2 max-w-2xl text-[13px]">
      <h2 className="head">How the frame bears its load</h2>
      <p>
        Held {frame.heldBy}, {frame.where} sags <strong>{length(frame.sagMm)}</strong>; it reaches{' '}
        {length(frame.reachMm, 0)} from there.
      </p>
      <p>
        Most stress at {frame.bentAt}:{' '}
        <strong>{frame.bentMPa < 0.1 ? 'under 0.1' : trimNumber(frame.bentMPa)} MPa</strong>
        {frame.strength
          ? ` of the ${trimNumber(frame.strength.lastsMPa)} MPa its pipe may bear for long`
          : '; what its pipe may bear is not known'}
        {frame.hz !== undefined &&
          `; it swings ${trimNumber(frame.hz, frame.hz < 10 ? 1 : 0)} times a second`}
        .
      </p>
      <StickTable
        choices={frame.choices}
        hangs="Sags, mm"
        onTake={(rodId) => change((p) => void (p.params[rodField] = rodId))}
      />
      <p className="mt-1 text-[12px] text-soft">
        Under its own weight and everything mounted on it, with rigid corners. Loose fittings sag more: try it
        with its full load before you wear it.
      </p>
    </section>
  );
}
