import type { Mesh, Vec2 } from '../geometry';
import { flattenLocalGlobal, type FlattenOptions } from './localGlobal';
import { faceLimit, type Faces } from './faces';
import { type Stretch, stretchOf } from './stretch';

/**
 * What foam minds: shortening costs half of lengthening, as cells fold before they tear; lengthening beyond what heat
 * gives costs many times more. Common practice, no source.
 */
const SHORTENING = 0.5;
const BEYOND = 20;

/** Rounds of weighing; each solves anew with what is strained most weighing more. */
const ROUNDS = 4;

const cost = (strain: number, limit: number): number =>
  strain < 0 ? SHORTENING * strain * strain : strain * strain + BEYOND * Math.max(0, strain - limit) ** 2;

/** Foam as it is laid: what it may stretch before a dart is cut, and where its faces are; without them it is a skin. */
export interface Foam {
  limit: number;
  faces?: Faces | undefined;
}

/** What a triangle costs: both its strains, and what its faces give beyond what heat does, which thick foam comes to sooner. */
const costAt = ({ most, least, faces }: Stretch, t: number, limit: number): number =>
  cost(most[t]!, limit) +
  cost(least[t]!, limit) +
  BEYOND * Math.max(0, (faces[t] ?? 0) - faceLimit(limit)) ** 2;

/** Work that foam is put to when it is laid on the form, mm²: area by what each triangle costs. */
export const foamEnergy = (stretch: Stretch, limit: number): number =>
  stretch.areas.reduce((sum, area, t) => sum + area * costAt(stretch, t, limit), 0);

/** How much more each triangle has to weigh for least squares to stand for what foam minds. */
const foamWeights = (stretch: Stretch, limit: number): number[] =>
  stretch.most.map((high, t) => {
    const square = high * high + stretch.least[t]! ** 2;
    return square < 1e-12 ? 1 : costAt(stretch, t, limit) / square;
  });

/** A flat surface, how it stretches, and what its triangles weighed. */
export interface Eased {
  flat: Vec2[];
  stretch: Stretch;
  weights: number[];
}

/**
 * A flat piece eased towards what foam minds, by weighing triangles anew and laying them flat again.
 * Source: iteratively reweighted least squares (Lawson, 1961).
 * @returns the best seen: never worse for the foam than what it began with.
 */
export function easedForFoam(
  mesh: Mesh,
  flat: readonly Vec2[],
  { limit, faces }: Foam,
  how: FlattenOptions,
): Eased {
  const given = how.weights ?? mesh.triangles.map(() => 1);
  let best: Eased = { flat: [...flat], stretch: stretchOf(mesh, flat, faces), weights: [...given] };
  if (best.stretch.worst <= limit && best.stretch.faces.every((f) => f <= faceLimit(limit))) return best;
  let least = foamEnergy(best.stretch, limit);
  let factors = best.stretch.most.map(() => 1);
  for (let round = 0; round < ROUNDS; round++) {
    const wanted = foamWeights(best.stretch, limit);
    // Half way in ratio, or two triangles would take turns.
    factors = factors.map((f, t) => Math.sqrt(f * wanted[t]!));
    const weights = factors.map((f, t) => f * given[t]!);
    const next = flattenLocalGlobal(mesh, { ...how, start: best.flat, weights });
    const stretch = stretchOf(mesh, next, faces);
    const energy = foamEnergy(stretch, limit);
    if (energy >= least) break;
    [best, least] = [{ flat: next, stretch, weights }, energy];
  }
  return best;
}

/** Lays a surface flat as rigidly as can be, then eases it where the foam could not take it. */
export const flattenForFoam = (mesh: Mesh, foam: Foam, how: FlattenOptions): Eased =>
  easedForFoam(mesh, flattenLocalGlobal(mesh, how), foam, how);
