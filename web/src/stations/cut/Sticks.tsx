import type { StickSet } from '@fomrik/core/cut';
import { trimNumber } from '@fomrik/core/units';

const WIDE = 900;

/** Pipes, dowels and bars: every stick to buy with its cuts in order, lettered. */
export function Sticks({ sets }: { sets: readonly StickSet[] }) {
  if (sets.length === 0) return null;
  return (
    <section aria-label="Sticks" className="leaf p-3">
      <h2 className="head">Sticks: {sets.reduce((sum, s) => sum + s.sticks.length, 0)}</h2>
      {sets.map(({ rod, sticks, bound, proved, tooLong }) => (
        <figure key={rod.id} className="mt-2">
          <figcaption>
            <strong>{rod.name}</strong>, sticks of {rod.stickMm} mm: {sticks.length},{' '}
            {proved ? 'the fewest there can be' : `at least ${bound} whatever the order`}.
            {tooLong.length > 0 && ` Too long for a stick: ${tooLong.map((c) => c.name).join(', ')}.`}
          </figcaption>
          {sticks.map((stick, i) => {
            let at = 0;
            return (
              <svg
                key={i}
                viewBox={`0 0 ${WIDE} 34`}
                className="w-full"
                role="img"
                aria-label={`Stick ${i + 1}: ${stick.cuts.map((c) => `${c.letter} ${trimNumber(c.lengthMm, 0)} mm, ${c.name}`).join('; ')}; left over ${trimNumber(stick.offcutMm, 0)} mm`}
              >
                <rect
                  x={0}
                  y={4}
                  width={WIDE}
                  height={18}
                  fill="none"
                  stroke="var(--color-soft)"
                  strokeDasharray="4 3"
                />
                {stick.cuts.map((cut) => {
                  const x = (at / rod.stickMm) * WIDE;
                  const w = (cut.lengthMm / rod.stickMm) * WIDE;
                  at += cut.lengthMm;
                  return (
                    <g key={cut.letter}>
                      <rect x={x} y={4} width={Math.max(1, w - 1.5)} height={18} fill="var(--color-foam)" />
                      <text x={x + w / 2} y={17} fontSize={11} textAnchor="middle" fill="white">
                        {cut.letter}
                      </text>
                      <text x={x + w / 2} y={32} fontSize={9} textAnchor="middle" fill="var(--color-soft)">
                        {trimNumber(cut.lengthMm, 0)}
                      </text>
                    </g>
                  );
                })}
                <text x={WIDE} y={32} fontSize={9} textAnchor="end" fill="var(--color-soft)">
                  {trimNumber(stick.offcutMm, 0)} left
                </text>
              </svg>
            );
          })}
        </figure>
      ))}
      <p className="mt-1 text-[12px] text-soft">
        1.8 mm are counted for the saw at every cut. Saw rigid pipe with a mask and extraction; never cut PVC
        by laser.
      </p>
    </section>
  );
}
