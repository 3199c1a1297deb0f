import { partCosts, toMake } from '@fomrik/core/plan';
import type { Report } from '@fomrik/core/report';
import { trimNumber, findIn } from '@fomrik/core/units';
import { useMemo } from 'react';
import { NumberField } from '../../parts/Field';
import { useCatalogue } from '../../store/catalogue';
import { useBuild } from '../../store/build';

/** What each part costs and takes, what is left in stock counted as used; and a price when hours are charged. */
export function PartCosts({ report }: { report: Report }) {
  const stock = useBuild((s) => s.doc.stock);
  const catalogue = useCatalogue();
  const { currency, hourlyRate = 0 } = useBuild((s) => s.doc.brief);
  const update = useBuild((s) => s.update);
  const { parts, packed, cost, steps } = report;
  const rows = useMemo(
    () => partCosts(toMake(parts), packed, cost, steps, stock, catalogue),
    [parts, packed, cost, steps, stock, catalogue],
  );
  if (rows.length === 0) return null;
  const money = (v: number): string => v.toFixed(2);
  const materials = rows.reduce((sum, r) => sum + r.foam + r.bought + r.shared, 0);
  const hours = steps.reduce((sum, s) => sum + s.workMin, 0) / 60;
  return (
    <details>
      <summary className="cursor-pointer text-teal">What each part costs, and a price for it</summary>
      <table className="mt-1 w-full">
        <thead className="text-right text-[12px] text-soft">
          <tr>
            {['part', 'foam', 'bought', 'glue, coats …', 'together', 'hours'].map((h, i) => (
              <th key={h} className={`font-medium ${i === 0 ? 'text-left' : ''}`}>
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.partId} className="border-t border-hair text-right">
              <td className="text-left">{findIn(parts, (p) => p.id === r.partId).name}</td>
              <td>{money(r.foam)}</td>
              <td>{money(r.bought)}</td>
              <td>{money(r.shared)}</td>
              <td className="font-medium">{money(r.foam + r.bought + r.shared)}</td>
              <td>{trimNumber(r.workMin / 60, 1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-2 flex flex-wrap items-end gap-4">
        <div className="w-36">
          <NumberField
            label={`An hour, ${currency}`}
            value={hourlyRate}
            range={[0, 1000]}
            onChange={(rate) => update((d) => void (d.brief.hourlyRate = rate))}
            help="What an hour is charged, where you sell."
          />
        </div>
        <p>
          {money(materials)} {currency} of material and {trimNumber(hours, 1)} h
          {hourlyRate > 0 && (
            <>
              : a price of{' '}
              <strong>
                {trimNumber(materials + hours * hourlyRate, 0)} {currency}
              </strong>
            </>
          )}
          . Sheets count whole, shared by the area cut from them.
        </p>
      </div>
    </details>
  );
}
