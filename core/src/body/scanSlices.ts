import { itemAt } from '../units';
import { tapeGirthMm, type Vec2 } from '../geometry';

/** Parts of a slice further apart than this belong to different limbs; mm. */
const APART_MM = 24;

/** Points of a slice gathered into bodies that do not touch: trunk and arms, or two legs. Largest girth first. */
export function bodiesOfSlice(points: readonly Vec2[]): Vec2[][] {
  const cells = new Map<string, number[]>();
  const cellOf = (p: Vec2): [number, number] => [Math.floor(p.x / APART_MM), Math.floor(p.y / APART_MM)];
  points.forEach((p, i) => {
    const key = cellOf(p).join(',');
    const cell = cells.get(key);
    if (cell) cell.push(i);
    else cells.set(key, [i]);
  });
  const groups: Vec2[][] = [];
  const seen = new Uint8Array(points.length);
  points.forEach((_, seed) => {
    if (seen[seed]) return;
    seen[seed] = 1;
    const queue = [seed];
    const group: Vec2[] = [];
    while (queue.length > 0) {
      const p = points[queue.pop()!]!;
      group.push(p);
      const [x, y] = cellOf(p);
      for (let dx = -1; dx <= 1; dx++) {
        for (let dy = -1; dy <= 1; dy++) {
          for (const i of cells.get(`${x + dx},${y + dy}`) ?? []) {
            if (seen[i] || Math.hypot(itemAt(points, i).x - p.x, itemAt(points, i).y - p.y) > APART_MM)
              continue;
            seen[i] = 1;
            queue.push(i);
          }
        }
      }
    }
    groups.push(group);
  });
  return groups.sort((a, b) => tapeGirthMm(b) - tapeGirthMm(a));
}

/** Bodies of a slice that are more than stray points. */
export const soundBodies = (points: readonly Vec2[]): Vec2[][] =>
  bodiesOfSlice(points).filter((b) => b.length >= 8 && tapeGirthMm(b) > 120);

/** Directions a section is read in. */
const RAYS = 60;

/**
 * A section with its noise evened out: the mean of what was seen in each of sixty directions from its middle.
 * A hull of noisy points is too wide by about twice the noise all round; a hull of means is not.
 */
export function evened(points: readonly Vec2[]): Vec2[] {
  const n = points.length;
  const middle = points.reduce((s, p) => ({ x: s.x + p.x / n, y: s.y + p.y / n }), { x: 0, y: 0 });
  const rays = Array.from({ length: RAYS }, () => ({ x: 0, y: 0, count: 0 }));
  for (const p of points) {
    const turn = Math.atan2(p.y - middle.y, p.x - middle.x) / (2 * Math.PI) + 1;
    const ray = itemAt(rays, Math.floor(turn * RAYS) % RAYS);
    ray.x += p.x;
    ray.y += p.y;
    ray.count += 1;
  }
  return rays.filter((r) => r.count > 0).map(({ x, y, count }) => ({ x: x / count, y: y / count }));
}

/** The middle of three neighbours everywhere, so that one odd slice does not count. */
export const steady = (values: readonly number[]): number[] =>
  values.map((_, i) => {
    const near = values.slice(Math.max(0, i - 1), i + 2).sort((a, b) => a - b);
    return itemAt(near, Math.floor(near.length / 2));
  });
