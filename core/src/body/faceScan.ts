import { firstOf, itemAt } from '../units';
import { boundsOf, type Vec2 } from '../geometry';
import { extents } from './extents';
import type { Skull } from './headScan';
import type { MeasureKey } from './measures';
import { evened, steady } from './scanSlices';

const STEP_MM = 3;
/** Slices that say where the middle of the head is and how it is turned. */
const REFERENCE_MM = [60, 63, 66];
/** Half the width of the middle strip in which the face's profile is read. */
const MIDDLE_MM = 8;

/** What is seen of a head at a depth below its crown: how far it reaches to either end of its length, and to its sides. */
interface Profile {
  depthMm: number;
  ends: [number, number];
  /** The same, of the single farthest point. */
  tips: [number, number];
  wideMm: number;
}

/** What the outermost few of many say, so that one stray point does not count; a hair too far out with noise. */
function outermost(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => b - a);
  const few = sorted.slice(0, Math.max(1, Math.min(5, Math.floor(sorted.length / 4))));
  return few.reduce((sum, v) => sum + v, 0) / few.length;
}

function profilesOf(cut: (z: number) => Vec2[], crownZ: number, turn: number, middle: Vec2): Profile[] {
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const found: Profile[] = [];
  for (let depthMm = 45; depthMm <= 240; depthMm += STEP_MM) {
    const slice = [-1, 0, 1].flatMap((k) => cut(crownZ - depthMm + k));
    const turned = slice.map((p) => {
      const [x, y] = [p.x - middle.x, p.y - middle.y];
      return { x: x * c + y * s, y: y * c - x * s };
    });
    const strip = turned.filter((p) => Math.abs(p.x) < MIDDLE_MM);
    const [fore, aft] = [strip.filter((p) => p.y > 0), strip.filter((p) => p.y <= 0)];
    if (fore.length === 0 || aft.length === 0) {
      // A hole is bridged from above.
      found.push(...found.slice(-1).map((above) => ({ ...above, depthMm })));
      continue;
    }
    const reach = (of: readonly Vec2[]): number => outermost(of.map((p) => Math.abs(p.y)));
    const [right, left] = [turned.filter((p) => p.x > 0), turned.filter((p) => p.x < 0)];
    const across = [right, left].map((side) => outermost(side.map((p) => Math.abs(p.x))));
    const far = (of: readonly Vec2[]): number => Math.max(...of.map((p) => Math.abs(p.y)));
    found.push({
      depthMm,
      ends: [reach(fore), reach(aft)],
      tips: [far(fore), far(aft)],
      wideMm: (firstOf(across) + itemAt(across, 1)) / 2,
    });
  }
  return found;
}

/** How far a nose reaches before what is above and below it. */
const NOSE_HALF = 8;
/** Brow and nose are looked for so many steps above and below the root of the nose. */
const NOTCH = 6;
/** A bump smaller than this is no nose, mm. */
const LEAST_NOSE_MM = 3;

/** The nose on one end's profile: where its tip is, and how far it stands out of a straight line over it. */
function noseOn(profile: readonly number[]): { at: number; out: number } {
  let best = { at: 0, out: 0 };
  for (let i = NOSE_HALF; i < profile.length - NOSE_HALF; i++) {
    const out = itemAt(profile, i) - Math.max(itemAt(profile, i - NOSE_HALF), itemAt(profile, i + NOSE_HALF));
    if (out > best.out) best = { at: i, out };
  }
  return best;
}

/** Ears begin and end where the head widens and narrows by more than this within two slices, mm. */
const EAR_JUMP_MM = 3;

function earOn(
  profiles: readonly Profile[],
  skull: Skull,
): Pick<Partial<Record<MeasureKey, number>>, 'earDepth' | 'earLength'> {
  const wide = steady(profiles.map((p) => p.wideMm));
  const bare = skull.shortMm / 2;
  const from = wide.findIndex((w, i) => itemAt(profiles, i).depthMm > 60 && w > bare + EAR_JUMP_MM);
  if (from < 0) return {};
  const end = wide.findIndex((w, i) => i > from + 4 && w < bare + EAR_JUMP_MM);
  if (end < 0) return {};
  const [top, foot] = [itemAt(profiles, from).depthMm - STEP_MM, itemAt(profiles, end).depthMm];
  const earLength = foot - top;
  return { earLength: Math.round(earLength), earDepth: Math.round((top + foot) / 2 + 0.05 * earLength) };
}

/** Where eyes, nose and ears are on a scan of a head, as far as they can be made out; mm. */
export function faceMeasures(
  cut: (z: number) => Vec2[],
  crownZ: number,
  skull: Skull,
): Partial<Record<MeasureKey, number>> {
  // High enough that neither ears nor nose are in it.
  const ring = evened(REFERENCE_MM.flatMap((depth) => cut(crownZ - depth)));
  const box = boundsOf(ring);
  const middle = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  const profiles = profilesOf(cut, crownZ, extents(ring).turn, middle);
  const noses = ([0, 1] as const).map((end) => {
    const profile = steady(profiles.map((p) => p.ends[end]));
    return { end, profile, ...noseOn(profile) };
  });
  const nose = noses.reduce((a, b) => (b.out > a.out ? b : a));
  const ear = earOn(profiles, skull);
  if (nose.out < LEAST_NOSE_MM) return ear;
  const { profile, at, end } = nose;
  // The tip is sharp: what evens noise out would blunt it.
  const tip = Math.max(...profiles.slice(at - 2, at + 3).map((p) => p.tips[end]));
  const lip = Math.min(...profiles.slice(at, at + NOSE_HALF + 1).map((p) => p.ends[end]));
  // The root of the nose is the deepest notch between brow and tip.
  const notch = (i: number): number =>
    itemAt(profile, i) - (itemAt(profile, i - NOTCH) + itemAt(profile, i + NOTCH)) / 2;
  const above = Array.from({ length: 3 * NOTCH }, (_, k) => at - NOTCH - k).filter((i) => i >= NOTCH);
  const root = above.reduce((low, i) => (notch(i) < notch(low) ? i : low), at - NOTCH);
  return { ...ear, noseOut: Math.round(tip - lip), eyeDepth: Math.round(itemAt(profiles, root).depthMm) };
}
