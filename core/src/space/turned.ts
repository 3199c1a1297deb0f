import { add3, cross3, dot3, scale3, sub3, type Vec3 } from '../geometry';
import type { Convex } from './convex';

/** A line that things turn about: a spot of it and a unit vector along it. */
export interface Axis {
  at: Vec3;
  along: Vec3;
}

/** A vector turned about a unit vector, radians, counter-clockwise seen from its head (Rodrigues, 1840). */
const turnedBy = (v: Vec3, along: Vec3, turn: number): Vec3 =>
  add3(
    add3(scale3(v, Math.cos(turn)), scale3(cross3(along, v), Math.sin(turn))),
    scale3(along, dot3(along, v) * (1 - Math.cos(turn))),
  );

/** A spot turned about an axis, radians. */
export const spotTurned = (p: Vec3, { at, along }: Axis, turn: number): Vec3 =>
  add3(at, turnedBy(sub3(p, at), along, turn));

/** A solid turned about an axis, radians. */
export const turned = ({ points, normals, edges }: Convex, axis: Axis, turn: number): Convex => ({
  points: points.map((p) => spotTurned(p, axis, turn)),
  normals: normals.map((n) => turnedBy(n, axis.along, turn)),
  edges: edges.map((e) => turnedBy(e, axis.along, turn)),
});
