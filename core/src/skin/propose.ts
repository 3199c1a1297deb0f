import { itemAt } from '../units';
import { flattenLocalGlobal, stretchOf } from '../flatten';
import {
  cross3,
  dist3,
  dot3,
  length3,
  meshArea,
  scale3,
  add3,
  sub3,
  type Mesh,
  unit3,
  type Vec3,
} from '../geometry';
import { gridMesh } from '../panel';
import { type Charted, chartCount, connected, edgesOf } from './charted';
import { cutByPlane } from './cutByPlane';
import { chartOf, isDisc, type Chart } from './loops';
import { panelsOf } from './panels';

/** A cut through a surface: a spot on the piece that is cut, and the way the plane faces. */
export interface PlaneCut {
  at: Vec3;
  normal: Vec3;
  /** Everything is cut, not just the piece the spot is on. */
  all?: true;
}

export const whole = (mesh: Mesh): Charted => connected({ mesh, chart: mesh.triangles.map(() => 0) });

const centreOf = ({ points }: Mesh, [a, b, c]: readonly [number, number, number]): Vec3 =>
  scale3(add3(add3(itemAt(points, a), itemAt(points, b)), itemAt(points, c)), 1 / 3);

/** The chart of the triangle nearest to a spot. */
export function chartAt({ mesh, chart }: Charted, at: Vec3): number {
  let best = 0;
  let least = Infinity;
  mesh.triangles.forEach((t, i) => {
    const away = dist3(centreOf(mesh, t), at);
    if (away < least) [least, best] = [away, itemAt(chart, i)];
  });
  return best;
}

/** The surface parted by cuts, one after another. */
export const cutBy = (start: Charted, cuts: readonly PlaneCut[]): Charted =>
  cuts.reduce(
    (now, { at, normal, all }) => cutByPlane(now, at, normal, all ? undefined : chartAt(now, at)),
    start,
  );

/** Area that a grid may lose or gain; what is more counts as stretch. */
const LOST = 0.03;

/** Stretch a chart needs to be laid flat; infinite when it is no disc. */
export function stretchOfChart(chart: Chart): number {
  if (!isDisc(chart)) return Infinity;
  const { panels } = panelsOf({ mesh: chart.mesh, chart: chart.mesh.triangles.map(() => 0) }, () => '');
  if (!panels[0]) return Infinity;
  const mesh = gridMesh(panels[0].grid);
  // A grid that does not follow the surface says nothing of its stretch.
  const lost = Math.abs(meshArea(mesh) / meshArea(chart.mesh) - 1);
  return stretchOf(mesh, flattenLocalGlobal(mesh, { iterations: 12 })).mostly + Math.max(0, lost - LOST);
}

/** Middle of a chart by area, its area, and the three ways it is long, longest first. */
function axesOf({ mesh }: Chart): { middle: Vec3; areaMm2: number; axes: Vec3[] } {
  let areaMm2 = 0;
  let middle = { x: 0, y: 0, z: 0 };
  const spots = mesh.triangles.map((t) => {
    const [p, q, r] = t.map((v) => itemAt(mesh.points, v)) as [Vec3, Vec3, Vec3];
    const area = length3(cross3(sub3(q, p), sub3(r, p))) / 2;
    const c = centreOf(mesh, t);
    areaMm2 += area;
    middle = add3(middle, scale3(c, area));
    return { c, area };
  });
  middle = scale3(middle, 1 / Math.max(1e-9, areaMm2));
  // Power iteration on the covariance, the second way square to the first.
  const along = (start: Vec3, not?: Vec3): Vec3 => {
    let v = start;
    for (let k = 0; k < 24; k++) {
      let next = { x: 0, y: 0, z: 0 };
      for (const { c, area } of spots) {
        const d = sub3(c, middle);
        next = add3(next, scale3(d, area * (d.x * v.x + d.y * v.y + d.z * v.z)));
      }
      if (not) next = sub3(next, scale3(not, next.x * not.x + next.y * not.y + next.z * not.z));
      if (length3(next) < 1e-9) break;
      v = unit3(next);
    }
    return v;
  };
  const first = along(unit3({ x: 1, y: 0.7, z: 0.4 }));
  const second = along(unit3(cross3(first, { x: 0.3, y: 1, z: 0.6 })), first);
  return { middle, areaMm2, axes: [first, second, cross3(first, second)] };
}

const upright: readonly Vec3[] = [
  { x: 1, y: 0, z: 0 },
  { x: 0, y: 1, z: 0 },
  { x: 0, y: 0, z: 1 },
];

/** What every piece counts besides the stretch that is left, as stretch. */
const PIECE = 0.006;
/** What a piece that is no disc counts, as stretch. */
const NO_DISC = 1.5;
/** Smaller charts than this are left as they are, mm². */
const SMALL_MM2 = 900;

/** The cut between a left and a right half. */
const MIDDLE: PlaneCut = { at: { x: 0, y: 0, z: 0 }, normal: { x: 1, y: 0, z: 0 }, all: true };

/** How far a proposal has come, and what it would be. */
export interface Proposal {
  cuts: PlaneCut[];
  pieces: number;
  /** The worst stretch that is left. */
  stretch: number;
}

