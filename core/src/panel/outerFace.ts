import { firstOf } from '../units';
import { add3, cross3, dist3, dot3, length3, scale3, sub3, unit3, type Vec3 } from '../geometry';
import { type EdgeTurns, reachMm } from './edgeTurns';
import { edgesOf, gridNormals, offsetGrid, type Panel, rimVertices } from './panel';

const NEAR_MM = 1e-6;
/** Edges nearly in line have no crossing worth following; sine of the angle between them. */
const IN_LINE = 0.05;

/**
 * The outer face of a panel in its foam, rows and columns as on its inner one. At edges that are bevelled or folded it
 * reaches as much further, or stands as much further back, as the cut is wide, so that mates meet in their mitre.
 */
export const outerFace = (panel: Panel, thicknessMm: number, turns?: EdgeTurns): Vec3[][] =>
  layerWithin(panel, thicknessMm, (edge) => reachMm(turns?.get(edge), thicknessMm));

/** A layer of a panel so far out from its inner face, its edges moved outwards within it. */
export function layerWithin(panel: Panel, outMm: number, reachOf: (edge: string) => number): Vec3[][] {
  const layer = offsetGrid(panel.grid, outMm);
  const shifts = rimShifts(panel, reachOf);
  return shifts ? spread(layer, shifts) : layer;
}

/** How far each point of the rim moves in its own tangent plane, by vertex; nothing when every edge is square. */
function rimShifts(panel: Panel, reachOf: (edge: string) => number): Map<number, Vec3> | undefined {
  const reach = new Map<number, number>();
  for (const { id, run } of edgesOf(panel)) {
    const mm = reachOf(id);
    if (mm !== 0) for (const v of run.slice(0, -1)) reach.set(v, mm);
  }
  if (reach.size === 0) return undefined;
  const points = panel.grid.flat();
  const normals = gridNormals(panel.grid).flat();
  const rim = rimVertices(panel);
  const n = rim.length;
  /** The first step from a place on the rim that is more than nothing, forwards or backwards: it begins at its vertex. */
  const step = (k: number, way: 1 | -1): number | undefined => {
    for (let i = 0; i < n; i++) {
      const at = (k + way * i + (way === -1 ? -1 : 0) + 2 * n) % n;
      if (dist3(points[rim[at]!]!, points[rim[(at + 1) % n]!]!) > NEAR_MM) return at;
    }
    return undefined;
  };
  const shifts = new Map<number, Vec3>();
  rim.forEach((vertex, k) => {
    const [before, after] = [step(k, -1), step(k, 1)];
    const normal = normals[vertex]!;
    if (before === undefined || after === undefined || length3(normal) < 0.5) return;
    const outward = (at: number): Vec3 =>
      unit3(cross3(sub3(points[rim[(at + 1) % n]!]!, points[rim[at]!]!), normal));
    const [a, b] = [outward(before), outward(after)];
    const [far, near] = [reach.get(rim[before]!) ?? 0, reach.get(rim[after]!) ?? 0];
    if (far === 0 && near === 0) return;
    const g = dot3(a, b);
    shifts.set(
      vertex,
      1 - g * g < IN_LINE ** 2
        ? scale3(a, (far + near) / 2)
        : add3(scale3(a, (far - g * near) / (1 - g * g)), scale3(b, (near - g * far) / (1 - g * g))),
    );
  });
  return shifts;
}

/** Moves of the rim spread over the face between them: a Coons patch of the four sides (bilinearly blended). */
function spread(grid: readonly Vec3[][], shifts: ReadonlyMap<number, Vec3>): Vec3[][] {
  const [rows, columns] = [grid.length - 1, firstOf(grid).length - 1];
  const none = { x: 0, y: 0, z: 0 };
  const at = (r: number, c: number): Vec3 => shifts.get(r * (columns + 1) + c) ?? none;
  const sum = (...all: [Vec3, number][]): Vec3 =>
    all.reduce((total, [v, by]) => add3(total, scale3(v, by)), none);
  return grid.map((row, r) =>
    row.map((p, c) => {
      const [u, v] = [c / columns, r / rows];
      const sides = sum([at(0, c), 1 - v], [at(rows, c), v], [at(r, 0), 1 - u], [at(r, columns), u]);
      const corners = sum(
        [at(0, 0), (1 - u) * (1 - v)],
        [at(0, columns), u * (1 - v)],
        [at(rows, 0), (1 - u) * v],
        [at(rows, columns), u * v],
      );
      return add3(p, sub3(sides, corners));
    }),
  );
}
