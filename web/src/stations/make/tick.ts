import type { Reading } from '@fomrik/core/learn';
import { type Step, workKinds } from '@fomrik/core/plan';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { todayIso } from '../../store/today';
import { resetClock, useWorkClock } from '../../store/workClock';

/** A shop keeps so many readings; the oldest gives way. */
const MOST_READINGS = 500;

const readingId = (step: Step): string => `took:${step.id}`.slice(0, 60);

/** Ticks a step as done now, with the minutes it took where they are known: a reading for the plans to come. */
export function tickStep(step: Step, tookMin: number | undefined): void {
  const { constants } = useReport.getState().report!;
  const quantity = workKinds[step.kind].teaches;
  // What was planned before anything was learned.
  const own = constants[quantity];
  const factor = own.readings > 0 ? own.factor : constants.handWork.factor;
  const hours = quantity === 'handWork' ? 60 : 1;
  useBuild.getState().update((d) => {
    d.make.done[step.id] = new Date().toISOString();
    if (tookMin === undefined || step.workMin <= 0) return;
    const reading: Reading = {
      id: readingId(step),
      quantity,
      planned: step.workMin / factor / hours,
      actual: tookMin / hours,
      takenOn: todayIso(),
      of: step.title.slice(0, 120),
    };
    d.make.readings = [
      ...(d.make.readings ?? []).filter((r) => r.id !== reading.id).slice(1 - MOST_READINGS),
      reading,
    ];
  });
  if (useWorkClock.getState().stepId === step.id) resetClock();
}

/** Takes a tick back, and the reading it gave. */
export function untickStep(step: Step): void {
  useBuild.getState().update((d) => {
    delete d.make.done[step.id];
    d.make.readings = d.make.readings?.filter((r) => r.id !== readingId(step));
    if (d.make.readings?.length === 0) delete d.make.readings;
  });
}