/** A mesh that is its own mirror image about x = 0, to so much of its width. */
export function isSymmetric({ points }: Mesh): boolean {
  const wide = Math.max(...points.map((p) => Math.abs(p.x)));
  const cell = Math.max(1, wide * 0.06);
  const key = (x: number, y: number, z: number): string =>
    `${Math.round(x / cell)},${Math.round(y / cell)},${Math.round(z / cell)}`;
  const taken = new Set(
    points.flatMap((p) =>
      [-0.5, 0.5].flatMap((dx) =>
        [-0.5, 0.5].flatMap((dy) =>
          [-0.5, 0.5].map((dz) => key(p.x + dx * cell, p.y + dy * cell, p.z + dz * cell)),
        ),
      ),
    ),
  );
  const met = points.filter((p) => taken.has(key(-p.x, p.y, p.z))).length;
  return met > 0.97 * points.length;
}

/**
 * Cuts by planes until every piece lies flat within the stretch, each time the piece that needs most, along whichever of
 * a few planes leaves the least (greedy bisection): across the ways it is long, level, upright, and through its openings.
 * A surface that is its own mirror image is halved first and cut alike on both sides. What is `drawn` already is begun with.
 */
export function* proposing(
  mesh: Mesh,
  limit: number,
  most: number,
  drawn?: Charted,
): Generator<Proposal, void> {
  const start = drawn ?? whole(mesh);
  const halved = cutBy(start, [MIDDLE]);
  // A surface that lies in the middle has no halves.
  const mirrored = !drawn && isSymmetric(mesh) && chartCount(halved) > chartCount(start);
  const cuts: PlaneCut[] = mirrored ? [MIDDLE] : [];
  let now = mirrored ? halved : start;
  const known = new Map<string, number>();
  /** Pieces keep their stretch while they are not cut. */
  const stretchAt = (
    charted: Charted,
    id: number,
    beside: Map<number, number[]>,
  ): { chart: Chart; stretch: number; areaMm2: number; middle: Vec3; axes: Vec3[] } => {
    const chart = chartOf(charted, id, beside);
    const shape = axesOf(chart);
    const key = `${shape.areaMm2.toFixed(3)}/${shape.middle.x.toFixed(3)}/${shape.middle.y.toFixed(3)}/${shape.middle.z.toFixed(3)}`;
    let stretch = known.get(key);
    if (stretch === undefined)
      known.set(key, (stretch = shape.areaMm2 < SMALL_MM2 && isDisc(chart) ? 0 : stretchOfChart(chart)));
    return { chart, stretch, ...shape };
  };
  const all = (charted: Charted) => {
    const beside = edgesOf(charted.mesh);
    return Array.from({ length: chartCount(charted) }, (_, id) => ({
      id,
      ...stretchAt(charted, id, beside),
    }));
  };
  for (;;) {
    const charts = all(now);
    const own = mirrored ? charts.filter((c) => c.middle.x > 0) : charts;
    yield { cuts: [...cuts], pieces: charts.length, stretch: Math.max(...charts.map((c) => c.stretch)) };
    const worst = own.reduce((a, b) =>
      b.stretch > a.stretch || (b.stretch === a.stretch && b.areaMm2 > a.areaMm2) ? b : a,
    );
    if (!(worst.stretch > limit) || charts.length + (mirrored ? 2 : 1) > most) return;
    const holes = worst.chart.loops.slice(1).map(({ vertices }) =>
      scale3(
        vertices.reduce((sum, v) => add3(sum, itemAt(worst.chart.mesh.points, v)), { x: 0, y: 0, z: 0 }),
        1 / vertices.length,
      ),
    );
    const p = holes[0] ?? worst.middle;
    const spots = worst.chart.mesh.triangles.map((t) => centreOf(worst.chart.mesh, t));
    let best: { cut: PlaneCut; cost: number } | undefined;
    for (const normal of [...worst.axes, ...upright]) {
      // On the piece itself, so that it is the one that is cut.
      const away = (q: Vec3): number => Math.abs(dot3(normal, sub3(q, p)));
      const cost = (q: Vec3): number => away(q) * 3 + dist3(q, p) * 0.01;
      const near = spots.reduce((a, b) => (cost(b) < cost(a) ? b : a));
      const at = add3(near, scale3(normal, dot3(normal, sub3(p, near))));
      if (chartAt(now, at) !== worst.id) continue;
      const alone = cutByPlane(whole(worst.chart.mesh), at, normal);
      const count = chartCount(alone);
      if (count < 2) continue;
      const beside = edgesOf(alone.mesh);
      const left = Array.from({ length: count }, (_, id) => stretchAt(alone, id, beside));
      const bad =
        left.reduce(
          (sum, c) =>
            sum +
            (Number.isFinite(c.stretch) ? Math.max(0, c.stretch - limit / 2) : NO_DISC) *
              Math.sqrt(c.areaMm2 / worst.areaMm2),
          0,
        ) +
        PIECE * count;
      if (!best || bad < best.cost) best = { cut: { at, normal }, cost: bad };
    }
    if (!best) return;
    const pair: PlaneCut[] = [best.cut];
    if (mirrored) {
      const { at, normal } = best.cut;
      pair.push({ at: { ...at, x: -at.x }, normal: { ...normal, x: -normal.x } });
    }
    const rounded = pair.map(({ at, normal }) => ({ at: roundedSpot(at), normal }));
    cuts.push(...rounded);
    now = cutBy(now, rounded);
  }
}

const roundedSpot = ({ x, y, z }: Vec3): Vec3 => ({
  x: Number(x.toFixed(1)),
  y: Number(y.toFixed(1)),
  z: Number(z.toFixed(1)),
});
