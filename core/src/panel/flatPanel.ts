import { firstOf, lastOf } from '../units';
import {
  boundaryLoops,
  type Darted,
  facesOf,
  flattenLocalGlobal,
  flattenWithDarts,
  flattenWithGivenDarts,
  uncut,
  refoldDistanceMm,
  stretchOf,
  vertexStretch,
} from '../flatten';
import type { HandDart } from '../document';
import {
  add3,
  boundsOf,
  cross3,
  dist2,
  dot3,
  flatPoint,
  lerp2,
  type Mesh,
  rotate2,
  scale3,
  signedArea,
  sub3,
  unit3,
  unrollStrip,
  type Vec2,
} from '../geometry';
import type { FoamSheet } from '../materials';
import type { Hole, Mark, Piece, PieceEdge, PieceStretch } from './piece';
import { contourLines } from './contours';
import {
  columnsOf,
  edgesOf,
  edgeVertices,
  gridMesh,
  offsetGrid,
  rowsOf,
  type Panel,
  type Ruled,
  type Side,
} from './panel';
import { waysOf, type Ways } from './ways';

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
  seams: readonly string[];
  /** Darts placed by hand instead of those the stretch asks for. */
  byHand?: readonly HandDart[];
}

/** A panel laid flat, with its grid where it came to lie, rows and columns as on the form, and the way there and back. */
export interface FlatPanel extends Ways {
  piece: Piece;
  flat: Vec2[][];
  /** Segments of the outline that belong to no edge, the legs of darts, by the point they begin at. */
  legs: ReadonlySet<number>;
}

/** Below this a panel counts as developable: a millimetre in two metres. */
const FLAT_ENOUGH = 0.0005;
/** Triangles along a seam count this much more, so that it keeps its length. */
const SEAM_WEIGHT = 30;
/** And along a free edge. */
const FREE_WEIGHT = 6;
const LEVELS = [2, 5, 10, 15, 20, 30];

/** The grid of a ruled panel at its neutral layer, from its rulings unrolled: exact, whatever its sides. */
function unrolled({ rulings, at, outMm }: Ruled, neutralMm: number): Vec2[] {
  const out = outMm + neutralMm;
  const strip = unrollStrip({
    low: rulings.map((r) => add3(r.low, scale3(r.normal, out))),
    high: rulings.map((r) => add3(r.high, scale3(r.normal, out))),
  });
  return at.flatMap((row) => row.map((p) => flatPoint(strip, p.x, p.y)));
}

/** A plane grid as it is, seen from outside; nothing when it is not plane. */
function plane(grid: Panel['grid']): Vec2[] | undefined {
  const origin = firstOf(firstOf(grid));
  const along = unit3(sub3(lastOf(firstOf(grid)), origin));
  const normal = unit3(cross3(along, sub3(firstOf(lastOf(grid)), origin)));
  const up = cross3(normal, along);
  const flat: Vec2[] = [];
  for (const p of grid.flat()) {
    const d = sub3(p, origin);
    if (Math.abs(dot3(d, normal)) > 1e-6) return undefined;
    flat.push({ x: dot3(d, along), y: dot3(d, up) });
  }
  return flat;
}

