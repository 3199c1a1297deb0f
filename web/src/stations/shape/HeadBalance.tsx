import type { OnHead } from '@fomrik/core/carry';
import { trimNumber } from '@fomrik/core/units';
import { useLength } from '../../parts/useLength';

const sides = { behind: 'at the back', ahead: 'in front', left: 'on the left', right: 'on the right' };

/** What the head carries in all, where its middle lies about the neck, and the lead that levels it. */
export function HeadBalance({ head }: { head: OnHead }) {
  const length = useLength();
  const { lead } = head;
  return (
    <>
      <h2 className="head mt-1">On the head, with what hangs on it</h2>
      <p>
        <strong>{trimNumber(head.massG, 0)} g</strong>, its middle {length(Math.abs(head.aheadMm), 0)}{' '}
        {head.aheadMm >= 0 ? 'ahead of' : 'behind'} the neck and {length(Math.abs(head.asideMm), 0)} to the{' '}
        {head.asideMm >= 0 ? 'right' : 'left'}: it tips the head with {trimNumber(head.momentNm, 2)} N·m.
      </p>
      {lead && (
        <p>
          Level with {trimNumber(lead.massG, 0)} g {sides[lead.side]}, {length(lead.armMm, 0)} from the neck.
        </p>
      )}
    </>
  );
}
