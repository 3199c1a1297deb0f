import { lastOf, firstOf } from '../units';
import { add2, type Mesh, scale2, sub2, type Vec2 } from '../geometry';
import type { Dart, Darted } from './dart';
import { flips } from './embedding';
import { flattenLocalGlobal, type FlattenOptions } from './localGlobal';
import { easedForFoam, type Foam } from './foamEnergy';
import { stretchOf } from './stretch';

/** Copies that a cut added, in the order of its path. */
export const twinsOf = (mesh: Mesh, added: readonly number[]): number[] =>
  added.map((_, i) => mesh.points.length + i);

/** Flattens once more with the legs weighed, eases what the foam cannot take, then makes both legs of every dart equally long. */
export function settle(made: Darted, foam: Foam, how: FlattenOptions): Darted {
  const weighed = { ...how, weights: legWeights(made, how.weights) };
  const rigid = flattenLocalGlobal(made.mesh, { ...weighed, start: made.flat });
  const { flat } = easedForFoam(made.mesh, rigid, foam, weighed);
  const even = equalLegs(flat, made.darts);
  // Legs differ by a percent or so before; should evening them turn a sliver over, they stay as they were.
  const sound = flips(made.mesh, even) === 0 ? even : flat;
  return { ...made, flat: sound, stretch: stretchOf(made.mesh, sound, foam.faces) };
}

/** Triangles along a dart's legs weigh more, so that both legs keep the length they have on the form. */
const LEG_WEIGHT = 60;

function legWeights(made: Darted, weights: readonly number[] | undefined): number[] {
  const legs = made.darts.map(({ path }) => new Set(path));
  return made.mesh.triangles.map((t, i) => {
    const along = legs.some((leg) => t.filter((v) => leg.has(made.origin[v]!)).length >= 2);
    return along ? LEG_WEIGHT : (weights?.[i] ?? 1);
  });
}

/**
 * Both legs of every dart redrawn from the tip outwards, each run with the direction it has and the mean length
 * of the two, so that they are equal to the last hair. They may bow differently: curvature along a dart does that.
 */
export function equalLegs(flat: readonly Vec2[], darts: readonly Dart[]): Vec2[] {
  const even = flat.map((p) => ({ ...p }));
  for (const { path, twins } of darts) {
    const tip = lastOf(path);
    const legs = [[...path].reverse(), [tip, ...[...twins].reverse()]] as const;
    for (let i = 1; i < path.length; i++) {
      const runs = legs.map((leg) => sub2(flat[leg[i]!]!, flat[leg[i - 1]!]!));
      const lengths = runs.map((run) => Math.hypot(run.x, run.y));
      const mean = (firstOf(lengths) + lengths[1]!) / 2;
      legs.forEach((leg, k) => {
        even[leg[i]!] = add2(even[leg[i - 1]!]!, scale2(runs[k]!, mean / Math.max(lengths[k]!, 1e-9)));
      });
    }
  }
  return even;
}