/** A start from the bottom and top rows unrolled, straight columns between: exact when the panel is ruled. */
function ruledStart(grid: Panel['grid']): Vec2[] {
  const strip = unrollStrip({ low: firstOf(grid), high: lastOf(grid) });
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
function edgeWeights(panel: Panel, mesh: Mesh, seams: readonly string[]): number[] {
  const onSide = edgesOf(panel).map(({ id, run }) => ({
    weight: seams.includes(id) ? SEAM_WEIGHT : FREE_WEIGHT,
    on: new Set(run),
  }));
  return mesh.triangles.map((t) =>
    onSide.reduce(
      (most, { weight, on }) => (t.filter((v) => on.has(v)).length >= 2 ? Math.max(most, weight) : most),
      1,
    ),
  );
}

/** Grid vertex nearest to a fraction of an edge; none where the panel has no such edge, as after its form was changed. */
const mouthOf = (panel: Panel, { edgeId, at }: HandDart): number | undefined => {
  const run = edgeVertices(panel, edgeId);
  const last = run.length - 1;
  // A corner is meant only where it is named exactly.
  if (at === 0 || at === 1) return run[at * last];
  return run[Math.min(last - 1, Math.max(1, Math.round(at * last)))];
};

/** A panel flattened; `left` darts asked for by hand were left out because they would meet. */
type LaidFlat = Darted & { left?: number };

function layFlat(
  panel: Panel,
  foam: FoamSheet,
  { limit, darts, seams, byHand, coarse }: PanelOptions,
): LaidFlat {
  const neutralMm = foam.neutralFraction.value * foam.thicknessMm.value;
  const grid = offsetGrid(panel.grid, neutralMm);
  const mesh = gridMesh(grid);
  const start = panel.ruled ? unrolled(panel.ruled, neutralMm) : (plane(grid) ?? ruledStart(grid));
  const ruled = stretchOf(mesh, start);
  if (panel.ruled !== undefined || (ruled.worst < FLAT_ENOUGH && Math.min(...ruled.least) > -FLAT_ENOUGH)) {
    return uncut(mesh, start);
  }
  // Both faces of the sheet: the thicker it is, the more its bend adds to what they must stretch.
  const faces = facesOf(
    mesh,
    [0, foam.thicknessMm.value].map((out) => offsetGrid(panel.grid, out).flat()),
  );
  const how = { start, weights: edgeWeights(panel, mesh, seams), iterations: coarse ? 6 : 60 };
  if (byHand) {
    const asked = byHand.flatMap((dart) => {
      const mouth = mouthOf(panel, dart);
      return mouth === undefined ? [] : [{ mouth, reach: dart.reach }];
    });
    const laid = flattenWithGivenDarts(mesh, asked, { limit, faces }, how);
    return { ...laid, left: laid.left + byHand.length - asked.length };
  }
  if (coarse) return uncut(mesh, flattenLocalGlobal(mesh, how), faces);
  return flattenWithDarts(mesh, {
    ...how,
    foam: { limit, faces },
    most: darts,
    keepOff: new Set(seams.flatMap((id) => edgeVertices(panel, id))),
  });
}

/** The outline from the lower left corner, each vertex with the surface vertex it came from. */
function outlineLoop(made: Darted): number[] {
  const loop = firstOf(boundaryLoops(made.mesh));
  const corner = loop.findIndex((v) => made.origin[v] === 0);
  return [...loop.slice(corner), ...loop.slice(0, corner)];
}

/** Runs of the outline along each side; a dart's legs lie in a run but do not count to its length. */
function pieceEdges(
  panel: Panel,
  made: Darted,
  loop: readonly number[],
  outline: readonly Vec2[],
): PieceEdge[] {
  const origins = loop.map((v) => made.origin[v]!);
  const edges = edgesOf(panel);
  const corners = edges.map(({ run }) => origins.indexOf(firstOf(run)));
  return edges.map(({ id, name, run }, i) => {
    const from = corners[i]!;
    const to = corners[(i + 1) % corners.length]!;
    const on = new Set(run);
    let lengthMm = 0;
    for (let k = from; k !== to; k = (k + 1) % loop.length) {
      const next = (k + 1) % loop.length;
      if (on.has(origins[k]!) && on.has(origins[next]!)) lengthMm += dist2(outline[k]!, outline[next]!);
    }
    const attached = panel.attached?.[id as Side];
    return {
      id,
      name,
      from,
      to,
      lengthMm,
      bevelDeg: 0,
      joint: attached ? 'attached' : 'free',
      ...(attached && { attached }),
    };
  });
}

/** Segments of the outline that run along no side of the panel. */
function legsOf(panel: Panel, made: Darted, loop: readonly number[]): Set<number> {
  if (made.darts.length === 0) return new Set();
  const next = new Map(
    edgesOf(panel).flatMap(({ run }) => run.slice(1).map((v, i) => [run[i]!, v] as const)),
  );
  const origins = loop.map((v) => made.origin[v]!);
  return new Set(origins.flatMap((v, k) => (next.get(v) === origins[(k + 1) % loop.length] ? [] : [k])));
}

/** Every dart as the wedge that is cut out: mouth, tip, mouth. */
function dartMarks(panel: Panel, made: Darted, loop: readonly number[], outline: readonly Vec2[]): Mark[] {
  return made.darts.map(({ path, reach }) => {
    const tip = loop.findIndex((v) => made.origin[v] === path.at(-1));
    const back = (steps: number): Vec2 => outline[(tip + steps + outline.length) % outline.length]!;
    const legs = path.length - 1;
    return {
      kind: 'dart',
      points: [back(-legs), back(0), back(legs)],
      text: 'dart',
      dart: { ...mouthOn(panel, firstOf(path)), reach },
    };
  });
}

/** The edge a vertex of the rim lies on, and where along it; a corner is the beginning of an edge. */
function mouthOn(panel: Panel, vertex: number): Pick<HandDart, 'edgeId' | 'at'> {
  const found = edgesOf(panel).map(({ id, run }) => ({
    edgeId: id,
    at: run.indexOf(vertex) / (run.length - 1),
  }));
  const on = found.find(({ at }) => at >= 0 && at < 1) ?? found.find(({ at }) => at === 1);
  if (!on) throw new Error(`Vertex ${vertex} of ${panel.id} lies on no edge.`);
  return on;
}

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
    faceMostly: stretch.faceMostly,
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
    return { kind: 'slot', points: [...up, ...down], text: `slot ${heightMm} mm`, airs: true };
  });
}

