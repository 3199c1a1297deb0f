import { getFrom } from '../units';
import type { Step } from './step';

/** When a step could begin and must begin if hands were no limit, and what lies between; minutes of work and drying. */
export interface Float {
  earliestMin: number;
  latestMin: number;
  slackMin: number;
}

/**
 * The critical path method (Kelley and Walker, 1959) over work and drying: forward for the earliest, backward for the
 * latest; steps without slack decide when all is done. Steps come after what they need, in any order.
 */
export function floats(
  steps: readonly Pick<Step, 'id' | 'after' | 'lags' | 'workMin' | 'waitMin'>[],
): Map<string, Float> {
  const byId = new Map(steps.map((s) => [s.id, s]));
  const lasts = (s: (typeof steps)[number]): number => s.workMin + s.waitMin;
  const earliest = new Map<string, number>();
  const order: (typeof steps)[number][] = [];
  const visit = (s: (typeof steps)[number]): void => {
    if (earliest.has(s.id)) return;
    const before = s.after.flatMap((id) => byId.get(id) ?? []);
    before.forEach(visit);
    earliest.set(
      s.id,
      Math.max(0, ...before.map((b) => getFrom(earliest, b.id) + lasts(b) + (s.lags?.[b.id] ?? 0))),
    );
    order.push(s);
  };
  steps.forEach(visit);
  const end = Math.max(0, ...order.map((s) => getFrom(earliest, s.id) + lasts(s)));
  const due = new Map<string, number>();
  for (const s of order.reverse()) {
    const latestMin = (due.get(s.id) ?? end) - lasts(s);
    for (const id of s.after) due.set(id, Math.min(due.get(id) ?? Infinity, latestMin - (s.lags?.[id] ?? 0)));
    due.set(s.id, latestMin + lasts(s));
  }
  return new Map(
    order.map((s) => {
      const earliestMin = getFrom(earliest, s.id);
      const latestMin = getFrom(due, s.id) - lasts(s);
      return [s.id, { earliestMin, latestMin, slackMin: latestMin - earliestMin }];
    }),
  );
}
