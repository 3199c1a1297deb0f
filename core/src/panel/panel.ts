import { byId, firstOf } from '../units';
import type { Ply } from '../document';
import type { Habits } from '../materials';
import type { Attachment } from './attachment';
import type { Plate } from './plateShape';
import {
  add3,
  cross3,
  dist3,
  dot3,
  length3,
  type Mesh,
  scale3,
  sub3,
  unit3,
  type Vec2,
  type Vec3,
} from '../geometry';

/** Sides of a panel in order round it, seen from outside, counter-clockwise. */
export const sides = ['bottom', 'right', 'top', 'left'] as const;
export type Side = (typeof sides)[number];

/**
 * A part of a form's surface as a grid on its inner face: rows from the bottom up, columns from left to
 * right seen from outside. At least 2 × 2 points, millimetres.
 */
export interface Panel {
  id: string;
  name: string;
  grid: Vec3[][];
  /** Cut flat by an outline of its own; the grid then only covers its box. */
  plate?: Plate;
  /** The straight lines the surface is made of, when it unrolls exactly. */
  ruled?: Ruled;
  /** The panel it was parted from, and its like. */
  dividedFrom?: string;
  /** What each side is called. */
  edges: Record<Side, string>;
  /** The edges of its piece where they are not just its four sides, counter-clockwise: they lie end to end all round. */
  rim?: readonly RimEdge[];
  /** What the piece is called that it is cut in, with those it is folded from. */
  net?: string;
  /** Foam of its own when it differs from the part's. */
  ply?: Ply;
  /** A wall of something that is there already: drilled, cut and covered, but cut from no sheet. */
  existing?: Given;
  /** The panel this one mirrors exactly; it is cut as that one flipped. */
  mirrorOf?: string;
  /** Free edges whose cut face lies in a plane, whichever way the panel leans: the normal of that plane. */
  cutIn?: Partial<Record<string, Vec3>>;
  /** Sides fastened to the face of another piece, and how. */
  attached?: Partial<Record<Side, Attachment>>;
  /** A strap or belt that hangs free, so that how it lies here says nothing about fit. */
  loose?: true;
  /** Held where it is and not glued: it comes off and is put on again. */
  comesOff?: true;
  /** Cut flat and folded or strapped on: not drawn on the solid, where it would float. */
  unseen?: true;
  /** Round holes, at fractions of width and height. */
  holes?: { at: [number, number]; diameterMm: number; kind: 'ear' | 'air' }[];
  /** Openings cut in it: their outlines, as shares of width and height. */
  openings?: { name: string; outline: Vec2[] }[];
  /** Slots cut in it: a run along a row, as fractions of width and height. */
  slots?: { from: [number, number]; to: [number, number]; heightMm: number }[];
}

/** A wall of a bought thing, and how far it is open behind it. */
export interface Given {
  wallMm: number;
  behindMm: number;
  /** It must stay whole: nothing is drilled or cut in it. */
  uncut?: true;
  /** It is a lid, hung at this side of it. */
  hinge?: Side;
}

/** A run of the rim that meets one neighbour or none, along one side of the grid or a part of it. */
export interface RimEdge {
  id: string;
  name: string;
  /** Where it begins and ends among the points of the rim, counted counter-clockwise from the lower left corner. */
  from: number;
  to: number;
}

/**
 * A developable surface as rulings of one normal each, and where every grid point lies on them: x is the place
 * between rulings, y the share along.
 */
export interface Ruled {
  rulings: { low: Vec3; high: Vec3; normal: Vec3 }[];
  at: Vec2[][];
  /** Distance of the grid's layer from the rulings along their normals. */
  outMm: number;
}

/** Two edges that meet: glued, shut by a closure, or one sheet folded. */
export interface Join {
  a: [panelId: string, edge: string];
  b: [panelId: string, edge: string];
  kind: 'seam' | 'closure' | 'fold';
  /** It is not glued: one of them comes off. */
  dry?: true;
  /** How a fold is made, where the form has its own way. */
  method?: Habits['fold'];
}

