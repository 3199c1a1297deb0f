import { byId, firstOf, lastOf, itemAt } from '../units';
import { dist3, lerp3, type Vec2, type Vec3 } from '../geometry';
import type { Join, Panel, RimEdge, Side } from '../panel';
import { type Charted, chartCount, edgesOf } from './charted';
import { cornersOf, type RimPoint, rimPoints } from './corners';
import { farthest } from './follows';
import { type Chart, chartOf, isDisc, rimAngles } from './loops';
import { isCrumb } from './sound';
import { squareMap, sampled } from './squared';

/** Cells of a panel's grid are about this wide, mm; no grid has more steps than this along a side. */
const CELL_MM = 10;
const MOST_STEPS = 34;
const LEAST_STEPS = 4;

/** A run of a rim from one break to the next: the vertices of the whole surface it goes between, and what lies beyond. */
interface Arc {
  from: number;
  to: number;
  beyond: number | undefined;
}

/** Charts as panels, with their seams; and those that are no disc and make none. */
export interface Skinned {
  panels: Panel[];
  joins: Join[];
  /** Charts that cannot be laid flat yet: closed, or with a hole. */
  open: number[];
  /** The farthest that a point of the surface lies from the panel over it, mm: what is finer than a cell is smoothed. */
  followsMm: number;
}

/** Where a rim is broken into edges: where neighbours change, and at the corners of any grid that meets it there. */
const breaksOf = ({ chart, all, corners }: Shaped, broken: ReadonlySet<number>): number[] =>
  all
    .filter(
      (p) =>
        p.junction ||
        corners.includes(p.index) ||
        broken.has(itemAt(chart.origin, itemAt(firstOf(chart.loops).vertices, p.index))),
    )
    .map((p) => p.index);

/** A side of the square: nodes at even shares, and where along the rim each lies; breaks fall on nodes. */
interface SideRun {
  steps: number;
  /** Place along the rim at each node, mm, ascending. */
  atMm: number[];
  /** Node → index of the break that lies there. */
  breakAt: Map<number, number>;
}

function sideRun(
  fromMm: number,
  toMm: number,
  breaks: readonly { index: number; alongMm: number }[],
  steps: number,
): SideRun {
  const length = toMm - fromMm;
  const breakAt = new Map<number, number>();
  const fixed: [node: number, mm: number][] = [[0, fromMm]];
  breaks.forEach((b, i) => {
    if (b.alongMm === fromMm) {
      breakAt.set(0, b.index);
      return;
    }
    const least = lastOf(fixed)[0] + 1;
    const most = steps - (breaks.length - i);
    const node = Math.min(most, Math.max(least, Math.round(((b.alongMm - fromMm) / length) * steps)));
    breakAt.set(node, b.index);
    fixed.push([node, b.alongMm]);
  });
  fixed.push([steps, toMm]);
  const atMm: number[] = [fromMm];
  for (let k = 1; k < fixed.length; k++) {
    const [[n0, mm0], [n1, mm1]] = [itemAt(fixed, k - 1), itemAt(fixed, k)];
    for (let n = n0 + 1; n <= n1; n++) atMm.push(mm0 + ((mm1 - mm0) * (n - n0)) / (n1 - n0));
  }
  return { steps, atMm, breakAt };
}

/** The place on a side of a length along the rim, as a share of its nodes. */
function shareAt({ atMm, steps }: SideRun, mm: number): number {
  let k = atMm.findIndex((at, i) => i > 0 && at >= mm - 1e-9);
  if (k < 0) k = steps;
  const [a, b] = [itemAt(atMm, k - 1), itemAt(atMm, k)];
  return (k - 1 + (b > a ? Math.min(1, Math.max(0, (mm - a) / (b - a))) : 0)) / steps;
}

const onSquare: Record<Side, (share: number) => Vec2> = {
  bottom: (t) => ({ x: t, y: 0 }),
  right: (t) => ({ x: 1, y: t }),
  top: (t) => ({ x: 1 - t, y: 1 }),
  left: (t) => ({ x: 0, y: 1 - t }),
};
const inOrder: readonly Side[] = ['bottom', 'right', 'top', 'left'];

/** A disc with the points of its rim and the four that are corners of its grid, the lower left one first. */
interface Shaped {
  id: number;
  chart: Chart;
  all: RimPoint[];
  totalMm: number;
  /** The point of the rim at a length along it. */
  at: (mm: number) => Vec3;
  corners: number[];
}

