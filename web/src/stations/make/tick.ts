import { readingOf, type Step, tookId, workFactor } from '@fomrik/core/plan';
import { useBuild } from '../../store/build';
import { MOST_READINGS } from '../../store/readings';
import { useReport } from '../../store/report';
import { todayIso } from '../../store/today';
import { resetClock, useWorkClock } from '../../store/workClock';

/** Ticks a step as done now, with the minutes it took where they are known: a reading for the plans to come. */
export function tickStep(step: Step, tookMin: number | undefined): void {
  const { constants } = useReport.getState().report!;
  useBuild.getState().update((d) => {
    // Everything of a batch is done at one moment.
    const now = new Date().toISOString();
    for (const id of step.of ?? [step.id]) d.make.done[id] = now;
    if (tookMin === undefined || step.workMin <= 0) return;
    // What was planned before anything was learned.
    const reading = readingOf(step, tookMin, workFactor(step.kind, constants), todayIso());
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
    for (const id of step.of ?? [step.id]) delete d.make.done[id];
    d.make.readings = d.make.readings?.filter((r) => r.id !== tookId(step));
    if (d.make.readings?.length === 0) delete d.make.readings;
  });
}