export const rowsOf = (panel: Pick<Panel, 'grid'>): number => panel.grid.length;
export const columnsOf = (panel: Pick<Panel, 'grid'>): number => firstOf(panel.grid).length;

/** Where the parabola leaves its first step by more than 18° there is a kink, not a bend. */
const KINK_COS = 0.95;

/** Direction along a run of points at one of them; three-point differences, so that ends are as true as the middle. */
function direction(at: (i: number) => Vec3, i: number, last: number): Vec3 {
  if (last < 2) return sub3(at(last), at(0));
  if (i > 0 && i < last) return sub3(at(i + 1), at(i - 1));
  const [p, q, r] = i === 0 ? [at(0), at(1), at(2)] : [at(last), at(last - 1), at(last - 2)];
  // Points need not be evenly spaced: the parabola through the three is over the way between them.
  const [h, k] = [dist3(p, q), dist3(q, r)];
  const curve = sub3(scale3(sub3(q, p), (h + k) ** 2), scale3(sub3(r, p), h * h));
  // Through a kink there is no parabola worth following: the first step is the direction there.
  const out = dot3(unit3(curve), unit3(sub3(q, p))) > KINK_COS ? curve : sub3(q, p);
  return i === 0 ? out : scale3(out, -1);
}

const normals = new WeakMap<readonly Vec3[][], Vec3[][]>();

/** Outward unit normal at every grid point; grids are never changed, so those of one are worked out once. */
export function gridNormals(grid: readonly Vec3[][]): Vec3[][] {
  const found = normals.get(grid) ?? normalsOf(grid);
  normals.set(grid, found);
  return found;
}

function normalsOf(grid: readonly Vec3[][]): Vec3[][] {
  const plane = planeNormal(grid);
  if (plane) return grid.map((row) => row.map(() => plane));
  return grid.map((row, r) =>
    row.map((_, c) => {
      const du = direction((i) => row[i]!, c, row.length - 1);
      const dv = direction((i) => grid[i]![c]!, r, grid.length - 1);
      const across = cross3(du, dv);
      const sizes = length3(du) * length3(dv);
      return sizes > 0 && length3(across) < FLAT_SINE * sizes ? aroundNormal(grid, r, c) : unit3(across);
    }),
  );
}

/** Where a row and a column of a grid run on into one another, as on a round rim, their directions tell of no plane. */
const FLAT_SINE = 0.3;

/** The normal at a grid point by the area of the cells about it. */
function aroundNormal(grid: readonly Vec3[][], r: number, c: number): Vec3 {
  const p = grid[r]![c]!;
  let sum = { x: 0, y: 0, z: 0 };
  for (const [up, across] of [
    [1, 1],
    [1, -1],
    [-1, -1],
    [-1, 1],
  ] as const) {
    const [a, b, d] = [grid[r]![c + across], grid[r + up]?.[c + across], grid[r + up]?.[c]];
    if (!a || !b || !d) continue;
    // Counter-clockwise about the point, whichever cell it is.
    const turn = up * across;
    const area = cross3(sub3(b, p), sub3(d, a));
    sum = add3(sum, scale3(area, turn));
  }
  return unit3(sum);
}

/** Points this far from one plane lie in it, as a share of how far the grid reaches. */
const PLANE = 1e-9;

