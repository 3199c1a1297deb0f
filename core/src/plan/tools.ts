import type { Habits } from '../materials';
import { DAY } from './calendar';
import type { Schedule } from './schedule';
import type { Step } from './step';
import type { WorkKind } from './workKinds';

/** What steps of a kind are done with that is worth borrowing; hands, pens and brushes are there. Common practice, no source. */
function toolsOf(kind: WorkKind, { cutter, bevel }: Pick<Habits, 'cutter' | 'bevel'>): string[] {
  switch (kind) {
    case 'cut':
      return [{ knife: 'knife and fresh blades', 'band-saw': 'band saw', laser: 'laser cutter' }[cutter]];
    case 'bevel':
      return bevel === 'tilted' ? ['knife and fresh blades'] : ['rotary tool or sander'];
    case 'groove':
      return ['knife and fresh blades'];
    case 'sand':
      return ['rotary tool or sander'];
    case 'form':
      return ['heat gun'];
    case 'drill':
      return ['drill'];
    case 'solder':
      return ['soldering iron'];
    case 'test':
      return ['multimeter'];
    case 'coat':
    case 'paint':
      return ['mask for organic vapour'];
    default:
      return [];
  }
}

/** A tool, how long it is used in all, and on which days. */
export interface ToolUse {
  tool: string;
  hours: number;
  days: string[];
  /** How many steps want it. */
  steps: number;
}

const dayAt = (firstDay: string, min: number): string =>
  new Date(Date.parse(`${firstDay}T00:00:00Z`) + Math.floor(min / DAY) * 86_400_000)
    .toISOString()
    .slice(0, 10);

/** Hours and days of every tool over the steps that are still to do, the most used first: a borrowed one has its day. */
export function toolHours(
  steps: readonly Step[],
  { firstDay, slots }: Pick<Schedule, 'firstDay' | 'slots'>,
  habits: Pick<Habits, 'cutter' | 'bevel'>,
  done: Readonly<Record<string, string>>,
): ToolUse[] {
  const bySlot = new Map(slots.map((s) => [s.stepId, s]));
  const uses = new Map<string, { min: number; days: Set<string>; steps: number }>();
  for (const step of steps) {
    if (done[step.id] !== undefined) continue;
    for (const tool of toolsOf(step.kind, habits)) {
      const use = uses.get(tool) ?? { min: 0, days: new Set<string>(), steps: 0 };
      use.min += step.workMin;
      use.steps += 1;
      for (const span of bySlot.get(step.id)?.spans ?? [])
        for (let day = Math.floor(span.fromMin / DAY); day * DAY < span.toMin; day++)
          use.days.add(dayAt(firstDay, day * DAY));
      uses.set(tool, use);
    }
  }
  return [...uses]
    .map(([tool, { min, days, steps: count }]) => ({
      tool,
      hours: min / 60,
      days: [...days].sort(),
      steps: count,
    }))
    .sort((a, b) => b.hours - a.hours);
}
