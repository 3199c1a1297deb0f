import type { Reading } from '../learn';
import type { Step } from './step';
import { workKinds } from './workKinds';

/** Stated and real minutes of the steps of one sort or one part that were ticked with what they took. */
export interface Compared {
  key: string;
  plannedMin: number;
  tookMin: number;
  steps: number;
}

/** The reading a step gives when it is ticked with what it took. */
export const tookId = ({ id }: Pick<Step, 'id'>): string => `took:${id}`.slice(0, 60);

/**
 * What was planned before anything was learned against what it took, by sort of work and by part, worst first; only
 * steps that were ticked with their minutes count.
 */
export function compared(
  steps: readonly Step[],
  readings: readonly Reading[],
): { kinds: Compared[]; parts: Compared[] } {
  const took = new Map(readings.map((r) => [r.id, r]));
  const rows = (keyOf: (s: Step) => string | undefined): Compared[] => {
    const found = new Map<string, Compared>();
    for (const step of steps) {
      const reading = took.get(tookId(step));
      const key = keyOf(step);
      if (!reading || key === undefined) continue;
      const row = found.get(key) ?? { key, plannedMin: 0, tookMin: 0, steps: 0 };
      found.set(key, {
        key,
        plannedMin: row.plannedMin + reading.planned,
        tookMin: row.tookMin + reading.actual,
        steps: row.steps + 1,
      });
    }
    return [...found.values()].sort((a, b) => b.tookMin - b.plannedMin - (a.tookMin - a.plannedMin));
  };
  return { kinds: rows((s) => s.kind), parts: rows((s) => s.partId) };
}

/** What a step is read off besides its minutes. */
export const readId = ({ id }: Pick<Step, 'id'>): string => `read:${id}`.slice(0, 60);

/** A coat's millilitres or a light's hours, as they were read at the step. */
export const readOff = (
  { reads, title, id }: Pick<Step, 'id' | 'title'> & { reads: NonNullable<Step['reads']> },
  actual: number,
  takenOn: string,
): Reading => ({
  id: readId({ id }),
  quantity: reads.quantity,
  planned: reads.stated,
  actual,
  takenOn,
  of: title.slice(0, 120),
});

/** What a step's minutes are a reading of. */
export const readingOf = (step: Step, tookMin: number, factor: number, takenOn: string): Reading => ({
  id: tookId(step),
  quantity: workKinds[step.kind].teaches,
  planned: step.workMin / factor,
  actual: tookMin,
  takenOn,
  of: step.title.slice(0, 120),
});