/** The one normal of a plane grid, none of any other, by the area round its rim (Newell), so that how its corners lie counts for nothing. */
export function planeNormal(grid: readonly Vec3[][]): Vec3 | undefined {
  const [rows, columns] = [grid.length - 1, firstOf(grid).length - 1];
  const origin = firstOf(firstOf(grid));
  let reach = 0;
  let sum = { x: 0, y: 0, z: 0 };
  const add = (p: Vec3, q: Vec3): void => {
    const [a, b] = [sub3(p, origin), sub3(q, origin)];
    reach = Math.max(reach, length3(b));
    sum = add3(sum, cross3(a, b));
  };
  for (let c = 0; c < columns; c++) add(firstOf(grid)[c]!, firstOf(grid)[c + 1]!);
  for (let r = 0; r < rows; r++) add(grid[r]![columns]!, grid[r + 1]![columns]!);
  for (let c = columns; c > 0; c--) add(grid[rows]![c]!, grid[rows]![c - 1]!);
  for (let r = rows; r > 0; r--) add(grid[r]![0]!, grid[r - 1]![0]!);
  if (length3(sum) < 1e-6 * reach * reach) return undefined;
  const n = unit3(sum);
  const near = PLANE * reach + 1e-9;
  const inPlane = grid.every((row) => row.every((p) => Math.abs(dot3(sub3(p, origin), n)) < near));
  // Rows that have run together have no normal of their own.
  const together = (p: Vec3, q: Vec3 | undefined): boolean => q !== undefined && dist3(p, q) < near;
  const drawn = grid.every((row, r) =>
    row.every((p, c) => !together(p, row[c + 1]) && !together(p, grid[r + 1]?.[c])),
  );
  return inPlane && drawn ? n : undefined;
}

/** The grid moved out along its normals. */
export function offsetGrid(grid: readonly Vec3[][], outMm: number): Vec3[][] {
  const normals = gridNormals(grid);
  return grid.map((row, r) => row.map((p, c) => add3(p, scale3(normals[r]![c]!, outMm))));
}

/** Triangles of a grid, diagonals alternating so that neither hand is favoured. Vertex (r, c) is r·columns + c. */
export function gridMesh(grid: readonly Vec3[][]): Mesh {
  const columns = firstOf(grid).length;
  const triangles: [number, number, number][] = [];
  for (let r = 0; r < grid.length - 1; r++) {
    for (let c = 0; c < columns - 1; c++) {
      const [a, b, d, e] = [
        r * columns + c,
        r * columns + c + 1,
        (r + 1) * columns + c,
        (r + 1) * columns + c + 1,
      ];
      if ((r + c) % 2 === 0) triangles.push([a, b, e], [a, e, d]);
      else triangles.push([a, b, d], [b, e, d]);
    }
  }
  return { points: grid.flat(), triangles };
}

/** Vertex numbers along a side, in counter-clockwise order. */
export function sideVertices(panel: Pick<Panel, 'grid'>, side: Side): number[] {
  const rows = rowsOf(panel);
  const columns = columnsOf(panel);
  const run = (n: number, at: (i: number) => number): number[] => Array.from({ length: n }, (_, i) => at(i));
  switch (side) {
    case 'bottom':
      return run(columns, (c) => c);
    case 'right':
      return run(rows, (r) => r * columns + columns - 1);
    case 'top':
      return run(columns, (c) => (rows - 1) * columns + columns - 1 - c);
    case 'left':
      return run(rows, (r) => (rows - 1 - r) * columns);
  }
}

/** Vertex numbers all round, counter-clockwise from the lower left corner, each once. */
export const rimVertices = (panel: Pick<Panel, 'grid'>): number[] =>
  sides.flatMap((side) => sideVertices(panel, side).slice(0, -1));

function rimRun(panel: Pick<Panel, 'grid'>, { from, to }: RimEdge): number[] {
  const all = rimVertices(panel);
  const steps = ((to - from + all.length - 1) % all.length) + 1;
  return Array.from({ length: steps + 1 }, (_, i) => all[(from + i) % all.length]!);
}

/** The edges of a panel's piece in order, with the vertices along each, both ends among them. */
export const edgesOf = (
  panel: Pick<Panel, 'grid' | 'edges' | 'rim'>,
): { id: string; name: string; run: number[] }[] =>
  panel.rim
    ? panel.rim.map((edge) => ({ id: edge.id, name: edge.name, run: rimRun(panel, edge) }))
    : sides.map((side) => ({ id: side, name: panel.edges[side], run: sideVertices(panel, side) }));

/** A side of a grid, or a part of it from one share to another, counter-clockwise. */
export interface Stretch {
  side: Side;
  from: number;
  to: number;
}

