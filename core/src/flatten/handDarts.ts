import { firstOf } from '../units';
import { type Mesh, overlapsItself } from '../geometry';
import { cutAlong } from './cutAlong';
import type { Darted } from './dart';
import { curvatureCentre, dartPath, middleVertex, waysTo } from './dartPath';
import { flattenForFoam, type Foam } from './foamEnergy';
import type { FlattenOptions } from './localGlobal';
import { settle, twinsOf } from './settle';
import { boundaryLoops } from './topology';

/** A dart asked for by hand: its mouth on the boundary and how far it runs towards where curvature gathers, 0…1. */
export interface AskedDart {
  mouth: number;
  reach: number;
}

/**
 * Flattens with the darts asked for and no others. Those that would meet the rim or one another are
 * left out, and so are the last ones when the piece would overlap itself with them.
 * @returns the flat surface, and how many were left out.
 */
export function flattenWithGivenDarts(
  surface: Mesh,
  asked: readonly AskedDart[],
  foam: Foam,
  how: FlattenOptions,
): Darted & { left: number } {
  const { flat, stretch } = flattenForFoam(surface, foam, how);
  let made: Darted = {
    mesh: surface,
    flat,
    stretch,
    darts: [],
    origin: surface.points.map((_, i) => i),
  };
  const rim = new Set(firstOf(boundaryLoops(surface)));
  const centre = curvatureCentre(surface, rim) ?? middleVertex(surface, rim);
  const towards = centre === undefined ? new Map<number, number>() : waysTo(surface, centre);
  const taken = new Set<number>();
  for (const { mouth, reach } of asked) {
    const path = dartPath(mouth, towards, taken, rim, reach);
    if (!path) continue;
    const cut = cutAlong(made.mesh, path);
    made = {
      mesh: cut.mesh,
      flat: [...made.flat, ...cut.added.map((v) => made.flat[v]!)],
      stretch: made.stretch,
      darts: [...made.darts, { path, twins: twinsOf(made.mesh, cut.added), reach }],
      origin: [...made.origin, ...cut.added.map((v) => made.origin[v]!)],
    };
    for (const v of path) taken.add(v);
  }
  const left = asked.length - made.darts.length;
  if (made.darts.length === 0) return { ...made, left };
  const settled = settle(made, foam, how);
  if (!overlapsItself(firstOf(boundaryLoops(settled.mesh)).map((v) => settled.flat[v]!)))
    return { ...settled, left };
  const fewer = flattenWithGivenDarts(surface, asked.slice(0, -1), foam, how);
  return { ...fewer, left: fewer.left + 1 };
}
