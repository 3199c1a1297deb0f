import { type Mesh, slicerOf, tapeGirthMm, type Vec2 } from '../geometry';
import { fail, ok, type Result, itemAt, firstOf, lastOf } from '../units';
import type { MeasureKey } from './measures';
import { extents } from './extents';
import { faceMeasures } from './faceScan';
import { evened, soundBodies } from './scanSlices';

/** Heights of a scan of a head, with or without its neck and a little of the shoulders. */
export const headHeightsMm: readonly [number, number] = [180, 450];

/** The widest girth of a head lies between these depths below the crown; from memory. */
const BAND_MM: readonly [number, number] = [45, 150];
const STEP_MM = 3;

/** A clean slice of the skull: above the ears and the nose. */
interface Ring {
  depthMm: number;
  girthMm: number;
  longMm: number;
  shortMm: number;
}

/** Ears widen a head by so much more than it widened before within two slices, a nose lengthens it so; mm. */
const JUMP_MM = 4;
/** Neither ear nor nose begins higher than this below the crown; from memory. */
const CLEAR_MM = 66;

/** Slices from the top down, until ears or nose show. */
function cleanRings(cut: (z: number) => Vec2[], crownZ: number): Ring[] {
  const slices: Vec2[][] = [];
  for (let depth = BAND_MM[0]; depth <= BAND_MM[1]; depth += STEP_MM) {
    const [body] = soundBodies(cut(crownZ - depth));
    if (body) slices.push(body);
  }
  const rings = slices.slice(1, -1).map((s, i): Ring => {
    const band = evened([...itemAt(slices, i), ...s, ...itemAt(slices, i + 2)]);
    return { depthMm: BAND_MM[0] + (i + 1) * STEP_MM, girthMm: tapeGirthMm(band), ...extents(band) };
  });
  const first = rings.findIndex((r, i) => {
    const [above, over] = [rings[i - 2], rings[i - 4]];
    if (!above || !over || r.depthMm < CLEAR_MM) return false;
    // An egg widens less and less from its crown down.
    const jump = (of: (ring: Ring) => number): number => of(r) - 2 * of(above) + of(over);
    return jump((q) => q.shortMm) > JUMP_MM || jump((q) => q.longMm) > JUMP_MM;
  });
  // The slice that shows them was read together with the ones above it.
  return first < 0 ? rings : rings.slice(0, Math.max(0, first - 2));
}

/** The widest of a head is looked for so far below its last clean slice, mm. */
const BEYOND_MM = 24;

/** The parabola through points with the least squares of what is left over: y = c0 + c1·x + c2·x². */
function parabola(points: readonly Vec2[]): [number, number, number] {
  const middle = points.reduce((s, p) => s + p.x, 0) / points.length;
  const sums = [0, 0, 0, 0, 0];
  const right = [0, 0, 0];
  for (const p of points) {
    const x = p.x - middle;
    for (let k = 0; k <= 4; k++) sums[k]! += x ** k;
    for (let k = 0; k <= 2; k++) right[k]! += p.y * x ** k;
  }
  const det = (m: number[]): number =>
    firstOf(m) * (itemAt(m, 4) * itemAt(m, 8) - itemAt(m, 5) * itemAt(m, 7)) -
    itemAt(m, 1) * (itemAt(m, 3) * itemAt(m, 8) - itemAt(m, 5) * itemAt(m, 6)) +
    itemAt(m, 2) * (itemAt(m, 3) * itemAt(m, 7) - itemAt(m, 4) * itemAt(m, 6));
  const matrix = [0, 1, 2].flatMap((r) => [itemAt(sums, r), itemAt(sums, r + 1), itemAt(sums, r + 2)]);
  const whole = det(matrix);
  const [a, b, c] = [0, 1, 2].map(
    (k) => det(matrix.map((v, i) => (i % 3 === k ? itemAt(right, Math.floor(i / 3)) : v))) / whole,
  );
  return [a! - b! * middle + c! * middle * middle, b! - 2 * c! * middle, c!];
}

/** Girth, length and breadth of a skull, and how far below the crown it is widest. */
export interface Skull {
  girthMm: number;
  longMm: number;
  shortMm: number;
  depthMm: number;
}

/**
 * The widest level ring of a head. Ears and nose hide it on a scan, so the squares of its sizes are followed down from
 * the crown by a parabola, which is exact for an egg.
 */
export function skullOf(cut: (z: number) => Vec2[], crownZ: number): Skull | undefined {
  const rings = cleanRings(cut, crownZ);
  if (rings.length < 5) return undefined;
  const last = lastOf(rings).depthMm;
  const fit = (of: (r: Ring) => number) => parabola(rings.map((r) => ({ x: r.depthMm, y: of(r) ** 2 })));
  const [, b, c] = fit((r) => r.girthMm);
  const depthMm = c < 0 ? Math.min(last + BEYOND_MM, Math.max(firstOf(rings).depthMm, -b / (2 * c))) : last;
  const at = (of: (r: Ring) => number): number => {
    const [p, q, r] = fit(of);
    return Math.sqrt(Math.max(0, p + q * depthMm + r * depthMm * depthMm));
  };
  return {
    girthMm: at((r) => r.girthMm),
    longMm: at((r) => r.longMm),
    shortMm: at((r) => r.shortMm),
    depthMm,
  };
}

/**
 * Reads a scan of a head, crown up: girth as a tape over brow and back reads it, length and breadth of that slice, and
 * where they can be made out, eyes, nose and ears.
 * @returns measures found, millimetres, or why the scan cannot be read.
 */
export function measureHeadScan(mesh: Mesh): Result<Partial<Record<MeasureKey, number>>> {
  const crown = mesh.points.reduce((top, p) => Math.max(top, p.z), -Infinity);
  const cut = slicerOf(mesh);
  const skull = skullOf(cut, crown);
  if (!skull) return fail('No head can be made out below the top of the scan. Is its crown up?');
  return ok({
    headGirth: Math.round(skull.girthMm),
    headLength: Math.round(skull.longMm),
    headBreadth: Math.round(skull.shortMm),
    ...faceMeasures(cut, crown, skull),
  });
}
