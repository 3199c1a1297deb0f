import type { Surface } from '../forms/contract';
import { dist3, type Vec2, type Vec3 } from '../geometry/vec';
import type { StandOff } from './standOff';

/** A pad glued inside where the shell comes nearest, so that it rests there and nowhere else. */
export interface Pad {
  pieceId: string;
  at: Vec3;
  flat: Vec2;
  /** As thick as the gap there. */
  thicknessMm: number;
}

/** Below this nothing fits; above it the shell does not rest there. */
const RANGE_MM: [number, number] = [3, 30];
const APART_MM = 110;
/** Pads keep off the edges by half their diagonal. */
const SIZE_MM = 40;

export const padSizeMm = SIZE_MM;

const MOST = 8;

/** Where pads carry: the nearest spots of a part, well apart, clear of its edges. None when it lies close all over. */
export function padsFor(surfaces: readonly Surface[], standOff: readonly StandOff[]): Pad[] {
  const spots = surfaces
    .flatMap(({ pieceId, grid, flat }, i) => {
      const rim = [...grid[0]!, ...grid.at(-1)!, ...grid.flatMap((row) => [row[0]!, row.at(-1)!])];
      return grid
        .flatMap((row, r) =>
          row.map((at, c) => ({ pieceId, at, flat: flat[r]![c]!, gap: standOff[i]!.gapMm[r]![c]! })),
        )
        .filter(({ gap }) => gap >= RANGE_MM[0] && gap <= RANGE_MM[1])
        .filter(({ at }) => rim.every((p) => dist3(p, at) >= SIZE_MM * Math.SQRT1_2));
    })
    .sort((a, b) => a.gap - b.gap);
  const chosen: Pad[] = [];
  for (const { gap, ...spot } of spots) {
    if (chosen.length === MOST) break;
    if (chosen.some((p) => dist3(p.at, spot.at) < APART_MM)) continue;
    chosen.push({ ...spot, thicknessMm: Math.round(gap) });
  }
  return chosen;
}
