import { Quaternion, Vector3 } from 'three';
import { dist2, type Vec2, type Vec3 } from '../geometry';
import { heldTogether } from './heldTogether';
import { angleOf, nearestTo, turnBy, turnOf } from './turns';

/** A triangle of a grid: its corners by number, how it is turned from the middle one, and its stretch. */
interface Facet {
  corners: [number, number, number];
  angle: Vector3;
  stretch: readonly [number, number, number];
}

/** Two triangles for every cell of a grid. */
function trianglesOf(rows: number, columns: number): [number, number, number][] {
  const all: [number, number, number][] = [];
  for (let r = 0; r + 1 < rows; r++)
    for (let c = 0; c + 1 < columns; c++) {
      const i = r * columns + c;
      all.push([i, i + 1, i + columns + 1], [i, i + columns + 1, i + columns]);
    }
  return all;
}

/** Triangles beside one another, by the edges they share. */
function beside(triangles: readonly [number, number, number][]): number[][] {
  const byEdge = new Map<string, number[]>();
  triangles.forEach((t, n) =>
    t.forEach((a, k) => {
      const b = t[(k + 1) % 3]!;
      const key = a < b ? `${a} ${b}` : `${b} ${a}`;
      byEdge.set(key, [...(byEdge.get(key) ?? []), n]);
    }),
  );
  const next: number[][] = triangles.map(() => []);
  for (const [a, b] of byEdge.values())
    if (b !== undefined) {
      next[a!]!.push(b);
      next[b]!.push(a!);
    }
  return next;
}

const PLAIN = [1, 0, 1] as const;

/** How every triangle is turned from the middle one, followed from neighbour to neighbour so that a tube is not cut short. */
function facetsOf(
  triangles: readonly [number, number, number][],
  flat: readonly Vec2[],
  space: readonly Vec3[],
): { facets: Facet[]; first: Quaternion; middle: number } {
  const turns = triangles.map(([a, b, c]) =>
    turnOf([flat[a]!, flat[b]!, flat[c]!], [space[a]!, space[b]!, space[c]!]),
  );
  const known = turns.flatMap((t, i) => (t ? [i] : []));
  const start = known[Math.floor(known.length / 2)] ?? 0;
  const first = turns[start]?.turn ?? new Quaternion();
  const back = first.clone().invert();
  const facets: (Facet | undefined)[] = triangles.map(() => undefined);
  const next = beside(triangles);
  const queue: { n: number; from: Vector3 }[] = [{ n: start, from: new Vector3() }];
  while (queue.length > 0) {
    const { n, from } = queue.shift()!;
    if (facets[n]) continue;
    const turn = turns[n];
    const angle = turn ? nearestTo(angleOf(turn.turn.clone().multiply(back)), from) : from;
    facets[n] = { corners: triangles[n]!, angle, stretch: turn?.stretch ?? PLAIN };
    for (const other of next[n]!) if (!facets[other]) queue.push({ n: other, from: angle });
  }
  return {
    facets: facets.flatMap((f) => (f ? [f] : [])),
    first,
    middle: triangles[start]?.[0] ?? 0,
  };
}

/** So many times triangles are turned anew as they lie together. */
const EVENED = 6;

/** Edges shorter than this weigh no more than it, mm². */
const LEAST_MM = 0.25;

const turnedOver = <T>(rows: readonly (readonly T[])[]): T[][] =>
  rows[0]!.map((_, c) => rows.map((row) => row[c]!));

const inRows = <T>(all: readonly T[], wide: number): T[][] =>
  Array.from({ length: all.length / wide }, (_, r) => all.slice(r * wide, (r + 1) * wide));

/**
 * A grid on its way from flat to its form: at every share of the way each of its triangles is turned that share of its
 * turn and stretched that share of its stretch, and they are held together as nearly as can be. Its middle stays where it
 * is on the form; at nought it is flat there, at one it is the form.
 * @param shares of the way, 0 to 1.
 */
export function foldedGrids(
  grid: readonly (readonly Vec3[])[],
  flat: readonly (readonly Vec2[])[],
  shares: readonly number[],
): Vec3[][] {
  if (grid.length > grid[0]!.length) {
    const back = foldedGrids(turnedOver(grid), turnedOver(flat), shares);
    return back.map((points) => turnedOver(inRows(points, grid.length)).flat());
  }
  // Numbered down the columns, which are the shorter: points that hold together have numbers that are near.
  const [rows, columns] = [grid[0]!.length, grid.length];
  const [space, plan] = [turnedOver(grid).flat(), turnedOver(flat).flat()];
  const triangles = trianglesOf(rows, columns);
  const { facets, first, middle } = facetsOf(triangles, plan, space);
  const edges = facets.flatMap(({ corners: [a, b, c] }): [number, number][] => [
    [a, b],
    [b, c],
    [c, a],
  ]);
  // A short edge may give by as little of itself as a long one.
  const weights = Float64Array.from(edges, ([a, b]) => 1 / (dist2(plan[a]!, plan[b]!) ** 2 + LEAST_MM));
  const solve = heldTogether({ count: space.length, edges, weights, held: middle });
  return shares.map((share) => {
    // Each triangle as it is stretched by now, in its own plane.
    const shapes = facets.map(({ corners, stretch }): [Vec2, Vec2, Vec2] => {
      const [xx, xy, yy] = [1 + share * (stretch[0] - 1), share * stretch[1], 1 + share * (stretch[2] - 1)];
      const [a, b, c] = corners.map((i) => {
        const { x, y } = plan[i]!;
        return { x: xx * x + xy * y, y: xy * x + yy * y };
      });
      return [a!, b!, c!];
    });
    let turns = facets.map(({ angle }) => turnBy(angle.clone().multiplyScalar(share)).multiply(first));
    let points = laid(shapes, turns);
    // Turned as they lie together, and held together again: what is left of any stretch evens out.
    for (let n = 0; n < EVENED && share > 0 && share < 1; n++) {
      turns = facets.map(({ corners: [a, b, c] }, i) => {
        const lies = turnOf(shapes[i]!, [points[a]!, points[b]!, points[c]!]);
        return lies?.turn ?? turns[i]!;
      });
      points = laid(shapes, turns);
    }
    return turnedOver(inRows(points, columns)).flat();
  });

  /** Where the points are when every triangle is as it should be, as nearly as all can be at once. */
  function laid(shapes: readonly (readonly [Vec2, Vec2, Vec2])[], turns: readonly Quaternion[]): Vec3[] {
    const wanted = [0, 1, 2].map(() => new Float64Array(edges.length));
    shapes.forEach((shape, n) =>
      shape.forEach((a, k) => {
        const b = shape[(k + 1) % 3]!;
        const edge = new Vector3(b.x - a.x, b.y - a.y, 0).applyQuaternion(turns[n]!);
        const i = n * 3 + k;
        wanted[0]![i] = edge.x;
        wanted[1]![i] = edge.y;
        wanted[2]![i] = edge.z;
      }),
    );
    const [xs, ys, zs] = wanted.map((w) => solve(w));
    const held = space[middle]!;
    return space.map((_, i) => ({ x: held.x + xs![i]!, y: held.y + ys![i]!, z: held.z + zs![i]! }));
  }
}
