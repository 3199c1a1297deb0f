import type { Pack } from '../materials';
import { capacityAh } from './cells';
import { type Feed, type Lights, workingAt } from './network';

export interface RunPoint {
  hour: number;
  /** At the pack's terminals. */
  volts: number;
  currentA: number;
}

export interface RunTime {
  /** Until the lamps pass half the current they began with, or the cells are empty. */
  hours: number;
  endedBy: 'dim' | 'empty';
  points: RunPoint[];
}

/** How the light is used: what share of the hours it is on, and what is drawn while it is off. */
export interface Duty {
  onShare: number;
  idleA: number;
  /** Share of the full current that the effect draws on the mean. */
  playedShare?: number;
}

const ALWAYS: Duty = { onShare: 1, idleA: 0 };
export const STRAIGHT: Feed = { switchOhm: 0.05, wireOhm: 0 };

const STEPS = 60;

/**
 * Discharge in equal shares of capacity, the circuit solved anew at each: volts fall, the cells' own resistance grows,
 * and capacity is that at the mean load (tables of the cells). Hours are by the clock, the light on for its share of them.
 */
function emptied(pack: Pack, lights: Lights, feed: Feed, { onShare, idleA, playedShare = 1 }: Duty): RunTime {
  const points: RunPoint[] = [];
  let hour = 0;
  const first = workingAt(pack, lights, feed, 0)?.totalA ?? 0;
  for (let i = 0; i <= STEPS; i++) {
    const now = workingAt(pack, lights, feed, i / STEPS);
    const currentA = now?.totalA ?? 0;
    const before = points.at(-1);
    points.push({ hour, volts: now?.packVolts ?? 0, currentA });
    if (currentA < first / 2 || currentA < 1e-6) {
      if (!before || before.currentA <= currentA) return { hours: hour, endedBy: 'dim', points };
      // Within the last step the light fell through its half.
      const share = (before.currentA - first / 2) / (before.currentA - currentA);
      const hours = before.hour + Math.min(1, Math.max(0, share)) * (hour - before.hour);
      points[points.length - 1] = {
        hour: hours,
        volts: before.volts + share * ((now?.packVolts ?? 0) - before.volts),
        currentA: first / 2,
      };
      return { hours, endedBy: 'dim', points };
    }
    const meanA = currentA * onShare * playedShare + idleA * (1 - onShare);
    if (i < STEPS) hour += capacityAh(pack.cell.capacity, meanA) / STEPS / meanA;
  }
  return { hours: hour, endedBy: 'empty', points };
}

/** Discharges that were worked out lately: an edit elsewhere asks for the same ones again. */
const lately = new Map<string, RunTime>();
const MOST_KEPT = 200;

/** Hours of a pack, the same for the same pack, lights, feed and duty. */
export function runTime(pack: Pack, lights: Lights, feed: Feed = STRAIGHT, duty: Duty = ALWAYS): RunTime {
  const key = JSON.stringify([pack, lights, feed, duty]);
  const known = lately.get(key);
  if (known) return known;
  const run = emptied(pack, lights, feed, duty);
  if (lately.size >= MOST_KEPT) lately.delete(lately.keys().next().value!);
  lately.set(key, run);
  return run;
}
