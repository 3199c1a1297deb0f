import { toolHours } from '@fomrik/core/plan';
import { counted, trimNumber } from '@fomrik/core/units';
import { format } from 'date-fns';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';

/** Runs of days one after the other, as from and to. */
function runsOf(days: readonly string[]): [string, string][] {
  const runs: [string, string][] = [];
  for (const day of days) {
    const last = runs.at(-1);
    if (last && Date.parse(day) - Date.parse(last[1]) <= 86_400_000) last[1] = day;
    else runs.push([day, day]);
  }
  return runs;
}

const MOST = 4;
const said = (iso: string): string => format(new Date(`${iso}T12:00:00`), 'EEE d MMM');

/** Hours and days of each tool: a borrowed one has its day. */
export function Tools() {
  const report = useReport((s) => s.report)!;
  const make = useBuild((s) => s.doc.make);
  const uses = toolHours(report.steps, report.schedule, make.habits, make.done);
  if (uses.length === 0) return null;
  return (
    <section className="m-5 max-w-2xl" aria-label="Tools">
      <h2 className="head">Tools: hours, and the days they are wanted on</h2>
      <table className="w-full">
        <tbody>
          {uses.map(({ tool, hours, days, steps }) => {
            const runs = runsOf(days);
            return (
              <tr key={tool} className="border-t border-hair align-top">
                <th scope="row" className="py-1 text-left font-medium">
                  {tool}
                </th>
                <td className="whitespace-nowrap pr-3">
                  {trimNumber(hours, 1)} h in {counted(steps, 'step')}
                </td>
                <td>
                  {runs
                    .slice(0, MOST)
                    .map(([from, to]) => (from === to ? said(from) : `${said(from)} to ${said(to)}`))
                    .join('; ')}
                  {runs.length > MOST && `; and ${counted(runs.length - MOST, 'more time')}`}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="text-[12.5px] text-soft">
        Laid out in batches (under Calendar) a tool comes out fewer times.
      </p>
    </section>
  );
}
