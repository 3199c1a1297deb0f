import type { OnEar } from '@fomrik/core/carry';
import { trimNumber } from '@fomrik/core/units';
import { useLength } from '../../parts/useLength';

/** What hangs on an ear, where its middle lies about it, and the lead that levels it. */
export function EarLoad({ ear }: { ear: OnEar }) {
  const length = useLength();
  return (
    <>
      <h2 className="head mt-1">On the ear, with what hangs on it</h2>
      <p>
        <strong>{trimNumber(ear.massG, 0)} g</strong>, its middle {length(Math.abs(ear.aheadMm), 0)}{' '}
        {ear.aheadMm >= 0 ? 'ahead of' : 'behind'} the ear and {length(Math.max(0, ear.outMm), 0)} out.
        {ear.lead &&
          ` Level with ${trimNumber(ear.lead.massG, 0)} g ${ear.lead.side === 'behind' ? 'at the back' : 'in front'}.`}
      </p>
    </>
  );
}
