import { counted } from '@fomrik/core/units';
import type { Report } from '@fomrik/core/report';
import { addDays, differenceInCalendarDays, format } from 'date-fns';

const DAY_MIN = 1440;

/** Work and drying laid over the days up to the event. */
export function Timeline({ report, eventDate }: { report: Report; eventDate: string }) {
  const { schedule, totals } = report;
  const first = new Date(`${schedule.firstDay}T00:00`);
  const event = new Date(`${eventDate}T00:00`);
  const toEvent = Math.max(1, differenceInCalendarDays(event, first));
  const days = Math.max(toEvent, Math.ceil(schedule.finishMin / DAY_MIN)) + 1;
  const x = (minute: number): number => (minute / DAY_MIN / days) * 760 + 20;
  const late = totals.daysToSpare < 0;
  const every = Math.max(1, Math.ceil(days / 12));
  return (
    <section aria-label="Time">
      <h2 className="head">
        {late
          ? `Ready ${counted(-totals.daysToSpare, 'day')} late`
          : `Ready with ${counted(totals.daysToSpare, 'day')} to spare`}{' '}
        · {(totals.workMin / 60).toFixed(0)} h of work
      </h2>
      <svg
        viewBox="0 0 800 84"
        className="w-full"
        role="img"
        aria-label={`Work from ${format(first, 'd MMM')} to ${format(addDays(first, Math.floor(schedule.finishMin / DAY_MIN)), 'd MMM')}, event ${format(event, 'd MMM')}`}
      >
        {Array.from({ length: days + 1 }, (_, d) => d).map((d) => (
          <g key={d}>
            <line
              x1={x(d * DAY_MIN)}
              x2={x(d * DAY_MIN)}
              y1={d % every === 0 ? 18 : 26}
              y2={50}
              stroke="var(--color-hair)"
            />
            {d % every === 0 && d < days && (
              <text x={x(d * DAY_MIN) + 2} y={14} fontSize={11} fill="var(--color-soft)">
                {format(addDays(first, d), 'd MMM')}
              </text>
            )}
          </g>
        ))}
        <line x1={20} x2={780} y1={50} y2={50} stroke="var(--color-ink)" />
        {schedule.slots.map((s) => (
          <g key={s.stepId}>
            <rect
              x={x(s.endMin)}
              y={40}
              width={Math.max(0, x(s.readyMin) - x(s.endMin))}
              height={4}
              fill="var(--color-hair)"
            />
            <rect
              x={x(s.startMin)}
              y={30}
              width={Math.max(1.5, x(s.endMin) - x(s.startMin))}
              height={20}
              fill="var(--color-foam)"
            />
          </g>
        ))}
        <g transform={`translate(${x(toEvent * DAY_MIN)} 0)`}>
          <path
            d="M0 22V62M0 22l14 6-14 6z"
            stroke={late ? 'var(--color-stop)' : 'var(--color-ink)'}
            fill={late ? 'var(--color-stop)' : 'var(--color-ink)'}
          />
          <text x={-4} y={76} fontSize={12} textAnchor="end" fontWeight={600}>
            event {format(event, 'd MMM')}
          </text>
        </g>
        <text x={20} y={76} fontSize={11} fill="var(--color-soft)">
          dark: at work · pale: drying or curing
        </text>
      </svg>
    </section>
  );
}
