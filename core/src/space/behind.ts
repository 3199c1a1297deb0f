import { scale3, type Vec2 } from '../geometry';
import { gridNormals, type LaidPanel, onGrid } from '../panel';
import type { Walls } from './walls';

/** A spot on the rim is looked at so far in, as a share: at the rim itself the neighbours begin. */
const INSET = 0.01;

const inset = (share: number): number => Math.min(1 - INSET, Math.max(INSET, share));

/**
 * Room behind a panel at a spot, given as shares of its width and height, mm: how far it is, square to its inner face, to
 * the opposite wall, a stick, or whatever else of the part is met first; nothing where it is open.
 */
export function roomBehind({ panel }: LaidPanel, walls: Walls): (spot: Vec2) => number | undefined {
  const normals = gridNormals(panel.grid);
  return ({ x, y }) => {
    const at = { x: inset(x), y: inset(y) };
    return walls.reach(onGrid(panel.grid, at), scale3(onGrid(normals, at), -1));
  };
}
