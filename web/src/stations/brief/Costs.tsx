import type { CostLine } from '@fomrik/core/plan';
import { trimNumber } from '@fomrik/core/units';

/** What must be bought, line by line, against the budget. */
export function Costs({
  lines,
  currency,
  budget,
}: {
  lines: readonly CostLine[];
  currency: string;
  budget: number;
}) {
  const total = lines.reduce((sum, l) => sum + l.total, 0);
  if (lines.length === 0) return <p className="text-soft">Nothing to buy until there is a part.</p>;
  return (
    <section aria-label="Cost">
      <h2 className="head">
        To buy: {trimNumber(total, 0)} of {trimNumber(budget, 0)} {currency}. Prices are typical until yours
        go in under Cut.
      </h2>
      <table className="mt-1 w-full">
        <thead className="text-left text-[12px] text-soft">
          <tr>
            <th className="font-medium">what</th>
            <th className="text-right font-medium">need</th>
            <th className="text-right font-medium">have</th>
            <th className="pl-2 font-medium">unit</th>
            <th className="text-right font-medium">each</th>
            <th className="text-right font-medium">total</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((l) => (
            <tr key={l.what} className="border-t border-hair">
              <td className="py-0.5">{l.what}</td>
              <td className="text-right">{trimNumber(l.need, 2)}</td>
              <td className="text-right">{l.have || '–'}</td>
              <td className="pl-2 text-soft">{l.unit}</td>
              <td className="text-right">{l.each.toFixed(2)}</td>
              <td className="text-right font-medium">{l.total.toFixed(2)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