/** Openings where their outlines lie flat. */
const openingMarks = (panel: Panel, flatAt: Ways['flatAt']): Mark[] =>
  (panel.openings ?? []).map(({ name, outline }) => ({
    kind: 'slot',
    points: outline.map(flatAt),
    text: name,
  }));

/** Holes where their place on the form lies flat, by the same way as everything else that is put there. */
const panelHoles = (panel: Panel, flatAt: Ways['flatAt']): Hole[] =>
  (panel.holes ?? []).map(({ at: [x, y], diameterMm, kind }, i) => ({
    id: `${panel.id}-${kind}-${i + 1}`,
    kind,
    centre: flatAt({ x, y }),
    diameterMm,
  }));

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
  // Made when something first asks: most panels carry none.
  let corners: [Vec2, Vec2, Vec2][] | undefined;
  const cornersOf = (): [Vec2, Vec2, Vec2][] =>
    (corners ??= made.mesh.triangles.map((t) => t.map((v) => place(made.flat[v]!)) as [Vec2, Vec2, Vec2]));
  const ways = waysOf(columns - 1, rowsOf(panel) - 1, cornersOf);
  const outline = loop.map((v) => place(made.flat[v]!));
  const stretch = stretchReport(panel, made, place, options.coarse ?? false);
  const piece: Piece = {
    id: panel.id,
    name: panel.name,
    role: 'shell',
    outline,
    edges: pieceEdges(panel, made, loop, outline),
    holes: panelHoles(panel, ways.flatAt),
    marks: [
      ...dartMarks(panel, made, loop, outline),
      ...slotMarks(panel, made, place),
      ...openingMarks(panel, ways.flatAt),
    ],
    foamId: foam.foamId,
    foamName: foam.name,
    foamColour: foam.colour,
    ...(foam.texture !== 'none' && { texture: foam.texture }),
    nominalMm: foam.nominalMm,
    thicknessMm: foam.thicknessMm.value,
    densityKgM3: foam.densityKgM3.value,
    quantity: 1,
    flipped: 0,
    areaMm2: Math.abs(signedArea(outline)),
    ...(stretch && { stretch }),
    ...(made.left && {
      note: `${made.left} of the darts asked for would meet another or the rim, or have no such edge, and were left out.`,
    }),
  };
  // Vertices doubled by darts come after the surface's own, which keep their numbers.
  const grid = Array.from({ length: rowsOf(panel) }, (_, r) =>
    Array.from({ length: columns }, (_, c) => place(made.flat[r * columns + c]!)),
  );
  return { piece, flat: grid, legs: legsOf(panel, made, loop), ...ways };
}
