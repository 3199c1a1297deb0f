import type { Carried } from '@fomrik/core/carry';
import { trimNumber } from '@fomrik/core/units';
import { useLength } from '../../parts/useLength';
import { StickTable } from './StickTable';

/** How what is held handles: mass, balance, swing, how far its stick hangs, and what other sticks would do. */
export function CarriedFit({ carried, onStick }: { carried: Carried; onStick?: (rodId: string) => void }) {
  const length = useLength();
  const { stick, ballast, split } = carried;
  const [a, b, c] = carried.sidesMm;
  return (
    <div className="grid grid-cols-[1fr_1.5fr] gap-x-6 text-[13px] max-[1000px]:grid-cols-1">
      <section aria-label="In the hand">
        <h2 className="head">In the hand: {carried.name}, all of it</h2>
        <p>
          <strong>{trimNumber(carried.massG, 0)} g</strong>, balances{' '}
          <strong>
            {length(Math.abs(carried.balanceMm), 0)} {carried.balanceMm >= 0 ? 'beyond' : 'behind'}
          </strong>{' '}
          the fist.
        </p>
        <p>
          Held level it turns the wrist with {trimNumber(carried.momentNm, 2)} N·m; swung about the fist it
          weighs in at {trimNumber(carried.swingKgM2, 3)} kg·m².
        </p>
        <BalanceBar carried={carried} />
        {ballast && (
          <p>
            To balance at {length(ballast.wantedMm, 0)}: {trimNumber(ballast.massG, 0)} g at the {ballast.end}
            .
          </p>
        )}
        <h2 className="head mt-1">Size</h2>
        <p>
          {length(carried.lengthMm, 0)} from end to end; smallest box {trimNumber(a, 0)} × {trimNumber(b, 0)}{' '}
          × {trimNumber(c, 0)} mm. Taken apart, the longest is <strong>{length(carried.apartMm, 0)}</strong>.
          {split &&
            ` Parted at ${split.atMm.map((mm) => trimNumber(mm, 0)).join(' and ')} mm it would be ${trimNumber(split.longestMm, 0)} mm.`}
        </p>
        {carried.rigidMm > 0 && <p>Longest hard stick in one piece: {length(carried.rigidMm, 0)}.</p>}
      </section>
      <section aria-label="Stick">
        <h2 className="head">Stick, held level by the fist</h2>
        {!stick && <p className="text-soft">Foam alone: no stick to hang or whip.</p>}
        {stick && (
          <StickTable choices={stick.choices} hangs="Tip hangs, mm" {...(onStick && { onTake: onStick })} />
        )}
        <p className="mt-1 text-[12px] text-soft">
          A cantilever from the fist under everything it carries. Joints and glue give a little more; a stunt
          version breaks first where a hard end meets foam.
        </p>
      </section>
    </div>
  );
}

/** The prop along its axis: fist, balance, wanted balance. */
function BalanceBar({ carried }: { carried: Carried }) {
  const { spanMm, balanceMm, ballast, fistMm } = carried;
  const [low, high] = spanMm;
  const at = (mm: number): number => ((mm - low) / Math.max(1, high - low)) * 300 + 10;
  return (
    <svg
      viewBox="0 0 320 40"
      className="my-1 w-full max-w-md"
      role="img"
      aria-label={`Balance ${trimNumber(balanceMm, 0)} mm from the fist`}
    >
      <line x1={at(low)} x2={at(high)} y1={16} y2={16} stroke="var(--color-foam)" strokeWidth={6} />
      <rect
        x={at(fistMm) - 5}
        y={9}
        width={10}
        height={14}
        fill="none"
        stroke="var(--color-ink)"
        strokeWidth={1.5}
      />
      <path d={`M${at(fistMm + balanceMm)} 19 l7 12 h-14 z`} fill="var(--color-teal)" />
      {ballast && (
        <path
          d={`M${at(fistMm + ballast.wantedMm)} 19 l7 12 h-14 z`}
          fill="none"
          stroke="var(--color-teal)"
          strokeDasharray="2 2"
        />
      )}
      <text x={at(fistMm)} y={38} fontSize={9} textAnchor="middle" fill="var(--color-soft)">
        fist
      </text>
      <text x={at(fistMm + balanceMm)} y={8} fontSize={9} textAnchor="middle" fill="var(--color-teal)">
        balance
      </text>
    </svg>
  );
}
