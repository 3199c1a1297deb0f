import { type ByDay, hoursOverTime, moneyOverTime } from '@fomrik/core/plan';
import { trimNumber } from '@fomrik/core/units';
import { useEffect, useMemo, useRef } from 'react';
import { useBuild } from '../../store/build';
import { useNotes } from '../../store/notes';
import { useReport } from '../../store/report';

interface Line {
  name: string;
  days: readonly ByDay[];
  colour: string;
  dash?: 'dash' | 'dot';
}

/** Sums by the day, one line each, with a limit across. */
function DayChart({
  label,
  unit,
  lines,
  limit,
}: {
  label: string;
  unit: string;
  lines: readonly Line[];
  limit?: { name: string; value: number } | undefined;
}) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const target = box.current;
    if (!target) return;
    let gone = false;
    void import('../../parts/plotly').then(({ default: Plotly }) => {
      if (gone) return;
      const days = lines.flatMap((l) => l.days.map((d) => d.day)).sort();
      const across = limit && days.length > 0 ? [days[0]!, days[days.length - 1]!] : [];
      void Plotly.react(
        target,
        [
          ...lines.map(({ name, days: own, colour, dash }) => ({
            x: own.map((d) => d.day),
            y: own.map((d) => d.sum),
            name,
            type: 'scatter' as const,
            mode: 'lines+markers' as const,
            line: { color: colour, width: 2.5, shape: 'hv' as const, ...(dash && { dash }) },
            marker: { size: 5 },
            hovertemplate: `%{x}: %{y:.1f} ${unit}<extra>${name}</extra>`,
          })),
          ...(limit
            ? [
                {
                  x: across,
                  y: across.map(() => limit.value),
                  name: limit.name,
                  type: 'scatter' as const,
                  mode: 'lines' as const,
                  line: { color: '#1b2625', width: 1.5, dash: 'dot' as const },
                },
              ]
            : []),
        ],
        {
          margin: { l: 48, r: 12, t: 8, b: 34 },
          paper_bgcolor: 'rgba(0,0,0,0)',
          plot_bgcolor: 'rgba(0,0,0,0)',
          font: { family: 'Barlow, sans-serif', size: 12, color: '#1b2625' },
          xaxis: { type: 'date', gridcolor: '#c9d3cd' },
          yaxis: { title: { text: unit }, rangemode: 'tozero', gridcolor: '#c9d3cd', zeroline: false },
          legend: { orientation: 'h', y: 1.15 },
        },
        { displayModeBar: false, responsive: true },
      );
    });
    return () => {
      gone = true;
    };
  }, [lines, limit, unit]);
  const said = lines
    .filter((l) => l.days.length > 0)
    .map((l) => `${l.name} ${trimNumber(l.days.at(-1)!.sum, 1)} ${unit}`);
  return (
    <div ref={box} role="img" aria-label={`${label}: ${said.join(', ')}`} className="h-64 w-full max-w-3xl" />
  );
}

/** Hours and money against the plan, day by day. */
export function OverTime() {
  const report = useReport((s) => s.report)!;
  const make = useBuild((s) => s.doc.make);
  const { currency, budget } = useBuild((s) => s.doc.brief);
  const log = useNotes((s) => s.log);
  const hours = useMemo(
    () => hoursOverTime(report.steps, report.schedule, make.readings ?? [], make.done),
    [report, make],
  );
  const money = useMemo(() => moneyOverTime(log, currency), [log, currency]);
  const hourLines = useMemo<Line[]>(
    () => [
      { name: 'taken', days: hours.taken, colour: '#0b5a61' },
      { name: 'planned for the same steps', days: hours.stated, colour: '#8a5a00', dash: 'dot' },
      { name: 'still ahead', days: hours.ahead, colour: '#5b7d80', dash: 'dash' },
    ],
    [hours],
  );
  const moneyLines = useMemo<Line[]>(() => [{ name: 'spent', days: money, colour: '#0b5a61' }], [money]);
  const limit = useMemo(
    () => (budget > 0 ? { name: 'budget', value: budget } : { name: 'planned', value: report.totals.cost }),
    [budget, report.totals.cost],
  );
  return (
    <>
      {hours.taken.length > 0 && (
        <section aria-label="Hours by the day">
          <h2 className="head">Hours by the day</h2>
          <DayChart label="Hours by the day" unit="h" lines={hourLines} />
        </section>
      )}
      {money.length > 0 && (
        <section aria-label="Money by the day">
          <h2 className="head">Money by the day</h2>
          <DayChart label="Money by the day" unit={currency} lines={moneyLines} limit={limit} />
        </section>
      )}
    </>
  );
}
