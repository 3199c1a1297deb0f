import type { Vec2 } from '../geometry';

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
  'bevel-back',
  'bevel-front',
  'wedge',
  'leader',
  'text',
] as const;
export type Layer = (typeof layers)[number];

/** Dash pattern in millimetres; none is a continuous line. */
export const lineStyle: Record<Layer, { dashMm: number[]; widthMm: number; meaning: string }> = {
  cut: { dashMm: [], widthMm: 0.7, meaning: 'cut, square through' },
  hole: { dashMm: [], widthMm: 0.35, meaning: 'hole and its centre' },
  groove: { dashMm: [4, 2], widthMm: 0.35, meaning: 'groove, on the back' },
  fold: { dashMm: [8, 1.5, 1.5, 1.5], widthMm: 0.25, meaning: 'fold or centre' },
  score: { dashMm: [2, 1], widthMm: 0.25, meaning: 'score' },
  glue: { dashMm: [0.5, 1.5], widthMm: 0.35, meaning: 'glue face' },
  dart: { dashMm: [], widthMm: 0.35, meaning: 'dart, cut and close' },
  pocket: { dashMm: [4, 2], widthMm: 0.35, meaning: 'pocket, on the back' },
  rivet: { dashMm: [], widthMm: 0.25, meaning: 'rivet, glued on' },
  pad: { dashMm: [0.5, 1.5], widthMm: 0.25, meaning: 'pad, inside' },
  notch: { dashMm: [], widthMm: 0.5, meaning: 'meets its letter' },
  'bevel-back': { dashMm: [6, 1.5], widthMm: 0.25, meaning: 'bevel to it, on back' },
  'bevel-front': { dashMm: [3, 1.5], widthMm: 0.25, meaning: 'bevel to it, in front' },
  wedge: { dashMm: [], widthMm: 0.25, meaning: 'bevelled edge' },
  leader: { dashMm: [], widthMm: 0.15, meaning: 'leads to what it names' },
  text: { dashMm: [], widthMm: 0, meaning: 'words' },
};

export type Shape =
  | { kind: 'line'; layer: Layer; points: Vec2[]; closed: boolean }
  | { kind: 'circle'; layer: Layer; centre: Vec2; radiusMm: number }
  | { kind: 'text'; layer: Layer; at: Vec2; heightMm: number; text: string; turnRad?: number };

/** A shape moved, and its words turned with it. */
export function moveShape(shape: Shape, place: (p: Vec2) => Vec2, turnRad = 0): Shape {
  if (shape.kind === 'line') return { ...shape, points: shape.points.map(place) };
  return shape.kind === 'circle'
    ? { ...shape, centre: place(shape.centre) }
    : { ...shape, at: place(shape.at), ...(turnRad !== 0 && { turnRad: (shape.turnRad ?? 0) + turnRad }) };
}
