import type { OnBack } from '@fomrik/core/carry';
import { trimNumber } from '@fomrik/core/units';
import { useLength } from '../../parts/useLength';

/** What the shoulders carry of what is worn on the back. */
export function BackLoad({ back }: { back: OnBack }) {
  const length = useLength();
  return (
    <>
      <h2 className="head mt-1">On the shoulders, with what hangs on it</h2>
      <p>
        <strong>{trimNumber(back.massG, 0)} g</strong>: {trimNumber(back.rightN, 1)} N on the right shoulder,{' '}
        {trimNumber(back.leftN, 1)} N on the left; its middle {length(back.behindMm, 0)} behind them pulls
        back with {trimNumber(back.backNm, 1)} N·m. What a waist strap takes is not counted.
      </p>
    </>
  );
}
