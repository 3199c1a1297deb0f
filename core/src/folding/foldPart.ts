import { Matrix4, Quaternion, Vector3 } from 'three';
import {
  boundsOf,
  boxesInRows,
  cross3,
  dist3,
  dot3,
  length3,
  scale3,
  sub3,
  unit3,
  type Vec2,
  type Vec3,
} from '../geometry';
import type { Surface } from '../panel';
import type { PartReport } from '../parts';
import { toScene } from '../view';
import { gluingOrder } from './gluingOrder';
import { foldedGrids } from './foldGrid';
import { turnOf } from './turns';

/**
 * Something on its way to its place: a piece at every tenth from the table, a detail or what carries the part from away, a
 * wire as it lies. Triangles, and where their corners are, three by three.
 */
export interface FoldedPiece {
  id: string;
  kind: 'piece' | 'detail' | 'carrier' | 'wire';
  /** The first of its triangles on the solid; below nought for what is no piece. */
  from: number;
  triangles: Uint32Array;
  keys: Float32Array[];
}

/** So many steps of the way are worked out; what lies between is drawn straight. */
const STEPS = 10;
/** Pieces lie this far behind the solid, mm. */
const BEHIND_MM = 60;
/** About as wide as it is high, what lies on the table. */
const SHAPE = 1.3;

interface Frame {
  x: Vec3;
  y: Vec3;
  z: Vec3;
}

/** The frame of a surface at one of its points: across, up and out; of the nearest point that has one. */
function frameAt(points: readonly Vec3[], columns: number, i: number): Frame {
  const rows = points.length / columns;
  const [r, c] = [Math.floor(i / columns), i % columns];
  const at = (row: number, column: number): Vec3 =>
    points[Math.min(rows - 1, Math.max(0, row)) * columns + Math.min(columns - 1, Math.max(0, column))]!;
  for (let aside = 0; aside < rows; aside++)
    for (const row of [r + aside, r - aside]) {
      if (row < 0 || row >= rows) continue;
      const across = sub3(at(row, c + 1), at(row, c - 1));
      const up = sub3(at(row + 1, c), at(row - 1, c));
      const out = cross3(across, up);
      if (length3(across) < 1e-4 || length3(out) < 1e-4) continue;
      const [x, z] = [unit3(across), unit3(out)];
      return { x, y: cross3(z, x), z };
    }
  return { x: { x: 1, y: 0, z: 0 }, y: { x: 0, y: 1, z: 0 }, z: { x: 0, y: 0, z: 1 } };
}

const vector = ({ x, y, z }: Vec3): Vector3 => new Vector3(x, y, z);

/** How flat paper lies in the scene where a piece begins: from its own axes to those of the scene. */
function turnOfFlat(
  flat: readonly (readonly Vec2[])[],
  begun: readonly Vec3[],
  place: (p: Vec3) => Vec3,
): Quaternion {
  const columns = flat[0]!.length;
  const last = (flat.length - 1) * columns;
  const corners = [0, columns - 1, last + columns - 1] as const;
  const plan = flat.flat();
  const found = turnOf(
    [plan[corners[0]]!, plan[corners[1]]!, plan[corners[2]]!],
    [place(begun[corners[0]]!), place(begun[corners[1]]!), place(begun[corners[2]]!)],
  );
  return found?.turn ?? new Quaternion().setFromRotationMatrix(new Matrix4());
}

/** The corners of a run of triangles, each once, and the triangles by their numbers there. */
function cornersOf(
  mesh: PartReport['solid']['mesh'],
  from: number,
  to: number,
): { points: Vec3[]; triangles: Uint32Array } {
  const numbers = new Map<number, number>();
  const points: Vec3[] = [];
  const triangles = new Uint32Array((to - from) * 3);
  for (let t = from; t < to; t++)
    mesh.triangles[t]!.forEach((i, k) => {
      const known = numbers.get(i) ?? points.push(mesh.points[i]!) - 1;
      numbers.set(i, known);
      triangles[(t - from) * 3 + k] = known;
    });
  return { points, triangles };
}

