import type { Darted } from '../../flatten/dart';
import { flattenWithDarts } from '../../flatten/darts';
import { flattenWithGivenDarts } from '../../flatten/handDarts';
import type { HandDart } from '../details/detail';
import { refoldDistanceMm } from '../../flatten/refold';
import { stretchOf, vertexStretch } from '../../flatten/stretch';
import { boundaryLoops } from '../../flatten/topology';
import type { Mesh } from '../../geometry/mesh';
import { boundsOf, signedArea } from '../../geometry/polygon';
import { unrollStrip } from '../../geometry/unroll';
import { dist2, lerp2, rotate2, type Vec2 } from '../../geometry/vec';
import type { FoamSheet } from '../../materials/stock';
import type { Hole, Mark, Piece, PieceEdge, PieceStretch } from '../piece';
import { contourLines } from './contours';
import { columnsOf, gridMesh, offsetGrid, rowsOf, sides, sideVertices, type Panel, type Side } from './panel';

export interface FlatOptions {
  /** Stretch the maker is ready to work in before a dart is cut. */
  limit: number;
  /** Most darts in one piece. */
  darts: number;
  /** A first answer: fewer rounds, no search for darts. */
  coarse?: boolean;
}

/** How one panel is laid: with the sides that are glued to a neighbour, which keep their length first of all. */
export interface PanelOptions extends FlatOptions {
  seams: readonly Side[];
  /** Darts placed by hand instead of those the stretch asks for. */
  byHand?: readonly HandDart[];
}

/** A panel laid flat, with its grid where it came to lie, rows and columns as on the form. */
export interface FlatPanel {
  piece: Piece;
  flat: Vec2[][];
}

/** Below this a panel counts as developable: a millimetre in two metres. */
const FLAT_ENOUGH = 0.0005;
/** Triangles along a seam count this much more, so that it keeps its length. */
const SEAM_WEIGHT = 30;
/** And along a free edge. */
const FREE_WEIGHT = 6;
const LEVELS = [2, 5, 10, 15, 20, 30];

/** A start from the bottom and top rows unrolled, straight columns between: exact when the panel is ruled. */
function ruledStart(grid: Panel['grid']): Vec2[] {
  const strip = unrollStrip({ low: grid[0]!, high: grid.at(-1)! });
  const last = grid.length - 1;
  const share = (c: number, r: number): number => {
    let run = 0;
    let at = 0;
    for (let i = 1; i <= last; i++) {
      const [p, q] = [grid[i - 1]![c]!, grid[i]![c]!];
      run += Math.hypot(p.x - q.x, p.y - q.y, p.z - q.z);
      if (i === r) at = run;
    }
    return run === 0 ? r / last : at / run;
  };
  return grid.flatMap((row, r) => row.map((_, c) => lerp2(strip.low[c]!, strip.high[c]!, share(c, r))));
}

/** Triangles along a seam weigh most, along a free edge more: both are lengths a maker measures. */
function edgeWeights(panel: Panel, mesh: Mesh, seams: readonly Side[]): number[] {
  const onSide = sides.map((side) => ({
    weight: seams.includes(side) ? SEAM_WEIGHT : FREE_WEIGHT,
    on: new Set(sideVertices(panel, side)),
  }));
  return mesh.triangles.map((t) =>
    onSide.reduce(
      (most, { weight, on }) => (t.filter((v) => on.has(v)).length >= 2 ? Math.max(most, weight) : most),
      1,
    ),
  );
}

/** Grid vertex nearest to a fraction of a side. */
const mouthOf = (panel: Panel, { edgeId, at }: HandDart): number => {
  const run = sideVertices(panel, edgeId as Side);
  return run[Math.min(run.length - 2, Math.max(1, Math.round(at * (run.length - 1))))]!;
};

/** A panel flattened; `left` darts asked for by hand were left out because they would meet. */
type LaidFlat = Darted & { left?: number };

function layFlat(
  panel: Panel,
  foam: FoamSheet,
  { limit, darts, seams, byHand, coarse }: PanelOptions,
): LaidFlat {
  const grid = offsetGrid(panel.grid, foam.neutralFraction.value * foam.thicknessMm.value);
  const mesh = gridMesh(grid);
  const start = ruledStart(grid);
  const ruled = stretchOf(mesh, start);
  if (ruled.worst < FLAT_ENOUGH && Math.min(...ruled.least) > -FLAT_ENOUGH) {
    return { mesh, flat: start, stretch: ruled, darts: [], origin: mesh.points.map((_, i) => i) };
  }
  const how = { start, weights: edgeWeights(panel, mesh, seams), iterations: coarse ? 6 : 40 };
  if (byHand) {
    const asked = byHand.map((dart) => ({ mouth: mouthOf(panel, dart), reach: dart.reach }));
    return flattenWithGivenDarts(mesh, asked, how);
  }
  return flattenWithDarts(mesh, {
    ...how,
    limit,
    most: coarse ? 0 : darts,
    keepOff: new Set(seams.flatMap((side) => sideVertices(panel, side))),
  });
}

