import type { Habits } from '../materials';
import type { Piece } from '../panel';

/** Where the patterned face of a piece goes; a sheet with a pattern on both faces has no other. */
export const patternedFace = (
  { texture }: Pick<Piece, 'texture'>,
  { patterned = 'inside' }: Pick<Habits, 'patterned'>,
): 'inside' | 'outside' | 'both' | undefined =>
  texture === undefined ? undefined : texture === 'both' ? 'both' : patterned;

/** Pieces of a sheet with a pattern on one face say where that goes. */
export function withPattern(pieces: readonly Piece[], habits: Pick<Habits, 'patterned'>): Piece[] {
  return pieces.map((piece) => {
    const face = patternedFace(piece, habits);
    if (face === undefined || face === 'both') return piece;
    return { ...piece, note: [piece.note, `Patterned face ${face}.`].filter(Boolean).join(' ') };
  });
}

/** What of one copy must be sanded smooth, mm²: patterned faces that are painted, and where something is glued on them. */
export function patternedMm2(pieces: readonly Piece[], habits: Pick<Habits, 'patterned'>): number {
  const each = (p: Piece): number => p.areaMm2 * (p.each ?? 1);
  const glued = (face: 'inner' | 'outer'): number =>
    pieces
      .filter((p) => (face === 'inner' && p.role === 'lining') || (p.role === 'laid' && p.face === face))
      .reduce((sum, p) => sum + each(p), 0);
  const shells = pieces.filter((p) => p.role === 'shell' && p.texture !== undefined);
  const whole = shells.reduce((sum, p) => sum + each(p), 0);
  if (whole === 0) return 0;
  const outside = shells
    .filter((p) => patternedFace(p, habits) !== 'inside')
    .reduce((sum, p) => sum + each(p), 0);
  const inside = shells.some((p) => patternedFace(p, habits) !== 'outside')
    ? Math.min(whole, glued('inner'))
    : 0;
  return outside + inside;
}
