import type { Hole, Piece } from '../panel';
import { grown, joined, rotate2, type Vec2, without } from '../geometry';
import type { Offcut, Turns } from '../materials';

/** What pieces of one foam are laid on: sheets as they are sold, and what was left of others, which goes first. */
export interface SheetSize {
  foamId: string;
  nominalMm: number;
  widthMm: number;
  heightMm: number;
  offcuts?: readonly Offcut[];
  /** How pieces may be turned for the foam's grain; any way when left out. */
  turns?: Turns;
}

/** One copy of a piece laid on a sheet: flip first, then turn, then shift. */
export interface Laid {
  pieceId: string;
  partId: string;
  flipped: boolean;
  turnRad: number;
  x: number;
  y: number;
  widthMm: number;
  heightMm: number;
  /** Cut from the foam's other face and turned over afterwards: flipped when its own hand is not, or the other way. */
  over?: true;
  /** Stays where it is when the others are laid anew. */
  locked?: true;
}

export interface Sheet {
  foamId: string;
  nominalMm: number;
  /** Of the box round it, where it is an offcut. */
  widthMm: number;
  heightMm: number;
  offcut?: Offcut;
  /** Of true shapes, as it was searched for. */
  nested?: true;
  laid: Laid[];
}

export interface ToLay {
  partId: string;
  piece: Piece;
  flipped: boolean;
  /** Nothing on it belongs to one face, and the foam's faces are alike. */
  eitherFace?: true;
}

/** A whole sheet with nothing on it. */
export const wholeSheet = ({ foamId, nominalMm, widthMm, heightMm }: SheetSize): Sheet => ({
  foamId,
  nominalMm,
  widthMm,
  heightMm,
  laid: [],
});

/** An offcut with nothing on it. */
export const offcutSheet = ({ foamId, nominalMm }: SheetSize, offcut: Offcut): Sheet => ({
  foamId,
  nominalMm,
  widthMm: Math.max(...offcut.outline.map((p) => p.x)),
  heightMm: Math.max(...offcut.outline.map((p) => p.y)),
  offcut,
  laid: [],
});

/** Rounding, mm: an offcut's straight side on the edge of its box is none of the outside. */
const EDGE_MM = 0.01;

/** All that is not foam round and in an offcut, and what is nearer to it than so much: rings to be read even-odd. */
export function outsideOf(
  { widthMm, heightMm }: Sheet,
  { outline, holes = [] }: Offcut,
  nearMm: number,
): Vec2[][] {
  const far = 10 + nearMm;
  // A drawn outline may cross itself: what it goes round is foam.
  const whole = joined([[...outline]], []);
  const foam = without(
    whole,
    holes.map((ring) => [...ring]),
  ).filter((ring) => ring.length >= 3);
  return [
    [
      { x: -far, y: -far },
      { x: widthMm + far, y: -far },
      { x: widthMm + far, y: heightMm + far },
      { x: -far, y: heightMm + far },
    ],
    ...(foam.length > 0 ? grown(foam, EDGE_MM - nearMm) : []),
  ];
}

/** The outline of a piece as it lies on its sheet. */
export function laidOutline(
  outline: readonly Vec2[],
  laid: Pick<Laid, 'flipped' | 'turnRad' | 'x' | 'y'>,
): Vec2[] {
  return outline.map((p) => {
    const q = rotate2({ x: laid.flipped ? -p.x : p.x, y: p.y }, laid.turnRad);
    return { x: q.x + laid.x, y: q.y + laid.y };
  });
}

/** Smaller holes take no other piece, mm; their rings are drawn with so many points, within the true round. */
const LEAST_HOLE_MM = 40;
const HOLE_POINTS = 32;

const ringOf = ({ centre, diameterMm }: Hole): Vec2[] =>
  Array.from({ length: HOLE_POINTS }, (_, k) => {
    const a = (2 * Math.PI * k) / HOLE_POINTS;
    return { x: centre.x + (diameterMm / 2) * Math.cos(a), y: centre.y + (diameterMm / 2) * Math.sin(a) };
  });

/** The holes of a piece that others may be laid in. */
export const roomyHoles = ({ holes }: Pick<Piece, 'holes'>): Vec2[][] =>
  holes.filter((h) => h.diameterMm >= LEAST_HOLE_MM).map(ringOf);