/** The outline from the lower left corner, each vertex with the surface vertex it came from. */
function outlineLoop(made: Darted): number[] {
  const loop = boundaryLoops(made.mesh)[0]!;
  const corner = loop.findIndex((v) => made.origin[v] === 0);
  return [...loop.slice(corner), ...loop.slice(0, corner)];
}

/** Runs of the outline along each side; a dart's legs lie in a run but do not count to its length. */
function edgesOf(panel: Panel, made: Darted, loop: readonly number[], outline: readonly Vec2[]): PieceEdge[] {
  const origins = loop.map((v) => made.origin[v]!);
  const corners = sides.map((side) => origins.indexOf(sideVertices(panel, side)[0]!));
  return sides.map((side, i) => {
    const from = corners[i]!;
    const to = corners[(i + 1) % 4]!;
    const on = new Set(sideVertices(panel, side));
    let lengthMm = 0;
    for (let k = from; k !== to; k = (k + 1) % loop.length) {
      const next = (k + 1) % loop.length;
      if (on.has(origins[k]!) && on.has(origins[next]!)) lengthMm += dist2(outline[k]!, outline[next]!);
    }
    const hungBy = panel.hung?.[side];
    return {
      id: side,
      name: panel.edges[side],
      from,
      to,
      lengthMm,
      bevelDeg: 0,
      joint: hungBy ? 'hung' : 'free',
      ...(hungBy && { hungBy }),
    };
  });
}

/** Every dart as the wedge that is cut out: mouth, tip, mouth. */
function dartMarks(made: Darted, loop: readonly number[], outline: readonly Vec2[]): Mark[] {
  return made.darts.map(({ path }) => {
    const tip = loop.findIndex((v) => made.origin[v] === path.at(-1));
    const back = (steps: number): Vec2 => outline[(tip + steps + outline.length) % outline.length]!;
    const legs = path.length - 1;
    return { kind: 'dart', points: [back(-legs), back(0), back(legs)], text: 'dart' };
  });
}

/** Darts by the side they start from and where along it. */
const placedDarts = (panel: Panel, made: Darted): HandDart[] =>
  made.darts.flatMap(({ path, reach }) =>
    sides.flatMap((side) => {
      const run = sideVertices(panel, side);
      const i = run.indexOf(path[0]!);
      return i > 0 && i < run.length - 1 ? [{ edgeId: side, at: i / (run.length - 1), reach }] : [];
    }),
  );

/** A place of the panel in words, by the names of its edges. */
function whereOn(panel: Panel, vertex: number): string {
  const columns = columnsOf(panel);
  const u = (vertex % columns) / (columns - 1);
  const v = Math.floor(vertex / columns) / (rowsOf(panel) - 1);
  const near = [
    ...(v < 0.25 ? [panel.edges.bottom] : v > 0.75 ? [panel.edges.top] : []),
    ...(u < 0.25 ? [panel.edges.left] : u > 0.75 ? [panel.edges.right] : []),
  ];
  if (near.length === 2) return `at the corner of ${near[0]} and ${near[1]}`;
  return near.length === 1 ? `near the ${near[0]}` : 'in the middle';
}

function stretchReport(
  panel: Panel,
  made: Darted,
  place: (p: Vec2) => Vec2,
  coarse: boolean,
): PieceStretch | undefined {
  const { stretch, mesh, flat } = made;
  if (stretch.worst < 0.003) return undefined;
  const moved = flat.map(place);
  const values = vertexStretch(mesh, stretch).map((v) => v * 100);
  const columns = columnsOf(panel);
  const line = (vertices: number[]): Vec2[] => vertices.map((v) => moved[v]!);
  const grid = [
    ...Array.from({ length: rowsOf(panel) }, (_, r) => r)
      .filter((r) => r % 2 === 0)
      .map((r) => line(Array.from({ length: columns }, (_, c) => r * columns + c))),
    ...Array.from({ length: columns }, (_, c) => c)
      .filter((c) => c % 2 === 0)
      .map((c) => line(Array.from({ length: rowsOf(panel) }, (_, r) => r * columns + c))),
  ];
  const [a, b, c] = mesh.triangles[stretch.worstTriangle]!;
  return {
    worst: stretch.worst,
    mostly: stretch.mostly,
    worstAt: {
      x: (moved[a]!.x + moved[b]!.x + moved[c]!.x) / 3,
      y: (moved[a]!.y + moved[b]!.y + moved[c]!.y) / 3,
    },
    worstWhere: whereOn(panel, made.origin[a]!),
    grid,
    contours: LEVELS.filter((level) => level < stretch.worst * 100).map((percent) => ({
      percent,
      lines: contourLines(mesh.triangles, moved, values, percent, lerp2),
    })),
    refoldMm: refoldDistanceMm(mesh, flat, coarse ? 6 : 25),
  };
}

