import {
  add3,
  cross3,
  dist3,
  length3,
  lerp2,
  lerp3,
  type Mesh,
  scale3,
  sub3,
  unit3,
  type Vec2,
  type Vec3,
} from '../../geometry';
import { itemAt } from '../../units';

/** An arc is drawn in steps of so many degrees, and a straight in steps so long, mm. */
const ARC_DEG = 8;
const STEP_MM = 6;
const ROUND = 12;

/** A corner rounded: where its arc begins, turns and ends. */
export interface Bend {
  /** Of the point it is at, from the first. */
  at: number;
  radiusMm: number;
  turnDeg: number;
}

const legs = (points: readonly Vec2[], i: number): [back: number, on: number, turn: number] => {
  const [a, b, c] = [itemAt(points, i - 1), itemAt(points, i), itemAt(points, i + 1)];
  const [u, v] = [
    { x: b.x - a.x, y: b.y - a.y },
    { x: c.x - b.x, y: c.y - b.y },
  ];
  return [
    Math.hypot(u.x, u.y),
    Math.hypot(v.x, v.y),
    Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y),
  ];
};

/**
 * A line of straights rounded at every corner, by the radius that is wanted or the largest that its legs leave room for.
 * A leg between two corners is shared by both.
 */
export function roundedRun(points: readonly Vec2[], wantedMm: number): { line: Vec2[]; bends: Bend[] } {
  const bends: Bend[] = [];
  const line: Vec2[] = [itemAt(points, 0)];
  const straightTo = (to: Vec2): void => {
    const from = itemAt(line, line.length - 1);
    const n = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / STEP_MM));
    for (let k = 1; k <= n; k++) line.push(lerp2(from, to, k / n));
  };
  for (let i = 1; i + 1 < points.length; i++) {
    const [back, on, turn] = legs(points, i);
    const room = Math.min(i === 1 ? back : back / 2, i + 2 === points.length ? on : on / 2);
    const half = Math.tan(Math.abs(turn) / 2);
    if (half < 1e-3 || room < 1e-6) continue;
    const radiusMm = Math.min(wantedMm, room / half);
    const cut = radiusMm * half;
    const b = itemAt(points, i);
    const start = lerp2(b, itemAt(points, i - 1), cut / back);
    straightTo(start);
    const way = { x: (b.x - itemAt(points, i - 1).x) / back, y: (b.y - itemAt(points, i - 1).y) / back };
    const side = Math.sign(turn);
    const centre = { x: start.x - way.y * radiusMm * side, y: start.y + way.x * radiusMm * side };
    const steps = Math.max(1, Math.ceil((Math.abs(turn) * 180) / Math.PI / ARC_DEG));
    const from = Math.atan2(start.y - centre.y, start.x - centre.x);
    for (let k = 1; k <= steps; k++) {
      const t = from + (turn * k) / steps;
      line.push({ x: centre.x + radiusMm * Math.cos(t), y: centre.y + radiusMm * Math.sin(t) });
    }
    bends.push({ at: i, radiusMm, turnDeg: (Math.abs(turn) * 180) / Math.PI });
  }
  straightTo(itemAt(points, points.length - 1));
  return { line, bends };
}

/** Looked at over so much of a line, so that its steps do not count as bends, mm. */
const OVER_MM = 18;

/** The least radius of a line in space: of the circle through three of its points a little apart. */
export function leastRadiusMm(line: readonly Vec3[]): number {
  const at: number[] = [0];
  for (let i = 1; i < line.length; i++)
    at.push(itemAt(at, i - 1) + dist3(itemAt(line, i - 1), itemAt(line, i)));
  const total = itemAt(at, at.length - 1);
  const spot = (mm: number): Vec3 => {
    const i = Math.max(
      1,
      at.findIndex((v) => v >= mm - 1e-9),
    );
    const [a, b] = [itemAt(at, i - 1), itemAt(at, i)];
    return lerp3(itemAt(line, i - 1), itemAt(line, i), b > a ? (mm - a) / (b - a) : 0);
  };
  let least = Infinity;
  for (let mm = OVER_MM; mm <= total - OVER_MM; mm += OVER_MM / 3) {
    const [p, q, r] = [spot(mm - OVER_MM), spot(mm), spot(mm + OVER_MM)];
    const area = length3(cross3(sub3(q, p), sub3(r, p))) / 2;
    if (area > 1e-6) least = Math.min(least, (dist3(p, q) * dist3(q, r) * dist3(r, p)) / (4 * area));
  }
  return least;
}

/** A round tube along a line, its ends open discs closed. */
export function tubeMesh(line: readonly Vec3[], outsideMm: number): Mesh {
  const points: Vec3[] = [];
  const triangles: [number, number, number][] = [];
  let side: Vec3 | undefined;
  line.forEach((p, i) => {
    const along = unit3(
      sub3(itemAt(line, Math.min(line.length - 1, i + 1)), itemAt(line, Math.max(0, i - 1))),
    );
    // Carried on from the ring before, so that the tube is not wrung.
    const before: Vec3 = side ?? (Math.abs(along.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 1, y: 0, z: 0 });
    const across = unit3(cross3(along, unit3(cross3(before, along))));
    side = across;
    const other = cross3(along, across);
    for (let k = 0; k < ROUND; k++) {
      const t = (2 * Math.PI * k) / ROUND;
      points.push(
        add3(
          p,
          add3(scale3(across, (outsideMm / 2) * Math.cos(t)), scale3(other, (outsideMm / 2) * Math.sin(t))),
        ),
      );
    }
    if (i > 0)
      for (let k = 0; k < ROUND; k++) {
        const [a, b] = [(i - 1) * ROUND + k, (i - 1) * ROUND + ((k + 1) % ROUND)];
        triangles.push([a, b, b + ROUND], [a, b + ROUND, a + ROUND]);
      }
  });
  const last = (line.length - 1) * ROUND;
  for (let k = 1; k + 1 < ROUND; k++) triangles.push([0, k + 1, k], [last, last + k, last + k + 1]);
  return { points, triangles };
}
