import type { Carried } from '@fomrik/core/carry';
import { trimNumber } from '@fomrik/core/units';
import { useLength } from '../../parts/useLength';

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
          <div className="max-h-52 overflow-auto">
            <table className="w-full">
              <thead>
                <tr className="text-left text-soft">
                  <th scope="col">Stick</th>
                  <th scope="col" className="text-right">
                    Tip hangs, mm
                  </th>
                  <th scope="col" className="text-right">
                    Swings a second
                  </th>
                  <th scope="col" className="text-right">
                    g
                  </th>
                  <th scope="col" className="text-right">
                    Price
                  </th>
                  <th scope="col">
                    <span className="sr-only">Take it</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {stick.choices.map((o) => (
                  <tr
                    key={o.rodId}
                    className={`border-t border-hair ${o.chosen ? 'bg-wash font-medium' : ''}`}
                    aria-current={o.chosen}
                  >
                    <th scope="row" className="text-left font-[inherit]">
                      {o.name}
                      {o.chosen && ' (now)'}
                    </th>
                    <td className="text-right">{trimNumber(o.sagMm, o.sagMm < 10 ? 1 : 0)}</td>
                    <td className="text-right">{Number.isFinite(o.hz) ? trimNumber(o.hz, 1) : '–'}</td>
                    <td className="text-right">{trimNumber(o.massG, 0)}</td>
                    <td className="text-right">{trimNumber(o.price, 2)}</td>
                    <td className="pl-2 text-right">
                      {onStick && !o.chosen && (
                        <button
                          type="button"
                          className="btn min-h-6 px-2"
                          aria-label={`Take ${o.name}`}
                          onClick={() => onStick(o.rodId)}
                        >
                          Take
                        </button>
                      )}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
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
