import { boundsOf, type Vec2 } from '../geometry';
import type { Piece } from '../panel';
import { trimNumber } from '../units';
import { labelShapes } from './label';
import { bevelShapes, holeShapes, markShapes } from './marks';

/** Kinds of line, one layer each in every file; drawn after ISO 128 where it has a word. */
export const layers = [
  'cut',
  'hole',
  'groove',
  'fold',
  'score',
  'glue',
  'dart',
  'pocket',
  'rivet',
  'pad',
  'notch',
  'bevel',
  'text',
] as const;
export type Layer = (typeof layers)[number];

/** Dash pattern in millimetres; none is a continuous line. */
export const lineStyle: Record<Layer, { dashMm: number[]; widthMm: number; meaning: string }> = {
  cut: { dashMm: [], widthMm: 0.7, meaning: 'cut' },
  hole: { dashMm: [], widthMm: 0.35, meaning: 'hole, cross at its centre' },
  groove: { dashMm: [4, 2], widthMm: 0.35, meaning: 'groove, on the back' },
  fold: { dashMm: [8, 1.5, 1.5, 1.5], widthMm: 0.25, meaning: 'fold or centre' },
  score: { dashMm: [2, 1], widthMm: 0.25, meaning: 'score' },
  glue: { dashMm: [0.5, 1.5], widthMm: 0.35, meaning: 'glue face' },
  dart: { dashMm: [], widthMm: 0.35, meaning: 'dart, cut and close' },
  pocket: { dashMm: [4, 2], widthMm: 0.35, meaning: 'pocket, on the back' },
  rivet: { dashMm: [], widthMm: 0.25, meaning: 'rivet, glued on' },
  pad: { dashMm: [0.5, 1.5], widthMm: 0.25, meaning: 'pad, inside' },
  notch: { dashMm: [], widthMm: 0.5, meaning: 'notch, meets its letter' },
  bevel: { dashMm: [], widthMm: 0.35, meaning: 'bevel, wedge lost from the face named' },
  text: { dashMm: [], widthMm: 0, meaning: 'words' },
};

export type Shape =
  | { kind: 'line'; layer: Layer; points: Vec2[]; closed: boolean }
  | { kind: 'circle'; layer: Layer; centre: Vec2; radiusMm: number }
  | { kind: 'text'; layer: Layer; at: Vec2; heightMm: number; text: string; turnRad?: number };

/** Where a piece comes from, for what is written on it. */
export interface Source {
  partName: string;
  foamName: string;
}

/** Which copies are for the wearer's left and right: L and R on the print. */
const hands = { left: 'L', right: 'R', pair: 'R as drawn, L flipped' } as const;

/** How many copies are cut, how many of them flipped, and for which side. */
export function quantityText({
  quantity,
  flipped,
  hand,
}: Pick<Piece, 'quantity' | 'flipped' | 'hand'>): string {
  const turned =
    flipped === 0 ? '' : flipped === quantity ? ', flipped' : `, ${flipped === 1 ? 'one' : flipped} flipped`;
  return `cut ${quantity}${turned}${hand ? ` · ${hands[hand]}` : ''}`;
}

/** Everything drawn on one piece, in its own millimetres, y up. */
export function pieceShapes(piece: Piece, source: Source): Shape[] {
  return [
    { kind: 'line', layer: 'cut', points: piece.outline, closed: true },
    ...piece.holes.flatMap(({ centre, diameterMm }): Shape[] => [
      ...holeShapes(centre, diameterMm),
      {
        kind: 'text',
        layer: 'text',
        at: { x: centre.x + diameterMm / 2 + 7, y: centre.y + 2 },
        heightMm: 3,
        text: `Ø${trimNumber(diameterMm)}`,
      },
    ]),
    ...piece.marks.flatMap((mark) => markShapes(piece, mark)),
    ...piece.edges.flatMap((edge) => (edge.bevelDeg === 0 ? [] : bevelShapes(piece, edge))),
    ...labelShapes(piece, [`${source.partName}: ${piece.name}`, quantityText(piece), source.foamName]),
  ];
}

/** A shape moved, and its words turned with it. */
export function moveShape(shape: Shape, place: (p: Vec2) => Vec2, turnRad = 0): Shape {
  if (shape.kind === 'line') return { ...shape, points: shape.points.map(place) };
  return shape.kind === 'circle'
    ? { ...shape, centre: place(shape.centre) }
    : { ...shape, at: place(shape.at), ...(turnRad !== 0 && { turnRad }) };
}

export interface SourcedPiece {
  piece: Piece;
  source: Source;
}

/** Pieces side by side with room between, for one file with everything on it. */
export function sideBySide(
  pieces: readonly SourcedPiece[],
  spacingMm = 15,
): { shapes: Shape[]; widthMm: number; heightMm: number } {
  let x = spacingMm;
  let heightMm = 0;
  const shapes = pieces.flatMap(({ piece, source }) => {
    const b = boundsOf(piece.outline);
    const shift = { x: x - b.minX, y: spacingMm - b.minY };
    x += b.maxX - b.minX + spacingMm;
    heightMm = Math.max(heightMm, b.maxY - b.minY + 2 * spacingMm);
    return pieceShapes(piece, source).map((s) =>
      moveShape(s, (p) => ({ x: p.x + shift.x, y: p.y + shift.y })),
    );
  });
  return { shapes, widthMm: x, heightMm };
}
