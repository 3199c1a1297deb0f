import type { OnShoulders } from '@fomrik/core/carry';
import { byId, trimNumber } from '@fomrik/core/units';
import { useLength } from '../../parts/useLength';

/** What the shoulders carry of everything that hangs on them, and what the straps of this part press with. */
export function ShoulderLoad({ load, partId }: { load: OnShoulders; partId: string }) {
  const length = useLength();
  const strap = byId(
    load.straps.map((s) => ({ ...s, id: s.partId })),
    partId,
  );
  return (
    <>
      <h2 className="head mt-1">On the shoulders in all</h2>
      <p>
        <strong>{trimNumber(load.massG, 0)} g</strong>: {trimNumber(load.rightN, 1)} N on the right,{' '}
        {trimNumber(load.leftN, 1)} N on the left.
        {strap &&
          ` Straps of this part: ${trimNumber(strap.loadN, 1)} N on one, ${length(strap.wideMm, 0)} wide as they lie, ${trimNumber(strap.kPa, 1)} kPa.`}
      </p>
    </>
  );
}
