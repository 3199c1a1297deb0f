import { EndType, inflatePathsD, JoinType } from 'clipper2-ts';
import type { Vec2 } from './vec';

/** The polygon grown (or shrunk, negative) by `distanceMm`, corners rounded; may be several pieces or none. */
export function offsetPolygon(polygon: readonly Vec2[], distanceMm: number): Vec2[][] {
  const grown = inflatePathsD(
    [polygon.map(({ x, y }) => ({ x, y }))],
    distanceMm,
    JoinType.Round,
    EndType.Polygon,
    2,
    4,
  );
  return grown.map((path) => path.map(({ x, y }) => ({ x, y })));
}
