import type { Piece } from '../panel';
import type { Vec2 } from '../geometry';

/** A round hole or an opening of another outline, cut right through a piece. */
export type CutThrough = { centre: Vec2; diameterMm: number } | { outline: Vec2[] };

/** Everything that is cut out inside a piece: round holes, slots, openings and holes for what stands through it. */
export const cutThrough = ({ holes, marks }: Pick<Piece, 'holes' | 'marks'>): CutThrough[] => [
  ...holes.map(({ centre, diameterMm }) => ({ centre, diameterMm })),
  ...marks.filter((m) => m.kind === 'slot').map((m) => ({ outline: m.points })),
];
