import type { Vec2 } from './vec';

/**
 * A path of lines and arcs. Each vertex starts a segment to the next; `bulge` is the tangent of a
 * quarter of the arc's included angle, positive counter-clockwise, absent or 0 for a line.
 */
export interface PathVertex extends Vec2 {
  bulge?: number;
}

export interface Path {
  vertices: PathVertex[];
  closed: boolean;
}

export interface Arc {
  centre: Vec2;
  radius: number;
  start: number;
  sweep: number;
}

/** Centre, radius, start angle and signed sweep of a bulged segment. */
export function arcOf(from: PathVertex, to: Vec2): Arc | undefined {
  const bulge = from.bulge ?? 0;
  const chord = Math.hypot(to.x - from.x, to.y - from.y);
  if (bulge === 0 || chord === 0) return undefined;
  const sweep = 4 * Math.atan(bulge);
  const radius = (chord * (1 + bulge * bulge)) / (4 * Math.abs(bulge));
  const offset = (chord * (1 - bulge * bulge)) / (4 * bulge);
  const centre = {
    x: (from.x + to.x) / 2 - ((to.y - from.y) / chord) * offset,
    y: (from.y + to.y) / 2 + ((to.x - from.x) / chord) * offset,
  };
  return { centre, radius, start: Math.atan2(from.y - centre.y, from.x - centre.x), sweep };
}

function segments(path: Path): [PathVertex, PathVertex][] {
  const { vertices, closed } = path;
  const count = closed ? vertices.length : vertices.length - 1;
  return Array.from({ length: Math.max(0, count) }, (_, i) => [
    vertices[i]!,
    vertices[(i + 1) % vertices.length]!,
  ]);
}

export function pathLength(path: Path): number {
  return segments(path).reduce((sum, [from, to]) => {
    const arc = arcOf(from, to);
    return sum + (arc ? arc.radius * Math.abs(arc.sweep) : Math.hypot(to.x - from.x, to.y - from.y));
  }, 0);
}

/** The path as points, arcs broken so that no chord stands off by more than `toleranceMm`. */
export function pathPoints(path: Path, toleranceMm = 0.02): Vec2[] {
  const points: Vec2[] = [];
  for (const [from, to] of segments(path)) {
    points.push({ x: from.x, y: from.y });
    const arc = arcOf(from, to);
    if (!arc) continue;
    const step = 2 * Math.acos(Math.max(0, 1 - toleranceMm / arc.radius));
    const count = Math.max(2, Math.ceil(Math.abs(arc.sweep) / step));
    for (let i = 1; i < count; i++) {
      const angle = arc.start + (arc.sweep * i) / count;
      points.push({
        x: arc.centre.x + arc.radius * Math.cos(angle),
        y: arc.centre.y + arc.radius * Math.sin(angle),
      });
    }
  }
  if (!path.closed && path.vertices.length > 0) {
    const last = path.vertices.at(-1)!;
    points.push({ x: last.x, y: last.y });
  }
  return points;
}

/** A circle as two half-turn arcs. */
export function circlePath(centre: Vec2, radius: number): Path {
  return {
    closed: true,
    vertices: [
      { x: centre.x - radius, y: centre.y, bulge: 1 },
      { x: centre.x + radius, y: centre.y, bulge: 1 },
    ],
  };
}
