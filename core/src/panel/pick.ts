import { firstOf } from '../units';
import { dist3, dot3, sub3, type Vec2, type Vec3 } from '../geometry';
import type { Surface } from './solid';
import { onGrid } from './patch';

/** Where on a part a point is: its piece, and fractions of that piece's width and height. */
export interface Picked {
  pieceId: string;
  at: Vec2;
  distanceMm: number;
}

const clamp = (t: number): number => Math.min(1, Math.max(0, t));

/** The spot of any surface nearest to a point: the nearest grid point, then along the grid's own directions. */
export function nearestOn(surfaces: readonly Surface[], p: Vec3): Picked | undefined {
  let best: (Picked & { surface: Surface }) | undefined;
  for (const surface of surfaces) {
    const { grid, pieceId } = surface;
    grid.forEach((row, r) =>
      row.forEach((q, c) => {
        const distanceMm = dist3(p, q);
        if (best && distanceMm >= best.distanceMm) return;
        best = { surface, pieceId, distanceMm, at: { x: c / (row.length - 1), y: r / (grid.length - 1) } };
      }),
    );
  }
  if (!best) return undefined;
  const { grid } = best.surface;
  let { at } = best;
  for (let i = 0; i < 3; i++) {
    const step = { x: 0.5 / (firstOf(grid).length - 1), y: 0.5 / (grid.length - 1) };
    const along = (key: 'x' | 'y'): number => {
      const [low, high] = [clamp(at[key] - step[key]), clamp(at[key] + step[key])];
      const [a, b] = [onGrid(grid, { ...at, [key]: low }), onGrid(grid, { ...at, [key]: high })];
      const d = sub3(b, a);
      const size = dot3(d, d);
      return size < 1e-9
        ? at[key]
        : clamp(at[key] + ((high - low) * dot3(sub3(p, onGrid(grid, at)), d)) / size);
    };
    at = { x: along('x'), y: at.y };
    at = { x: at.x, y: along('y') };
  }
  return { pieceId: best.pieceId, at, distanceMm: dist3(p, onGrid(grid, at)) };
}

/** Where a spot of a surface is in space, by shares of its width and height. */
export const onSurface = ({ grid }: Pick<Surface, 'grid'>, at: Vec2): Vec3 => onGrid(grid, at);

const raised = (flat: readonly Vec2[][]): Vec3[][] =>
  flat.map((row) => row.map(({ x, y }) => ({ x, y, z: 0 })));

/** The same spot on its piece laid flat. */
export function onFlat({ flat }: Pick<Surface, 'flat'>, at: Vec2): Vec2 {
  const { x, y } = onGrid(raised(flat), at);
  return { x, y };
}

/** The spot of a surface that a point of its flat piece is nearest to, as shares of its width and height. */
export const spotOfFlat = (surface: Surface, { x, y }: Vec2): Vec2 =>
  nearestOn([{ ...surface, grid: raised(surface.flat) }], { x, y, z: 0 })!.at;