/** Where every corner hangs on its surface: the nearest point of the grid, and what is left in the frame there. */
function hung(points: readonly Vec3[], grid: readonly Vec3[], columns: number): { on: number; left: Vec3 }[] {
  return points.map((p) => {
    let [on, least] = [0, Infinity];
    grid.forEach((q, i) => {
      const d = dist3(p, q);
      if (d < least) [on, least] = [i, d];
    });
    const { x, y, z } = frameAt(grid, columns, on);
    const d = sub3(p, grid[on]!);
    return { on, left: { x: dot3(d, x), y: dot3(d, y), z: dot3(d, z) } };
  });
}

/**
 * A part from flat pieces on the table, beside one another as the eye sees them, to the solid: every piece at every tenth
 * of its way, in the scene and in the order of gluing. Pieces bend as `foldedGrids` says and are carried whole meanwhile.
 */
export function foldedPart(part: PartReport): FoldedPiece[] {
  const place = toScene(part);
  const all = part.solid.mesh.points.map(place);
  const low = all.reduce((m, p) => Math.min(m, p.z), Infinity) - BEHIND_MM;
  const middle = scale3(
    all.reduce((s, p) => ({ x: s.x + p.x, y: s.y + p.y, z: s.z + p.z }), { x: 0, y: 0, z: 0 }),
    1 / Math.max(1, all.length),
  );
  const order = gluingOrder(part.pieces);
  const turnOfGluing = (id: string): number => (order.includes(id) ? order.indexOf(id) : order.length);
  const found = part.solid.runs
    .flatMap((run) => {
      const surface = part.surfaces.find((s) => s.pieceId === (run.panel ?? run.id));
      return surface && run.to > run.from ? [{ run, surface }] : [];
    })
    .sort((a, b) => turnOfGluing(a.run.id) - turnOfGluing(b.run.id));
  const boxes = found.map(({ surface }) => boundsOf(surface.flat.flat()));
  const laid = boxesInRows(
    boxes.map((b) => ({ w: b.maxX - b.minX, h: b.maxY - b.minY })),
    SHAPE,
  );
  return found.map(({ run, surface }, n) => {
    const box = boxes[n]!;
    const spot = laid.spots[n]!;
    // Where a spot of the flat lies on the table.
    const onTable = ({ x, y }: Vec2): Vector3 =>
      new Vector3(
        middle.x - laid.w / 2 + spot.x + (x - box.minX),
        middle.y + laid.h / 2 - spot.y - (box.maxY - y),
        low,
      );
    return carried(run, surface, part, place, onTable);
  });
}

function carried(
  run: PartReport['solid']['runs'][number],
  surface: Surface,
  part: PartReport,
  place: (p: Vec3) => Vec3,
  onTable: (p: Vec2) => Vector3,
): FoldedPiece {
  const columns = surface.grid[0]!.length;
  const shares = Array.from({ length: STEPS + 1 }, (_, i) => i / STEPS);
  const grids = foldedGrids(surface.grid, surface.flat, shares);
  const { points, triangles } = cornersOf(part.solid.mesh, run.from, run.to);
  const hangs = hung(points, surface.grid.flat(), columns);
  const turned = turnOfFlat(surface.flat, grids[0]!, place).invert();
  // It is carried by its middle.
  const held = Math.floor(surface.grid.flat().length / 2);
  const from = onTable(surface.flat.flat()[held]!);
  const keys = shares.map((share, k) => {
    const grid = grids[k]!;
    const centre = vector(place(grid[held]!));
    const home = vector(place(surface.grid.flat()[held]!));
    const at = from.clone().lerp(home, share);
    const turn = turned.clone().slerp(new Quaternion(), share);
    const out = new Float32Array(points.length * 3);
    hangs.forEach(({ on, left }, i) => {
      const { x, y, z } = frameAt(grid, columns, on);
      const q = grid[on]!;
      const p = vector(
        place({
          x: q.x + x.x * left.x + y.x * left.y + z.x * left.z,
          y: q.y + x.y * left.x + y.y * left.y + z.y * left.z,
          z: q.z + x.z * left.x + y.z * left.y + z.z * left.z,
        }),
      );
      p.sub(centre)
        .applyQuaternion(turn)
        .add(at)
        .toArray(out, i * 3);
    });
    return out;
  });
  return { id: run.id, kind: 'piece', from: run.from, triangles, keys };
}
