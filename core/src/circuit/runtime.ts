import type { Pack } from '../materials';
import { capacityAh, coldShare } from './cells';
import { coldLights, coldPack } from './cold';
import { type Feed, type Lights, workingAt } from './network';

export interface RunPoint {
  hour: number;
  /** At the pack's terminals. */
  volts: number;
  currentA: number;
  /** Brightness against fresh cells: lamps shine as their current does. */
  lightShare: number;
}

export interface RunTime {
  /** Until the lamps pass half the current they draw fresh at the bench, addressable ones drop out, or the cells are empty. */
  hours: number;
  endedBy: 'dim' | 'out' | 'empty';
  points: RunPoint[];
}

/** How the light is used: what share of the hours it is on, and what is drawn while it is off. */
export interface Duty {
  onShare: number;
  idleA: number;
  /** Share of the full current that the effect draws on the mean. */
  playedShare?: number;
  /** How cold the cells are; 20 °C when left out. */
  coldC?: number;
  /** What the cells of this shop give by what their tables say; 1 when left out. */
  capacityShare?: number;
}

const ALWAYS: Duty = { onShare: 1, idleA: 0 };
export const STRAIGHT: Feed = { switchOhm: 0.05, wireOhm: 0 };

const STEPS = 60;
/** Less than this is nothing drawn, A. */
const LEAST_A = 1e-6;
/** The light has ended when it is this share of what it was. */
const HALF = 0.5;

/**
 * Discharge in equal shares of capacity, the circuit solved anew at each: volts fall, the cells' own resistance grows,
 * and capacity is that at the mean load (tables of the cells). Hours are by the clock, the light on for its share of them.
 */
function emptied(
  pack: Pack,
  lights: Lights,
  feed: Feed,
  { onShare, idleA, playedShare = 1, coldC = 20, capacityShare = 1 }: Duty,
): RunTime {
  const points: { point: RunPoint; railV: number }[] = [];
  const driven = lights.steady.flatMap((s) => (s.kind === 'segments' ? [] : [s]));
  const leastV = Math.max(0, ...driven.map((s) => s.leastV));
  // A board draws on, whatever is played.
  const restA = driven.reduce((sum, s) => sum + (s.kind === 'digital' ? s.restA : s.amps), 0);
  // What counts as bright is what the lamps give at the bench.
  const freshA = Math.max(1e-9, workingAt(pack, lights, feed, 0)?.lightA ?? 0);
  const [cells, lamps] = [coldPack(pack, coldC), coldLights(lights, coldC)];
  const left = coldShare(pack.cell.cold, coldC) * capacityShare;
  // Behind a regulator the pack gives more or less than the light takes, and what the regulator draws itself.
  const ownA = feed.regulator?.ownA ?? 0;
  /** Hours the whole of the cells would last at a moment's draw. Dimmed by its effect, a light draws less of what is more than its rest. */
  const lasts = (drawnA: number, lightA: number): number => {
    const rest = ownA + (restA * (drawnA - ownA)) / Math.max(1e-9, lightA);
    const played = rest + Math.max(0, drawnA - rest) * playedShare;
    const meanA = played * onShare + idleA * (1 - onShare);
    return (left * capacityAh(pack.cell.capacity, meanA)) / meanA;
  };
  let hour = 0;
  let before = 0;
  for (let i = 0; i <= STEPS; i++) {
    const now = workingAt(cells, lamps, feed, i / STEPS);
    const drawn = now && now.totalA >= LEAST_A ? lasts(now.totalA, now.lightA) : before;
    // The draw falls through a step: both its ends count (trapezoids).
    if (i > 0) hour += (before + drawn) / 2 / STEPS;
    before = drawn;
    const at: RunPoint = {
      hour,
      volts: now?.packVolts ?? 0,
      currentA: now?.totalA ?? 0,
      lightShare: (now?.lightA ?? 0) / freshA,
    };
    const railV = now?.lampVolts ?? 0;
    const out = railV < leastV;
    if (out || at.lightShare < HALF || at.currentA < LEAST_A) {
      const last = points.at(-1);
      // Within the last step the light fell through its half, or the rail through what the lamps want.
      const end =
        last &&
        between(
          last.point,
          at,
          out ? share(last.railV, railV, leastV) : share(last.point.lightShare, at.lightShare, HALF),
        );
      return {
        hours: end?.hour ?? 0,
        endedBy: out ? 'out' : 'dim',
        points: [...points.map((p) => p.point), end ?? at],
      };
    }
    points.push({ point: at, railV });
  }
  return { hours: hour, endedBy: 'empty', points: points.map((p) => p.point) };
}

/** How far from one value to the next a limit lies, 0 to 1. */
const share = (from: number, to: number, limit: number): number =>
  from <= to ? 0 : Math.min(1, Math.max(0, (from - limit) / (from - to)));

const between = (a: RunPoint, b: RunPoint, t: number): RunPoint => ({
  hour: a.hour + t * (b.hour - a.hour),
  volts: a.volts + t * (b.volts - a.volts),
  currentA: a.currentA + t * (b.currentA - a.currentA),
  lightShare: a.lightShare + t * (b.lightShare - a.lightShare),
});

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
