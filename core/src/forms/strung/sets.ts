import { itemAt } from '../../units';
import { CALIPER_MM, offMm, type Thing } from './fields';

/** Less play than this jams; more than the other wants a ring between; mm across, from memory. */
const JAMS_MM = 0.2;
const SNUG_MM = 2;
/** More sets than these are not looked through. */
const MOST_SETS = 4000;

/** How one thing meets the next. */
export interface Meeting {
  how: 'butt' | 'jams' | 'snug' | 'ring';
  /** Between the bore and what is in it, across; absent end to end. */
  playMm?: number;
  /** Bore and what is in it. */
  boreMm?: number;
  withinMm?: number;
  byMm: number;
  /** How far the play may be off, either way: both sizes as they are known. */
  offMm: number;
}

/** How far a thing may be off its size, mm across. */
const offOf = ({ what, known }: Thing): number => (known === 'caliper' ? CALIPER_MM : offMm[what]);

/** Whether they go together as they are known, and might not as they come. */
export const mayJam = ({ how, playMm, offMm: off }: Meeting): boolean =>
  (how === 'snug' || how === 'ring') && playMm! - off < JAMS_MM;

export const boreBelow = (t: Thing): number => Math.max(0, t.lowMm - 2 * t.wallMm);
export const boreAbove = (t: Thing): number => Math.max(0, t.highMm - 2 * t.wallMm);

/** How a thing meets the one above it: its own outside in the other's bore, or the other way round. */
export function meetingOf(low: Thing, high: Thing): Meeting {
  if (low.meets === 'butt') return { how: 'butt', byMm: 0, offMm: 0 };
  const [boreMm, withinMm] =
    low.meets === 'inside' ? [boreBelow(high), low.highMm] : [boreAbove(low), high.lowMm];
  const playMm = boreMm - withinMm;
  return {
    how: playMm < JAMS_MM ? 'jams' : playMm <= SNUG_MM ? 'snug' : 'ring',
    playMm,
    boreMm,
    withinMm,
    byMm: Math.min(low.intoMm, low.longMm, high.longMm),
    offMm: offOf(low) + offOf(high),
  };
}

/** One of each place, and what it costs. */
export interface ThingSet {
  things: Thing[];
  price: number;
  jams: number;
}

/**
 * Every set of one thing a place, those that go together first and of those the cheapest, then the lightest. Of very
 * many only the first few thousand are looked at.
 */
export function setsOf(things: readonly Thing[]): ThingSet[] {
  const places = [...new Set(things.map((t) => t.place))].sort((a, b) => a - b);
  const choices = places.map((place) => things.filter((t) => t.place === place));
  let sets: Thing[][] = [[]];
  for (const choice of choices)
    sets = sets.flatMap((set) => choice.map((t) => [...set, t])).slice(0, MOST_SETS);
  const grams = (set: ThingSet): number => set.things.reduce((sum, t) => sum + t.massG, 0);
  return sets
    .map((set): ThingSet => ({
      things: set,
      price: set.reduce((sum, t) => sum + t.price, 0),
      jams: set.slice(1).filter((t, i) => meetingOf(itemAt(set, i), t).how === 'jams').length,
    }))
    .sort((a, b) => a.jams - b.jams || a.price - b.price || grams(a) - grams(b));
}
