import type { Step } from '@fomrik/core/plan';
import { printMinutes } from '@fomrik/core/units';
import { format } from 'date-fns';
import { clockWords, useNow } from './useNow';

/** Counts down from the moment the step was ticked; survives a reload because the tick is kept. */
export function DryingTimer({ step, doneAt }: { step: Step; doneAt: string | undefined }) {
  const now = useNow(doneAt !== undefined);
  if (doneAt === undefined)
    return <p className="text-soft">The timer for {printMinutes(step.waitMin)} starts when this is done.</p>;
  const until = new Date(doneAt).getTime() + step.waitMin * 60_000;
  return (
    <p role="timer" className="text-[20px] font-semibold">
      {until > now
        ? `${clockWords(until - now)} until ${step.waitFor}`
        : `${step.waitFor} since ${format(until, 'd MMM HH:mm')}`}
    </p>
  );
}
