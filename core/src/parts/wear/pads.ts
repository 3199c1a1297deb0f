import { firstOf, lastOf, itemAt } from '../../units';
import type { Piece, Surface } from '../../panel';
import { dist2, dist3, type Vec2, type Vec3 } from '../../geometry';
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

/** A spot of a piece that must stay free, and how far round it. */
export interface Kept {
  pieceId: string;
  at: Vec2;
  reachMm: number;
}

/** What must stay open: holes for ears and air, and the run of a slot. */
const openingsOf = (piece: Piece): Kept[] =>
  [
    ...piece.holes.map((h) => h.centre),
    ...piece.marks.filter((m) => m.kind === 'slot').flatMap((m) => m.points),
  ].map((at) => ({ pieceId: piece.id, at, reachMm: 0 }));

/** Where pads carry: the nearest spots of a part, well apart, clear of its edges, of every opening and of what is inside. None when it lies close all over. */
export function padsFor(
  surfaces: readonly Surface[],
  standOff: readonly StandOff[],
  pieces: readonly Piece[],
  inside: readonly Kept[] = [],
): Pad[] {
  const kept = [...pieces.flatMap(openingsOf), ...inside];
  const spots = surfaces
    .flatMap(({ pieceId, grid, flat }, i) => {
      const open = kept.filter((k) => k.pieceId === pieceId);
      const rim = [...firstOf(grid), ...lastOf(grid), ...grid.flatMap((row) => [firstOf(row), lastOf(row)])];
      return grid
        .flatMap((row, r) =>
          row.map((at, c) => ({
            pieceId,
            at,
            flat: itemAt(itemAt(flat, r), c),
            gap: itemAt(itemAt(itemAt(standOff, i).gapMm, r), c),
          })),
        )
        .filter(({ gap }) => gap >= RANGE_MM[0] && gap <= RANGE_MM[1])
        .filter(({ flat: spot }) => open.every((o) => dist2(o.at, spot) >= SIZE_MM + o.reachMm))
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
