import { edgeRun, type Mark, type Piece, type PieceEdge } from '../panel';
import { boundsOf, centroid, lerp2, type Vec2 } from '../geometry';
import { trimNumber } from '../units';

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
  bevel: { dashMm: [], widthMm: 0.35, meaning: 'bevel, the wedge is lost from the face named' },
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

const NOTCH_MM = 6;

/** A tick from the edge inwards, and its letter beyond. */
function notch(piece: Piece, at: Vec2, letter: string): Shape[] {
  const middle = centroid(piece.outline);
  const away = Math.hypot(middle.x - at.x, middle.y - at.y);
  const tip = lerp2(at, middle, Math.min(0.5, NOTCH_MM / away));
  const label = lerp2(at, middle, Math.min(0.6, (NOTCH_MM + 5) / away));
  return [
    { kind: 'line', layer: 'notch', points: [at, tip], closed: false },
    { kind: 'text', layer: 'text', at: label, heightMm: 5, text: letter },
  ];
}

const WEDGE_MM = 9;

/** A wedge at the middle of a bevelled edge, open by its angle towards the side that is lost; and where its words go. */
export function bevelWedge(piece: Piece, edge: PieceEdge): { wedge: Vec2[]; wordsAt: Vec2; words: string } {
  const run = edgeRun(piece.outline, edge);
  const k = Math.max(1, Math.floor(run.length / 2));
  const [a, b] = [run[k - 1]!, run[k]!];
  const size = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const along = { x: (b.x - a.x) / size, y: (b.y - a.y) / size };
  const at = lerp2(a, b, 0.5);
  // The outline runs counter-clockwise, so the piece lies to the left of its edges.
  const from = (s: number, t: number): Vec2 => ({
    x: at.x + along.x * s - along.y * t,
    y: at.y + along.y * s + along.x * t,
  });
  const open = Math.tan((Math.min(60, Math.abs(edge.bevelDeg)) * Math.PI) / 180) * WEDGE_MM * 0.5;
  return {
    wedge: [from(0, 1), from(-open, WEDGE_MM), from(0, WEDGE_MM)],
    wordsAt: from(2, WEDGE_MM),
    words: `${trimNumber(Math.abs(edge.bevelDeg), 0)}° ${edge.bevelDeg > 0 ? 'back' : 'face'}`,
  };
}

function bevel(piece: Piece, edge: PieceEdge): Shape[] {
  const { wedge, wordsAt, words } = bevelWedge(piece, edge);
  return [
    { kind: 'line', layer: 'bevel', points: wedge, closed: true },
    { kind: 'text', layer: 'text', at: wordsAt, heightMm: 2.5, text: words },
  ];
}

const CROSS_MM = 4;

const closedMarks: readonly Mark['kind'][] = ['pocket', 'slot', 'rivet', 'pad'];

/** Everything drawn on one piece, in its own millimetres, y up. */
export function pieceShapes(piece: Piece, source: Source): Shape[] {
  const shapes: Shape[] = [{ kind: 'line', layer: 'cut', points: piece.outline, closed: true }];
  for (const { centre, diameterMm } of piece.holes) {
    shapes.push(
      { kind: 'circle', layer: 'hole', centre, radiusMm: diameterMm / 2 },
      {
        kind: 'line',
        layer: 'hole',
        points: [
          { x: centre.x - CROSS_MM, y: centre.y },
          { x: centre.x + CROSS_MM, y: centre.y },
        ],
        closed: false,
      },
      {
        kind: 'line',
        layer: 'hole',
        points: [
          { x: centre.x, y: centre.y - CROSS_MM },
          { x: centre.x, y: centre.y + CROSS_MM },
        ],
        closed: false,
      },
      {
        kind: 'text',
        layer: 'text',
        at: { x: centre.x + CROSS_MM + 6, y: centre.y + 3 },
        heightMm: 3,
        text: `Ø${trimNumber(diameterMm)}`,
      },
    );
  }
  for (const mark of piece.marks) {
    if (mark.kind === 'notch') {
      shapes.push(...notch(piece, mark.points[0]!, mark.text ?? ''));
      continue;
    }
    const layer = mark.kind === 'slot' ? 'hole' : mark.kind;
    shapes.push({
      kind: 'line',
      layer,
      points: mark.points,
      closed: closedMarks.includes(mark.kind),
    });
    if (mark.text)
      shapes.push({ kind: 'text', layer: 'text', at: centroid(mark.points), heightMm: 3, text: mark.text });
  }
  for (const edge of piece.edges) if (edge.bevelDeg !== 0) shapes.push(...bevel(piece, edge));
  const middle = centroid(piece.outline);
  const clear = piece.holes.some((h) => Math.abs(h.centre.x - middle.x) < 25) ? 32 : 0;
  const lines = [`${source.partName}: ${piece.name}`, quantityText(piece), source.foamName];
  lines.forEach((text, i) =>
    shapes.push({
      kind: 'text',
      layer: 'text',
      at: { x: middle.x - clear, y: middle.y + 6 - i * 6 },
      heightMm: 4,
      text,
    }),
  );
  return shapes;
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
