import { firstOf } from '../units';
import { add3, contains, dot3, type Mesh, scale3, sub3, type Vec2, type Vec3 } from '../geometry';
import { type Stick, stickMesh, gridNormals, type LaidPanel, onGrid, plateMesh, shut } from '../panel';

/** Triangles, three corners each. */
export type Triangle = [Vec3, Vec3, Vec3];

export const meshFaces = ({ points, triangles }: Mesh): Triangle[] =>
  triangles.map(([a, b, c]): Triangle => [points[a]!, points[b]!, points[c]!]);

/** Beside an opening a grid is looked at in cells no larger than this, mm. */
const FINE_MM = 2;

/** How often a grid is parted either way so that its cells are fine. */
function partsOf(grid: readonly Vec3[][]): [rows: number, columns: number] {
  const far = (a: Vec3, b: Vec3): number => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);
  const rows = Math.max(...grid.slice(1).map((row, r) => far(firstOf(row), grid[r]![0]!)));
  const columns = Math.max(
    ...firstOf(grid)
      .slice(1)
      .map((p, c) => far(p, firstOf(grid)[c]!)),
  );
  const parts = (mm: number): number => Math.min(24, Math.max(1, Math.ceil(mm / FINE_MM)));
  return [parts(rows), parts(columns)];
}

/** Two triangles for every cell of a grid, without those that lie in an opening, given as shares of width and height. */
function cellFaces(grid: readonly Vec3[][], openings: readonly (readonly Vec2[])[]): Triangle[] {
  const [rows, columns] = [grid.length - 1, firstOf(grid).length - 1];
  const [fineRows, fineColumns] = openings.length > 0 ? partsOf(grid) : [1, 1];
  const [high, wide] = [rows * fineRows, columns * fineColumns];
  const points = Array.from({ length: high + 1 }, (_, r) =>
    Array.from({ length: wide + 1 }, (_, c) => onGrid(grid, { x: c / wide, y: r / high })),
  );
  return points.slice(1).flatMap((row, r) =>
    row.slice(1).flatMap((q, c): Triangle[] => {
      const middle = { x: (c + 0.5) / wide, y: (r + 0.5) / high };
      if (openings.some((o) => contains(o, middle))) return [];
      const [a, b, d] = [points[r]![c]!, points[r]![c + 1]!, points[r + 1]![c]!];
      return [
        [a, b, q],
        [a, q, d],
      ];
    }),
  );
}

/** Both faces of a grid of foam: the inner one it is given by, and the outer one a thickness further out. */
function gridFaces({ panel, foam }: LaidPanel, cut: readonly (readonly Vec2[])[]): Triangle[] {
  const normals = gridNormals(panel.grid);
  const outer = panel.grid.map((row, r) =>
    row.map((p, c) => add3(p, scale3(normals[r]![c]!, foam.thicknessMm.value))),
  );
  const openings = [...(panel.openings ?? []).map((o) => o.outline), ...cut];
  return [panel.grid, outer].flatMap((grid) => cellFaces(grid, openings));
}

/** A ring given as shares of a plate's width and height, in the plane of the plate. */
function onPlate({ panel }: LaidPanel, ring: readonly Vec2[]): Vec2[] {
  const plate = panel.plate!;
  return ring.map((uv) => {
    const d = sub3(onGrid(panel.grid, uv), plate.origin);
    return { x: dot3(d, plate.across), y: dot3(d, plate.up) };
  });
}

/**
 * The faces of a piece where it lies on the form.
 * @param cut what is cut through it besides its own openings, as shares of its width and height; @param lids whether lids
 * that are cut out of a plate are in their places.
 */
export function panelFaces(laid: LaidPanel, cut: readonly (readonly Vec2[])[] = [], lids = true): Triangle[] {
  const { plate: whole } = laid.panel;
  if (!whole) return gridFaces(laid, cut);
  const plate = lids ? shut(whole) : whole;
  const cuts = cut.map((ring, i) => ({ id: `cut-${i}`, name: 'cut', outline: onPlate(laid, ring) }));
  return meshFaces(
    plateMesh(
      cuts.length === 0 ? plate : { ...plate, cuts: [...plate.cuts, ...cuts] },
      laid.foam.thicknessMm.value,
    ),
  );
}

/** Sides of what is round about a stick: 0.1 % of its radius off. */
const AROUND = 64;

/** The faces of a stick, the bore of a pipe among them. */
export const stickFaces = (stick: Stick): Triangle[] => meshFaces(stickMesh(stick, AROUND));
