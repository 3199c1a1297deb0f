import type { Vec2 } from '../../geometry/vec';

interface OnPiece {
  id: string;
  pieceId: string;
}

/** A strip along an edge: trim on the outer face, or a stiffening strip on the inner one. */
export interface TrimDetail extends OnPiece {
  kind: 'trim';
  edgeId: string;
  face: 'outer' | 'inner';
  widthMm: number;
  nominalMm: number;
  look: 'square' | 'rounded';
}

/** A second layer or raised panel, its outline set in from the piece's by a distance. */
export interface LayerDetail extends OnPiece {
  kind: 'layer';
  insetMm: number;
  nominalMm: number;
}

/** A row of rivets along an edge. */
export interface RivetDetail extends OnPiece {
  kind: 'rivets';
  edgeId: string;
  insetMm: number;
  spacingMm: number;
  diameterMm: number;
}

/** A groove or scored line drawn on the form; points are fractions of the piece's width and height. */
export interface LineDetail extends OnPiece {
  kind: 'line';
  look: 'groove' | 'score';
  points: Vec2[];
}

/** Something laid or drawn on a piece. */
export type Detail = TrimDetail | LayerDetail | RivetDetail | LineDetail;

/** A dart placed by hand: where its mouth is along an edge and how far it reaches towards the middle, as fractions. */
export interface HandDart {
  edgeId: string;
  at: number;
  reach: number;
}

/** The darts of a piece as the maker wants them; an empty list is none. */
export interface PieceDarts {
  pieceId: string;
  darts: HandDart[];
}
