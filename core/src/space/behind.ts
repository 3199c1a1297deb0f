import { scale3 } from '../geometry';
import { gridNormals, type LaidPanel, onGrid } from '../panel';
import type { Walls } from './walls';

/** Spots along either side of a panel at which the room behind it is measured. */
const SPOTS = 9;
/** So near to its rim the outermost of them lie, as shares: at the rim itself its neighbours begin. */
const INSET = 0.01;

/**
 * Room behind a panel at spots spread evenly over it, mm: how far it is, square to its inner face, to the opposite wall, a
 * stick, or whatever else of the part is met first. `openMm` where nothing is.
 */
export function roomBehind({ panel }: LaidPanel, walls: Walls, openMm: number): number[][] {
  const normals = gridNormals(panel.grid);
  const shares = Array.from({ length: SPOTS }, (_, i) => INSET + ((1 - 2 * INSET) * i) / (SPOTS - 1));
  return shares.map((y) =>
    shares.map(
      (x) => walls.reach(onGrid(panel.grid, { x, y }), scale3(onGrid(normals, { x, y }), -1)) ?? openMm,
    ),
  );
}
