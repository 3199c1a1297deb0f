import { firstOf, lastOf } from '../units';
import { type Mesh, overlapsItself, type Vec2 } from '../geometry';
import { cutAlong } from './cutAlong';
import type { Darted } from './dart';
import { curvatureCentre, dartPath, REACH, waysTo } from './dartPath';
import { flattenForFoam, type Foam, foamEnergy } from './foamEnergy';
import type { Faces } from './faces';
import { flattenLocalGlobal, type FlattenOptions } from './localGlobal';
import { settle, twinsOf } from './settle';
import { stretchOf, takes } from './stretch';
import { boundaryLoops } from './topology';

export interface DartOptions extends FlattenOptions {
  foam: Foam;
  /** Most darts to cut. */
  most: number;
  /** Vertices no dart may start from or cross (seams). */
  keepOff?: ReadonlySet<number>;
}

/** Places round the edge that are tried for a dart. */
const TRIED = 10;

/** A surface laid flat in one piece, without darts. */
export const uncut = (mesh: Mesh, flat: Vec2[], faces?: Faces): Darted => ({
  mesh,
  flat,
  stretch: stretchOf(mesh, flat, faces),
  darts: [],
  origin: mesh.points.map((_, i) => i),
});

/**
 * Flattens, then adds darts one at a time, each where it lowers what the foam minds most of a dozen places round the
 * free edge, running towards where curvature gathers, until the foam can take what is left, the cap is met,
 * or another dart would hardly help.
 */
export function flattenWithDarts(surface: Mesh, options: DartOptions): Darted {
  const { foam, most, keepOff = new Set<number>(), ...how } = options;
  const { limit, faces } = foam;
  const whole = flattenForFoam(surface, foam, how);
  let best = uncut(surface, whole.flat, faces);
  if (takes(best.stretch, limit) || most === 0) return best;
  const loop = firstOf(boundaryLoops(surface));
  const rim = new Set(loop);
  const centre = curvatureCentre(surface, rim);
  if (centre === undefined) return best;
  const towards = waysTo(surface, centre);
  const taken = new Set(keepOff);
  while (!takes(best.stretch, limit) && best.darts.length < most) {
    const base = best;
    const tries = Array.from(
      { length: TRIED },
      (_, i) => loop[Math.floor((i / TRIED) * loop.length)]!,
    ).flatMap((start) => {
      const path = dartPath(start, towards, taken, rim);
      if (!path) return [];
      const cut = cutAlong(base.mesh, path);
      const origin = [...base.origin, ...cut.added.map((v) => base.origin[v]!)];
      const start2 = [...base.flat, ...cut.added.map((v) => base.flat[v]!)];
      const flat = flattenLocalGlobal(cut.mesh, {
        ...how,
        start: start2,
        weights: whole.weights,
        iterations: 20,
      });
      if (overlapsItself(firstOf(boundaryLoops(cut.mesh)).map((v) => flat[v]!))) return [];
      return [
        {
          mesh: cut.mesh,
          flat,
          stretch: stretchOf(cut.mesh, flat, faces),
          darts: [...base.darts, { path, twins: twinsOf(base.mesh, cut.added), reach: REACH }],
          origin,
        },
      ];
    });
    if (tries.length === 0) break;
    const next = tries.reduce((a, b) =>
      foamEnergy(b.stretch, limit) < foamEnergy(a.stretch, limit) ? b : a,
    );
    if (foamEnergy(next.stretch, limit) > foamEnergy(base.stretch, limit) * 0.95) break;
    const settled = settle(next, foam, how);
    // On a saddle a slit closes instead of opening; such a dart is no dart.
    if (overlapsItself(firstOf(boundaryLoops(settled.mesh)).map((v) => settled.flat[v]!))) break;
    best = settled;
    for (const v of lastOf(next.darts).path) taken.add(v);
  }
  return best;
}
