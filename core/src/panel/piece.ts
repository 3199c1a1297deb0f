import type { Attachment } from './attachment';
import type { HandDart } from '../document';
import type { Vec2 } from '../geometry';
import type { Habits } from '../materials';

/** How an edge meets its neighbour: left open, glued to its mate, shut by a closure, one with it and folded, or fastened to the face of another piece. */
export type Joint = 'free' | 'seam' | 'closure' | 'fold' | 'attached';

/** A run of the outline, from vertex `from` to vertex `to` counter-clockwise. */
export interface PieceEdge {
  id: string;
  name: string;
  from: number;
  to: number;
  lengthMm: number;
  /** Angle off square, degrees: positive is lost from the back, negative from the face; 0 is a butt edge. */
  bevelDeg: number;
  /** How wide a bevel is: from the cut line to the bevel line, mm. */
  bevelMm?: number;
  /** Least and most of a bevel that changes along the edge, degrees; the lines are drawn for its mean. */
  bevelSpreadDeg?: [least: number, most: number];
  /** Cut with the blade tilted on the one line that is drawn, on the face that is up. */
  tilted?: true;
  /** How far a seam turns that folds back too far to be bevelled, degrees, signed as bevels are; it is butted square. */
  foldsBackDeg?: number;
  /** How far the sheet folds here, degrees, signed as bevels are, and how, where that is not as the other folds. */
  foldDeg?: number;
  foldMethod?: Habits['fold'];
  joint: Joint;
  /** A seam that is not glued, so that a piece comes off. */
  dry?: true;
  /** The panel's own edge, where the piece is a net of several. */
  of?: { panel: string; edge: string };
  /** The edge on the other side. */
  mate?: { pieceId: string; edgeId: string };
  /** How much longer this edge is than its mate, to be eased in evenly; absent when they agree. */
  easeMm?: number;
  /** What a hung edge is fastened to, and how. */
  attached?: Attachment;
  /** Letter that pairs this edge with its mate on the print. */
  letter?: string;
}

/** Round hole cut through the piece. */
export interface Hole {
  id: string;
  kind: 'lamp' | 'ear' | 'air' | 'hole';
  centre: Vec2;
  diameterMm: number;
  /** Nothing closes it: air and sound go through. Ear and air holes are open as they are. */
  airs?: true;
}

export type MarkKind =
  'groove' | 'fold' | 'score' | 'glue' | 'notch' | 'dart' | 'pocket' | 'slot' | 'rivet' | 'pad' | 'bevel';

/** A line or outline drawn on the piece. Slots are cut through, darts and channels are cut out; all others stay on a face. */
export interface Mark {
  kind: MarkKind;
  points: Vec2[];
  text?: string;
  /** A slot that nothing closes. */
  airs?: true;
  /** What is printed there instead, where the piece is the template of others. */
  printed?: string;
  /** Cut for a stick that lies in it. */
  channel?: true;
  /** Foam is taken out within it, so deep, without going through. */
  takesMm?: number;
  /** Cut for wires that lie in it. */
  wires?: true;
  /** The dart it is the wedge of, as it may be placed by hand. */
  dart?: HandDart;
  /** Where the other face ends once an edge is bevelled: which face is cut down to it, and by how much off square. */
  bevel?: { face: 'back' | 'front'; deg: number; ring?: true; rounded?: true };
}

/** The shell, the lining that covers wires, and what features lay on either face. */
export type PieceRole = 'shell' | 'lining' | 'laid';

/** How far the foam must give to lie on the form, and where. */
export interface PieceStretch {
  /** Largest stretch anywhere, and what all but two percent of the piece stays under. */
  worst: number;
  mostly: number;
  /** What a face gives by bend and stretch together, but for two percent of the piece; where it is not grooved. */
  faceMostly: number;
  worstAt: Vec2;
  /** The worst place in words: `in the middle`, `near the upper edge`. */
  worstWhere: string;
  /** Rows and columns of the form as they lie flat. */
  grid: Vec2[][];
  /** Lines of equal stretch. */
  contours: { percent: number; lines: Vec2[][] }[];
  /** How far unstretched foam stands off the form. */
  refoldMm: number;
}

/**
 * One flat outline cut from one sheet, seen from its outer face; counter-clockwise, millimetres. The outline is the line
 * to cut: square through the sheet it leaves the piece at its largest, and what is lost afterwards is marked.
 */
export interface Piece {
  id: string;
  name: string;
  role: PieceRole;
  /** Cut to be tried and thrown away: it is in no part and weighs on none. */
  trial?: true;
  /** The feature that laid it, and on which face. */
  featureId?: string;
  face?: 'outer' | 'inner';
  outline: Vec2[];
  edges: PieceEdge[];
  holes: Hole[];
  marks: Mark[];
  /** What it is cut from; the words for it are its only ones. */
  foamId: string;
  foamName: string;
  foamColour: string;
  /** Faces of its sheet with a pattern on them, where there are any. */
  texture?: 'one' | 'both';
  nominalMm: number;
  thicknessMm: number;
  densityKgM3: number;
  quantity: number;
  /** How many of it one copy of the part has, when more than one. */
  each?: number;
  /** How many of the quantity are cut flipped for the other side. */
  flipped: number;
  /** Whose side of the wearer it is for; in the middle or beside the wearer it has none. */
  hand?: 'left' | 'right' | 'pair';
  areaMm2: number;
  /** Foam left once it is shaped, where that is not its area by its thickness. */
  volumeMm3?: number;
  /** There already, as the wall of a bought thing: drilled by it, and cut from nothing. */
  template?: true;
  /** Lies between other layers, so that its faces are glued and not painted. */
  inside?: true;
  /** Fastened by a step of its own, and not with what else is laid on. */
  ownStep?: true;
  /** Cut flat as one of so many layers that are glued face to face. */
  layers?: number;
  /** Cut by the same outline as another piece of the part, perhaps turned over; that one is its template. */
  like?: { pieceId: string; flipped: boolean };
  /** The piece this one is cut as the mirror of. */
  mirrors?: string;
  /** What the maker should know of it before cutting. */
  note?: string;
  /** For pieces that do not unroll. */
  stretch?: PieceStretch;
}

/** How many of a piece one copy of its part has. */
export const eachOf = ({ each = 1 }: Pick<Piece, 'each'>): number => each;

/** The darts of a piece as they may be placed by hand, in the order of their marks. */
export const dartsOn = ({ marks }: Pick<Piece, 'marks'>): HandDart[] => marks.flatMap((m) => m.dart ?? []);
