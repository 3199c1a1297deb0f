import type { PartReport } from '@fomrik/core/parts';
import { strainClassName } from '@fomrik/core/foam';
import { trimNumber } from '@fomrik/core/units';
import { useLength } from '../../parts/useLength';
import { useBuild } from '../../store/build';

/** Every thickness sold of this foam, side by side; one press changes to it. */
export function ThicknessTrial({
  made,
  onChoose,
}: {
  made: PartReport;
  onChoose: (nominalMm: number) => void;
}) {
  const length = useLength();
  const currency = useBuild((s) => s.doc.brief.currency);
  const chosen = made.trial.find((r) => r.chosen);
  return (
    <section aria-label="Thickness trial" className="mt-1">
      <h2 className="head">
        Thickness trial: {made.foam.name.replace(/^[\d.]+ mm /, '')}, one copy{' '}
        <span className="font-normal">(T hides it)</span>
      </h2>
      <table className="w-full text-right text-[12.5px] leading-tight">
        <thead className="text-[12px] text-soft">
          <tr>
            {[
              'thickness',
              'girth',
              'foam',
              'bend',
              'opening',
              'room',
              'edge gives',
              'sheets',
              'cost',
              'work',
            ].map((h) => (
              <th key={h} className="px-1 font-medium first:text-left">
                {h}
              </th>
            ))}
            <th className="px-1 pl-3 text-left font-medium">verdict</th>
          </tr>
        </thead>
        <tbody>
          {made.trial.map((row) => {
            const change = chosen ? row.massG - chosen.massG : 0;
            return (
              <tr
                key={row.nominalMm}
                data-trial={row.nominalMm}
                className={`border-t border-hair ${row.chosen ? 'bg-wash font-medium' : ''}`}
              >
                <th scope="row" className="whitespace-nowrap px-1 py-0.5 text-left">
                  <button
                    type="button"
                    className="min-h-6 text-teal underline"
                    aria-pressed={row.chosen}
                    onClick={() => onChoose(row.nominalMm)}
                  >
                    {row.nominalMm} mm
                  </button>
                  {row.inStock > 0 && (
                    <span className="ml-1 text-[11.5px] font-normal text-soft">{row.inStock} in stock</span>
                  )}
                </th>
                <td className="whitespace-nowrap px-1">{length(row.girthMm, 0)}</td>
                <td className="whitespace-nowrap px-1">
                  {trimNumber(row.massG, 0)} g
                  {change !== 0 && (
                    <span className="ml-1 text-[11.5px] text-teal">
                      {change > 0 ? `+${change.toFixed(0)}` : `−${(-change).toFixed(0)}`}
                    </span>
                  )}
                </td>
                <td className="whitespace-nowrap px-1">
                  {trimNumber(row.bendStrain * 100, 0)} %, {strainClassName[row.strainClass]}
                  {row.grooves > 0 && ` (${row.grooves})`}
                </td>
                <td className="whitespace-nowrap px-1">
                  {row.openingMm === null ? '–' : length(row.openingMm, 0)}
                </td>
                <td className="whitespace-nowrap px-1">{length(row.roomMm)}</td>
                <td className="whitespace-nowrap px-1">
                  {row.sagMm === null ? '–' : `${trimNumber(row.sagMm, 1)} mm`}
                </td>
                <td
                  className="whitespace-nowrap px-1"
                  title={`${trimNumber(row.areaMm2 / 1e4, 1)} dm² a copy`}
                >
                  {row.sheets}
                </td>
                <td className="whitespace-nowrap px-1">
                  {row.cost.toFixed(2)} {currency}
                </td>
                <td className="whitespace-nowrap px-1">{row.workMin} min</td>
                <td className="px-1 pl-3 text-left">
                  {row.recommended && <strong className="mr-1 font-semibold">Recommended.</strong>}
                  {row.reasons.join('; ')}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
