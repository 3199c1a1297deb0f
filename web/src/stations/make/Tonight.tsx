import { pieceCode } from '@fomrik/core/pattern';
import { templatesOf } from '@fomrik/core/parts';
import { DAY, handlesPieces, scheduleTime } from '@fomrik/core/plan';
import type { Report } from '@fomrik/core/report';
import { byId, printMinutes, firstOf, lastOf, findIn } from '@fomrik/core/units';
import { format } from 'date-fns';
import { Said } from '../../parts/Said';

/** What the plan has for today, or for the next day there is work: when, what, and its pieces. */
export function Tonight({ report, onOpen }: { report: Report; onOpen: (stepId: string) => void }) {
  const { schedule, steps, parts, letters } = report;
  const first = schedule.slots[0];
  if (!first) return <p className="p-5 text-[17px]">Everything is done.</p>;
  const day = Math.floor(first.startMin / DAY);
  const tonight = schedule.slots.flatMap((slot) => {
    const spans = slot.spans.filter((s) => Math.floor(s.fromMin / DAY) === day);
    return spans.length > 0
      ? [{ slot, fromMin: firstOf(spans).fromMin, toMin: lastOf(spans).toMin, spans }]
      : [];
  });
  const minutes = tonight.flatMap((t) => t.spans).reduce((sum, s) => sum + s.toMin - s.fromMin, 0);
  const at = (minute: number, words: string): string =>
    format(new Date(scheduleTime(schedule, minute)), words);
  return (
    <section className="p-5" aria-label="Tonight">
      <h2 className="text-[26px] leading-tight">
        {at(first.startMin, 'EEEE d MMMM')}: {printMinutes(minutes)} of work
      </h2>
      <ol className="mt-2 max-w-3xl">
        {tonight.map(({ slot, fromMin, toMin }) => {
          const step = findIn(steps, (s) => s.id === slot.stepId);
          const part = byId(parts, step.partId);
          return (
            <li key={slot.stepId} className="flex gap-4 border-t border-hair py-2 text-[17px]">
              <span className="w-28 shrink-0 text-soft">
                {at(fromMin, 'HH:mm')} – {at(toMin, 'HH:mm')}
              </span>
              <span className="min-w-0">
                <button
                  type="button"
                  className="text-left text-teal underline"
                  onClick={() => onOpen(step.id)}
                >
                  <Said words={step.title} />
                </button>
                {slot.endMin > toMin && <span className="text-soft"> goes on {at(slot.endMin, 'EEE')}</span>}
                {step.waitMin > 0 && (
                  <span className="block text-[14px] text-soft">
                    then {printMinutes(step.waitMin)} {step.waitFor}, until {at(slot.readyMin, 'EEE HH:mm')}
                  </span>
                )}
                {part && handlesPieces(step) && (
                  <span className="block text-[14px] text-soft">
                    {templatesOf(part.pieces)
                      .slice(0, 12)
                      .map((p) => `${pieceCode({ letters }, part, p)} ${p.name}`)
                      .join(', ')}
                    {templatesOf(part.pieces).length > 12 &&
                      ` and ${templatesOf(part.pieces).length - 12} more`}
                  </span>
                )}
              </span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
