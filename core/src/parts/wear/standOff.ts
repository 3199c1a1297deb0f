import type { Clearance } from '../../body';
import { contourLines, gridMesh, type Surface } from '../../panel';
import { lerp2, lerp3, type Vec2, type Vec3 } from '../../geometry';

/** Gap between the clothed body and the inner face of a piece at every point of its grid; negative presses. */
export interface StandOff {
  pieceId: string;
  gapMm: number[][];
  /** Lines of equal gap on the flat piece and on the form. */
  contours: { mm: number; flat: Vec2[][]; onForm: Vec3[][] }[];
}

/** Gaps that are drawn: touching, a pad's depth, two fingers, and beyond. */
const LEVELS = [0, 5, 10, 20, 40, 80];

export function standOffOf(
  { pieceId, grid, flat }: Surface,
  clearance: Clearance,
  underLayerMm: number,
): StandOff {
  const gapMm = grid.map((row) => row.map((p) => clearance(p) - underLayerMm));
  const mesh = gridMesh(grid);
  const values = gapMm.flat();
  const [low, high] = [Math.min(...values), Math.max(...values)];
  // Where most of a shell keeps one gap, a line at that gap would only trace its noise.
  const flatAt = (mm: number): boolean =>
    values.filter((v) => Math.abs(v - mm) < 0.8).length > values.length * 0.2;
  const contours = LEVELS.filter((mm) => mm > low && mm < high && !flatAt(mm)).map((mm) => ({
    mm,
    flat: contourLines(mesh.triangles, flat.flat(), values, mm, lerp2),
    onForm: contourLines(mesh.triangles, mesh.points, values, mm, lerp3),
  }));
  return { pieceId, gapMm, contours };
}
