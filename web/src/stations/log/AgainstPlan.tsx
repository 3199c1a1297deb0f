import { type Compared, compared, spentOf, type WorkKind, workKinds } from '@fomrik/core/plan';

import { byId, printMinutes, trimNumber } from '@fomrik/core/units';
import { useBuild } from '../../store/build';
import { useNotes } from '../../store/notes';
import { useReport } from '../../store/report';
import { OverTime } from './OverTime';

/** What was planned against what it took, by sort of work and by part, and whatever else was written with both. */
export function AgainstPlan() {
  const report = useReport((s) => s.report)!;
  const readings = useBuild((s) => s.doc.make.readings) ?? [];
  const log = useNotes((s) => s.log);
  const currency = useBuild((s) => s.doc.brief.currency);
  const { kinds, parts } = compared(report.steps, readings);
  const written = log.filter((e) => e.planned !== null && e.planned > 0 && e.actual !== null);
  const spent = spentOf(log, currency);
  if (kinds.length + written.length + spent.receipts === 0)
    return (
      <p className="text-soft">
        Nothing to compare yet. Tick steps under Make with what they took, or write an entry with what was
        planned and what it really was.
      </p>
    );
  return (
    <div className="grid gap-5">
      <OverTime />
      {kinds.length > 0 && (
        <Bars name="By sort of work" rows={kinds} labelOf={(key) => workKinds[key as WorkKind].label} />
      )}
      {parts.length > 0 && (
        <Bars name="By part" rows={parts} labelOf={(key) => byId(report.parts, key)?.name ?? key} />
      )}
      {spent.receipts > 0 && (
        <section aria-label="Money">
          <h2 className="head">Money</h2>
          <p>
            {trimNumber(spent.total, 2)} {currency} by {spent.receipts} receipt
            {spent.receipts === 1 ? '' : 's'}; {trimNumber(report.totals.cost, 2)} {currency} planned
            {spent.total > report.totals.cost
              ? `: ${trimNumber(spent.total - report.totals.cost, 2)} over.`
              : `: ${trimNumber(report.totals.cost - spent.total, 2)} left.`}
            {spent.other > 0 && ` ${spent.other} in other currencies are not counted.`}
          </p>
        </section>
      )}
      {written.length > 0 && (
        <section aria-label="Written with both">
          <h2 className="head">Written with both: planned (pale) and what it was (dark)</h2>
          <table className="w-full max-w-3xl">
            <tbody>
              {written.map((e) => (
                <tr key={e.id} className="border-t border-hair">
                  <td className="w-44 py-1">{e.subject}</td>
                  <td className="w-60 pr-3" aria-hidden>
                    {[e.planned!, e.actual!].map((v, k) => (
                      <span
                        key={k}
                        className={`block h-2 ${k === 0 ? 'bg-hair' : 'bg-foam'}`}
                        style={{ width: `${(100 * Math.max(0, v)) / Math.max(e.planned!, e.actual!)}%` }}
                      />
                    ))}
                  </td>
                  <td>
                    {trimNumber(e.planned!, 1)} {e.unit} planned
                  </td>
                  <td className="font-medium">
                    {trimNumber(e.actual!, 1)} {e.unit}
                  </td>
                  <td className="text-right font-medium text-teal">{offBy(e.planned!, e.actual!)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
    </div>
  );
}

const offBy = (planned: number, took: number): string =>
  `${took >= planned ? '+' : '−'}${trimNumber(Math.abs(took / planned - 1) * 100, 0)} %`;

/** Pale what was planned, dark what it took; the figures beside them say the same. */
function Bars({
  name,
  rows,
  labelOf,
}: {
  name: string;
  rows: readonly Compared[];
  labelOf: (key: string) => string;
}) {
  const most = Math.max(...rows.flatMap((r) => [r.plannedMin, r.tookMin]));
  return (
    <section aria-label={name}>
      <h2 className="head">{name}: planned (pale) and taken (dark)</h2>
      <table className="w-full max-w-3xl">
        <tbody>
          {rows.map((r) => (
            <tr key={r.key} className="border-t border-hair">
              <td className="w-44 py-1">{labelOf(r.key)}</td>
              <td className="w-72" aria-hidden>
                <span className="block h-2 bg-hair" style={{ width: `${(100 * r.plannedMin) / most}%` }} />
                <span className="block h-2 bg-foam" style={{ width: `${(100 * r.tookMin) / most}%` }} />
              </td>
              <td className="pl-3">{printMinutes(Math.round(r.plannedMin))} planned</td>
              <td className="pl-3 font-medium">{printMinutes(Math.round(r.tookMin))}</td>
              <td className="pl-3 text-right font-medium text-teal">{offBy(r.plannedMin, r.tookMin)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