function shaped(id: number, chart: Chart): Shaped {
  const { mesh } = chart;
  const { vertices, beyond } = firstOf(chart.loops);
  const n = vertices.length;
  const all = rimPoints(mesh.points, vertices, rimAngles(chart, vertices), beyond);
  const totalMm =
    lastOf(all).alongMm +
    dist3(itemAt(mesh.points, lastOf(vertices)), itemAt(mesh.points, firstOf(vertices)));
  const found = cornersOf(all, totalMm);
  const at = (mm: number): Vec3 => {
    const m = ((mm % totalMm) + totalMm) % totalMm;
    let i = all.findIndex((p) => p.alongMm > m) - 1;
    if (i < 0) i = n - 1;
    const [a, b] = [itemAt(all, i).alongMm, i + 1 < n ? itemAt(all, i + 1).alongMm : totalMm];
    return lerp3(
      itemAt(mesh.points, itemAt(vertices, i)),
      itemAt(mesh.points, itemAt(vertices, (i + 1) % n)),
      b > a ? (m - a) / (b - a) : 0,
    );
  };
  const ends = found.map((c) => itemAt(all, c).alongMm);
  const middleZ = (k: number): number => {
    const [a, b] = [itemAt(ends, k), itemAt(ends, (k + 1) % 4)];
    return at((a + (b > a ? b : b + totalMm)) / 2).z;
  };
  // The lowest side is the lower one.
  const first = [0, 1, 2, 3].reduce((a, b) => (middleZ(b) < middleZ(a) ? b : a));
  return { id, chart, all, totalMm, at, corners: [0, 1, 2, 3].map((k) => itemAt(found, (first + k) % 4)) };
}

/** A grid is laid again when its middle wants so many times the steps of its sides. */
const MORE = 1.25;

const lengthMm = (line: readonly Vec3[]): number =>
  line.slice(1).reduce((sum, p, i) => sum + dist3(itemAt(line, i), p), 0);

/** Lengths through the middle of a grid, across and up, mm. */
const middlesOf = (grid: readonly Vec3[][]): [number, number] => [
  lengthMm(itemAt(grid, grid.length >> 1)),
  lengthMm(grid.map((row) => itemAt(row, row.length >> 1))),
];

/** A disc as the grid of a panel: its rim in order, and the arcs between breaks. */
function gridOfDisc(
  disc: Shaped,
  broken: ReadonlySet<number>,
): {
  id: number;
  grid: Vec3[][];
  rim: { arc: Arc; from: number; to: number }[];
  /** Where a vertex of the whole lies on the square, when it is of this disc. */
  uvOf: (vertex: number) => Vec2 | undefined;
  followsMm: number;
} {
  const { id, chart, all, totalMm, at, corners } = disc;
  const { mesh, origin } = chart;
  const { vertices, beyond } = firstOf(chart.loops);
  const breaks = breaksOf(disc, broken);
  const spans = corners.map((c, k) => {
    const from = itemAt(all, c).alongMm;
    const next = itemAt(all, itemAt(corners, (k + 1) % 4)).alongMm;
    const to = next > from ? next : next + totalMm;
    const own = breaks
      .map((index) => ({
        index,
        alongMm: itemAt(all, index).alongMm + (itemAt(all, index).alongMm < from ? totalMm : 0),
      }))
      .filter((b) => b.alongMm < to)
      .sort((a, b) => a.alongMm - b.alongMm);
    return { from, to, own };
  });
  const stepsOf = (...pair: number[]): number => {
    const longest = Math.max(...pair.map((k) => itemAt(spans, k).to - itemAt(spans, k).from));
    const most = Math.max(...pair.map((k) => itemAt(spans, k).own.length));
    return Math.max(LEAST_STEPS, most + 1, Math.min(MOST_STEPS, Math.round(longest / CELL_MM)));
  };
  const laid = (across: number, up: number) => {
    const runs = spans.map(({ from, to, own }, k) => sideRun(from, to, own, k % 2 === 0 ? across : up));
    const rimPlaces = new Map<number, Vec2>();
    all.forEach((p, i) => {
      const k = spans.findIndex(({ from, to }) => {
        const mm = p.alongMm < from ? p.alongMm + totalMm : p.alongMm;
        return mm >= from && mm < to;
      });
      const mm = p.alongMm < itemAt(spans, k).from ? p.alongMm + totalMm : p.alongMm;
      rimPlaces.set(itemAt(vertices, i), onSquare[itemAt(inOrder, k)](shareAt(itemAt(runs, k), mm)));
    });
    const rimAt = (u: number, v: number): Vec3 => {
      const [k, share] = v === 0 ? [0, u] : u === 1 ? [1, v] : v === 1 ? [2, 1 - u] : [3, 1 - v];
      return at(itemAt(itemAt(runs, k).atMm, Math.round(share * itemAt(runs, k).steps)));
    };
    const square = squareMap(mesh, rimPlaces);
    return { across, up, runs, square, grid: sampled(mesh, square, up + 1, across + 1, rimAt) };
  };
  const bySides = laid(stepsOf(0, 2), stepsOf(1, 3));
  // A half moon is wider in its middle than along its sides.
  const [widest, tallest] = middlesOf(bySides.grid).map((mm) =>
    Math.min(MOST_STEPS, Math.round(mm / CELL_MM)),
  );
  const isWider = widest! > MORE * bySides.across || tallest! > MORE * bySides.up;
  const { across, up, runs, square, grid } = isWider
    ? laid(Math.max(bySides.across, widest!), Math.max(bySides.up, tallest!))
    : bySides;
  const followsMm = farthest(mesh.points, square, grid);
  const own = new Map(origin.map((v, i) => [v, i]));
  const uvOf = (vertex: number): Vec2 | undefined => {
    const i = own.get(vertex);
    return i === undefined ? undefined : square[i];
  };
  const starts = [0, across, across + up, 2 * across + up];
  const placed = runs
    .flatMap((run, k) =>
      [...run.breakAt].map(([node, index]) => ({ index, position: itemAt(starts, k) + node })),
    )
    .sort((a, b) => a.position - b.position);
  const rim = placed.map(({ index, position }, i) => {
    const next = itemAt(placed, (i + 1) % placed.length);
    return {
      from: position,
      to: next.position,
      arc: {
        from: itemAt(origin, itemAt(vertices, index)),
        to: itemAt(origin, itemAt(vertices, next.index)),
        beyond: beyond[index],
      },
    };
  });
  return { id, grid, rim, uvOf, followsMm };
}

