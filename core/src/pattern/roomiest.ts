import polylabel from 'polylabel';
import type { Piece } from '../panel';
import type { Vec2 } from '../geometry';

const circle = (centre: Vec2, radius: number): Vec2[] =>
  Array.from({ length: 12 }, (_, i) => ({
    x: centre.x + radius * Math.cos((i * Math.PI) / 6),
    y: centre.y + radius * Math.sin((i * Math.PI) / 6),
  }));

/** Where there is most room on a piece clear of its holes and of what is drawn on it, and how much. */
export function roomiest(piece: Pick<Piece, 'outline' | 'holes' | 'marks'>): { at: Vec2; clearMm: number } {
  const ring = (points: readonly Vec2[]): [number, number][] => points.map((p) => [p.x, p.y]);
  const taken = [
    ...piece.holes.map((h) => circle(h.centre, h.diameterMm / 2 + 4)),
    // A bevel line runs round the whole piece and takes no room.
    ...piece.marks.flatMap((m) => (m.points.length >= 3 && m.kind !== 'bevel' ? [m.points] : [])),
  ];
  const found = polylabel([ring(piece.outline), ...taken.map(ring)], 1);
  return { at: { x: found[0], y: found[1] }, clearMm: found.distance };
}