/** Where along the sides of its grid an edge of a panel runs; nothing when it has no such edge. */
export function stretchAlong(panel: Pick<Panel, 'grid' | 'rim'>, id: string): Stretch | undefined {
  if (!panel.rim) return sides.includes(id as Side) ? { side: id as Side, from: 0, to: 1 } : undefined;
  const edge = byId(panel.rim, id);
  if (!edge) return undefined;
  let start = 0;
  for (const side of sides) {
    const steps = (side === 'bottom' || side === 'top' ? columnsOf(panel) : rowsOf(panel)) - 1;
    if (edge.from < start + steps)
      return {
        side,
        from: (edge.from - start) / steps,
        to: edge.to > edge.from ? (edge.to - start) / steps : 1,
      };
    start += steps;
  }
  return undefined;
}

/** Vertex numbers along one edge; none when it has no such edge. */
export function edgeVertices(panel: Pick<Panel, 'grid' | 'rim'>, id: string): number[] {
  // Flat pieces cut by an outline of their own have edges that are no sides of their grid.
  if (!panel.rim) return sides.includes(id as Side) ? sideVertices(panel, id as Side) : [];
  const edge = byId(panel.rim, id);
  return edge ? rimRun(panel, edge) : [];
}

/** Foam bridges bends shorter than this, so curvature is read over at least so much; mm. */
const BRIDGED_MM = 16;

/** Radius of the circle through three points: the product of the sides over four times the area; infinite in line. */
function circleRadius(a: Vec3, b: Vec3, c: Vec3): number {
  const [ux, uy, uz] = [b.x - a.x, b.y - a.y, b.z - a.z];
  const [vx, vy, vz] = [c.x - a.x, c.y - a.y, c.z - a.z];
  const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
  const area = Math.sqrt(nx * nx + ny * ny + nz * nz) / 2;
  return area < 1e-9 ? Infinity : (dist3(a, b) * dist3(b, c) * dist3(c, a)) / (4 * area);
}

/** Radii along a run of points, each read over neighbours at least half the bridged length away. */
function runRadii(run: readonly Vec3[], into: number[]): void {
  const last = run.length - 1;
  for (let i = 1; i < last; i++) {
    const p = run[i]!;
    let k = 1;
    while (i - k >= 0 && i + k <= last && dist3(run[i - k]!, p) < BRIDGED_MM / 2) k += 1;
    if (i - k >= 0 && i + k <= last) into.push(circleRadius(run[i - k]!, p, run[i + k]!));
  }
}

/** Smallest inside radius of curvature along rows and columns, leaving out the sharpest twentieth. */
export function tightestGridRadiusMm(grid: readonly Vec3[][]): number {
  const radii: number[] = [];
  for (const row of grid) runRadii(row, radii);
  for (let c = 0; c < firstOf(grid).length; c++)
    runRadii(
      grid.map((row) => row[c]!),
      radii,
    );
  radii.sort((a, b) => a - b);
  return Math.min(1e6, radii[Math.floor(radii.length * 0.05)] ?? 1e6);
}

/** Splits a panel down its middle column; the halves share that line. */
export function splitPanel(panel: Panel): [Panel, Panel] {
  const middle = Math.floor(columnsOf(panel) / 2);
  const half = (
    id: string,
    name: string,
    from: number,
    to: number | undefined,
    edges: Partial<Record<Side, string>>,
  ): Panel => ({
    ...panel,
    id: `${panel.id}${id}`,
    name: `${panel.name} ${name}`,
    grid: panel.grid.map((row) => row.slice(from, to)),
    ...(panel.ruled && {
      ruled: { ...panel.ruled, at: panel.ruled.at.map((row) => row.slice(from, to)) },
    }),
    edges: { ...panel.edges, ...edges },
  });
  return [
    half('a', 'A', 0, middle + 1, { right: 'split' }),
    half('b', 'B', middle, undefined, { left: 'split' }),
  ];
}

/** The panel moved along its normals to another layer; its holes and sides go with it. */
export function layerOf(panel: Panel, outMm: number): Pick<Panel, 'grid' | 'ruled'> {
  return {
    grid: offsetGrid(panel.grid, outMm),
    ...(panel.ruled && { ruled: { ...panel.ruled, outMm: panel.ruled.outMm + outMm } }),
  };
}
