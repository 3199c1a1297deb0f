import { firstOf } from '../units';
import { dist2, type Vec2 } from './vec';

export interface Bounds {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

/** Signed area by the shoelace formula; positive when counter-clockwise. */
export function signedArea(polygon: readonly Vec2[]): number {
  let twice = 0;
  for (let i = 0; i < polygon.length; i++) {
    const a = polygon[i]!;
    const b = polygon[(i + 1) % polygon.length]!;
    twice += a.x * b.y - b.x * a.y;
  }
  return twice / 2;
}

export function centroid(polygon: readonly Vec2[]): Vec2 {
  let x = 0;
  let y = 0;
  let twice = 0;
  for (let i = 0; i < polygon.length; i++) {
    const a = polygon[i]!;
    const b = polygon[(i + 1) % polygon.length]!;
    const cross = a.x * b.y - b.x * a.y;
    twice += cross;
    x += (a.x + b.x) * cross;
    y += (a.y + b.y) * cross;
  }
  return { x: x / (3 * twice), y: y / (3 * twice) };
}

export function boundsOf(points: readonly Vec2[]): Bounds {
  const bounds = { minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity };
  for (const p of points) {
    bounds.minX = Math.min(bounds.minX, p.x);
    bounds.minY = Math.min(bounds.minY, p.y);
    bounds.maxX = Math.max(bounds.maxX, p.x);
    bounds.maxY = Math.max(bounds.maxY, p.y);
  }
  return bounds;
}

export function polylineLength(points: readonly Vec2[]): number {
  let sum = 0;
  for (let i = 1; i < points.length; i++) sum += dist2(points[i - 1]!, points[i]!);
  return sum;
}

/** The point so far along a run from its first; the last one where it is shorter. */
export function pointAlong(points: readonly Vec2[], mm: number): Vec2 {
  let left = mm;
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1]!, points[i]!];
    const long = Math.hypot(b.x - a.x, b.y - a.y);
    if (left <= long && long > 0)
      return { x: a.x + ((b.x - a.x) * left) / long, y: a.y + ((b.y - a.y) * left) / long };
    left -= long;
  }
  return points[points.length - 1]!;
}

/** All round a closed outline. */
export const outlineLength = (outline: readonly Vec2[]): number =>
  outline.length === 0 ? 0 : polylineLength([...outline, firstOf(outline)]);

/** Even–odd rule; points on the edge may fall either way. */
export function contains(polygon: readonly Vec2[], point: Vec2): boolean {
  let inside = false;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const a = polygon[i]!;
    const b = polygon[j]!;
    const crosses = a.y > point.y !== b.y > point.y;
    if (crosses && point.x < ((b.x - a.x) * (point.y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  }
  return inside;
}

function distanceToSegment(p: Vec2, a: Vec2, b: Vec2): number {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const size = dx * dx + dy * dy;
  const t = size === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / size));
  return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
}

/** Shortest distance from a point to an open line. */
export const distanceToLine = (line: readonly Vec2[], point: Vec2): number =>
  line.slice(1).reduce((least, b, i) => Math.min(least, distanceToSegment(point, line[i]!, b)), Infinity);

/** Shortest distance from a point to the polygon's edge. */
export function distanceToEdge(polygon: readonly Vec2[], point: Vec2): number {
  let least = Infinity;
  for (let i = 0; i < polygon.length; i++) {
    least = Math.min(least, distanceToSegment(point, polygon[i]!, polygon[(i + 1) % polygon.length]!));
  }
  return least;
}
