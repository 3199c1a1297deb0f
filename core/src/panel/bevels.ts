import { itemAt, firstOf } from '../units';
import { dot3, length3, sub3, type Vec3 } from '../geometry';
import { edgeVertices, gridNormals, type Panel } from './panel';

const deg = (rad: number): number => (rad * 180) / Math.PI;

/** Seams that turn less than this are butted square; a knife is no truer. */
const SQUARE_DEG = 3;

/** A bevel, or none where the seam hardly turns. */
export const squareWhenSmall = (bevelDeg: number): number =>
  Math.abs(2 * bevelDeg) < SQUARE_DEG ? 0 : bevelDeg;

/** Steeper than this a knife cannot be held to the edge, and the bevel would be wider than the foam is thick by far; from memory. */
export const STEEPEST_BEVEL_DEG = 60;

/** The bevel that is cut: none where the seam folds back so far that no knife follows; such edges are butted square. */
export const cuttableBevel = (bevelDeg: number): number =>
  Math.abs(bevelDeg) > STEEPEST_BEVEL_DEG + 1e-6 ? 0 : bevelDeg;

/** A bevel along a seam: its mean, and its least and most where the seam does not turn alike all along, degrees. */
export interface SeamBevel {
  deg: number;
  leastDeg: number;
  mostDeg: number;
}

/**
 * Bevel of two panels that meet: each loses half the turning angle (plane geometry), taken as the mean along
 * the seam. Positive is lost from the back, for a seam that turns outwards like the edge of a box; negative
 * from the face. The run of edge `b` is taken backwards, as mates run against each other.
 */
export function bevelsOf(a: Panel, edgeA: string, b: Panel, edgeB: string): SeamBevel {
  const [runA, runB] = [edgeVertices(a, edgeA), [...edgeVertices(b, edgeB)].reverse()];
  const [normalsA, normalsB] = [gridNormals(a.grid).flat(), gridNormals(b.grid).flat()];
  const pointsA = a.grid.flat();
  const count = Math.min(runA.length, runB.length);
  const middleB = itemAt(
    itemAt(b.grid, Math.floor(b.grid.length / 2)),
    Math.floor(firstOf(b.grid).length / 2),
  );
  const halves: number[] = [];
  // Corners are left out where there is anything between them.
  const inset = count > 2 ? 1 : 0;
  for (let i = inset; i < count - inset; i++) {
    const va = itemAt(runA, i);
    const vb = itemAt(runB, Math.round((i / (count - 1)) * (runB.length - 1)));
    const [na, nb]: [Vec3, Vec3] = [itemAt(normalsA, va), itemAt(normalsB, vb)];
    // Grids that run out to a point have no normal there.
    if (length3(na) < 0.5 || length3(nb) < 0.5) continue;
    const turn = Math.acos(Math.min(1, Math.max(-1, dot3(na, nb))));
    const falls = dot3(sub3(middleB, itemAt(pointsA, va)), na) <= 0;
    halves.push(deg(falls ? turn : -turn) / 2);
  }
  if (halves.length === 0) return { deg: 0, leastDeg: 0, mostDeg: 0 };
  return {
    deg: squareWhenSmall(halves.reduce((sum, h) => sum + h, 0) / halves.length),
    leastDeg: Math.min(...halves),
    mostDeg: Math.max(...halves),
  };
}
