import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import { safeStorage } from './safeStorage';

/** The clock of the step in hand: when it was last started, and what ran before. */
interface WorkClock {
  buildId: string;
  stepId: string;
  /** Milliseconds since the epoch; nothing while it stands. */
  startedAt: number | null;
  beforeMs: number;
}

const still: WorkClock = { buildId: '', stepId: '', startedAt: null, beforeMs: 0 };

/** Runs on over a reload and on other stations; only its start is kept. It never ticks a step. */
export const useWorkClock = create<WorkClock>()(
  persist(() => still, { name: 'fomrik:clock', storage: createJSONStorage(() => safeStorage) }),
);

/** How long the step has been worked on by the clock, ms; 0 when the clock is another step's. */
export function clockMs(
  { startedAt, beforeMs, ...of }: WorkClock,
  buildId: string,
  stepId: string,
  now: number,
): number {
  if (of.buildId !== buildId || of.stepId !== stepId) return 0;
  return beforeMs + (startedAt === null ? 0 : now - startedAt);
}

/** Starts or stops the clock of a step; another step's clock gives way. */
export function pressClock(buildId: string, stepId: string): void {
  const now = Date.now();
  useWorkClock.setState((clock) => {
    const beforeMs = clockMs(clock, buildId, stepId, now);
    const runs = clock.startedAt !== null && clock.buildId === buildId && clock.stepId === stepId;
    return { buildId, stepId, beforeMs, startedAt: runs ? null : now };
  });
}

export function resetClock(): void {
  useWorkClock.setState(still);
}