/** Slots as holes at the flat place of their middle, drawn as pocket outlines that are cut through. */
function slotMarks(panel: Panel, made: Darted, place: (p: Vec2) => Vec2): Mark[] {
  const columns = columnsOf(panel);
  const at = (u: number, v: number): Vec2 => {
    const c = Math.round(u * (columns - 1));
    const r = Math.round(v * (rowsOf(panel) - 1));
    return place(made.flat[r * columns + c]!);
  };
  return (panel.slots ?? []).map(({ from, to, heightMm }) => {
    const steps = 12;
    const middle = Array.from({ length: steps + 1 }, (_, i) =>
      at(from[0] + ((to[0] - from[0]) * i) / steps, from[1] + ((to[1] - from[1]) * i) / steps),
    );
    const up = middle.map((p) => ({ x: p.x, y: p.y + heightMm / 2 }));
    const down = middle.map((p) => ({ x: p.x, y: p.y - heightMm / 2 })).reverse();
    return { kind: 'slot', points: [...up, ...down], text: `slot ${heightMm} mm` };
  });
}

/** Holes where their place on the grid lies flat, between the four points round it. */
function panelHoles(panel: Panel, made: Darted, place: (p: Vec2) => Vec2): Hole[] {
  const columns = columnsOf(panel);
  const at = (r: number, c: number): Vec2 => made.flat[r * columns + c]!;
  return (panel.holes ?? []).map(({ at: [u, v], diameterMm, kind }, i) => {
    const [x, y] = [u * (columns - 1), v * (rowsOf(panel) - 1)];
    const c = Math.min(columns - 2, Math.floor(x));
    const r = Math.min(rowsOf(panel) - 2, Math.floor(y));
    const low = lerp2(at(r, c), at(r, c + 1), x - c);
    const high = lerp2(at(r + 1, c), at(r + 1, c + 1), x - c);
    return { id: `${panel.id}-${kind}-${i + 1}`, kind, centre: place(lerp2(low, high, y - r)), diameterMm };
  });
}

/** One panel as a flat piece, cut at the neutral surface of its own thickness. Edge joints are named by the form. */
export function flatPanel(panel: Panel, foam: FoamSheet, options: PanelOptions): FlatPanel {
  const made = layFlat(panel, foam, options);
  const loop = outlineLoop(made);
  const columns = columnsOf(panel);
  const middle = Math.floor(columns / 2);
  const [low, high] = [made.flat[middle]!, made.flat[(rowsOf(panel) - 1) * columns + middle]!];
  const turn = Math.PI / 2 - Math.atan2(high.y - low.y, high.x - low.x);
  const turned = loop.map((v) => rotate2(made.flat[v]!, turn));
  const box = boundsOf(turned);
  const place = (p: Vec2): Vec2 => {
    const q = rotate2(p, turn);
    return { x: q.x - box.minX, y: q.y - box.minY };
  };
  const outline = loop.map((v) => place(made.flat[v]!));
  const stretch = stretchReport(panel, made, place, options.coarse ?? false);
  const piece: Piece = {
    id: panel.id,
    name: panel.name,
    role: 'shell',
    outline,
    edges: edgesOf(panel, made, loop, outline),
    holes: panelHoles(panel, made, place),
    marks: [...dartMarks(made, loop, outline), ...slotMarks(panel, made, place)],
    foamId: foam.foamId,
    nominalMm: foam.nominalMm,
    thicknessMm: foam.thicknessMm.value,
    quantity: 1,
    flipped: 0,
    areaMm2: Math.abs(signedArea(outline)),
    ...(stretch && { stretch }),
    ...(made.darts.length > 0 && { darts: placedDarts(panel, made) }),
    ...(made.left && {
      note: `${made.left} of the darts asked for would meet another or the rim and were left out.`,
    }),
  };
  // Vertices doubled by darts come after the surface's own, which keep their numbers.
  const grid = Array.from({ length: rowsOf(panel) }, (_, r) =>
    Array.from({ length: columns }, (_, c) => place(made.flat[r * columns + c]!)),
  );
  return { piece, flat: grid };
}