/**
 * A surface in charts as the panels of a form, each a grid on its chart, with seams where charts meet. Edges are broken
 * where neighbours change, so that every edge has one mate or none.
 * @param nameOf what a chart is called; @param openings runs of vertices round openings that are cut out of the pieces.
 */
export function panelsOf(
  charted: Charted,
  nameOf: (chart: number) => string,
  openings: readonly (readonly number[])[] = [],
): Skinned {
  const beside = edgesOf(charted.mesh);
  const open: number[] = [];
  const discs = Array.from({ length: chartCount(charted) }, (_, id) => id).flatMap((id) => {
    const chart = chartOf(charted, id, beside);
    if (isCrumb(chart, charted.mesh)) return [];
    // A grid needs four corners; charts with fewer are reported with those that cannot be flattened.
    if (isDisc(chart) && firstOf(chart.loops).vertices.length >= 4) return [shaped(id, chart)];
    open.push(id);
    return [];
  });
  const broken = new Set(
    discs.flatMap(({ chart, corners }) =>
      corners.map((c) => itemAt(chart.origin, itemAt(firstOf(chart.loops).vertices, c))),
    ),
  );
  const made = discs.map((disc) => gridOfDisc(disc, broken));
  const known = new Set(made.map((m) => m.id));
  const edgeIdOf = (i: number): string => `edge-${i + 1}`;
  const panels = made.map(({ id, grid, rim, uvOf }): Panel => {
    const cutOut = openings
      .map((loop) => loop.map(uvOf))
      .filter((uvs): uvs is Vec2[] => uvs.every((uv) => uv !== undefined))
      .map((outline, i) => ({ name: `opening ${i + 1}`, outline }));
    const free = rim.filter((r) => r.arc.beyond === undefined || !known.has(r.arc.beyond)).length;
    let count = 0;
    return {
      id: `chart-${id + 1}`,
      name: nameOf(id),
      grid,
      ...(cutOut.length > 0 && { openings: cutOut }),
      edges: { bottom: 'lower edge', right: 'right edge', top: 'upper edge', left: 'left edge' },
      rim: rim.map(({ from, to, arc }, i): RimEdge => ({
        id: edgeIdOf(i),
        name:
          arc.beyond !== undefined && known.has(arc.beyond)
            ? `seam to ${nameOf(arc.beyond)}`
            : free === 1
              ? 'free edge'
              : `free edge ${++count}`,
        from,
        to,
      })),
    };
  });
  const joins = made.flatMap(({ id, rim }): Join[] =>
    rim.flatMap(({ arc }, i): Join[] => {
      if (arc.beyond === undefined || arc.beyond <= id) return [];
      const other = byId(made, arc.beyond);
      const k =
        other?.rim.findIndex((r) => r.arc.from === arc.to && r.arc.to === arc.from && r.arc.beyond === id) ??
        -1;
      return k < 0
        ? []
        : [
            {
              a: [`chart-${id + 1}`, edgeIdOf(i)],
              b: [`chart-${arc.beyond + 1}`, edgeIdOf(k)],
              kind: 'seam',
            },
          ];
    }),
  );
  return { panels, joins, open, followsMm: Math.max(0, ...made.map((m) => m.followsMm)) };
}
