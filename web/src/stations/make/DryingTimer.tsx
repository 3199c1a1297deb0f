import type { Step } from '@fomrik/core/plan';
import { printMinutes } from '@fomrik/core/units';
import { format } from 'date-fns';
import { useEffect, useState } from 'react';

/** Counts down from the moment the step was ticked; survives a reload because the tick is kept. */
export function DryingTimer({ step, doneAt }: { step: Step; doneAt: string | undefined }) {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (doneAt === undefined) return;
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, [doneAt]);
  if (doneAt === undefined)
    return <p className="text-soft">The timer for {printMinutes(step.waitMin)} starts when this is done.</p>;
  const until = new Date(doneAt).getTime() + step.waitMin * 60_000;
  const left = (until - now) / 60_000;
  const clock = `${Math.floor(left / 60)}:${String(Math.floor(left % 60)).padStart(2, '0')}:${String(Math.floor((left * 60) % 60)).padStart(2, '0')}`;
  return (
    <p role="timer" className="text-[20px] font-semibold">
      {left > 0 ? `${clock} until ${step.waitFor}` : `${step.waitFor} since ${format(until, 'd MMM HH:mm')}`}
    </p>
  );
}
