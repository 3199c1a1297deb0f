import { eachOf, type Piece } from '../panel';

/** A strip of glue this wide is spread over a face as a seam is along an edge, mm. */
const STRIP_MM = 50;

/** What is glued in one copy of a part, as millimetres of seam; steps, shopping and masses all count by it. */
export interface Glued {
  /** Edge to edge; both edges of a seam are one. */
  seamsMm: number;
  /** Edges on the faces or within the rims of other pieces. */
  hungMm: number;
  /** Legs of darts. */
  dartsMm: number;
  /** Layers face to face. */
  layersMm: number;
  /** Linings, and what is laid on: their faces. */
  liningMm: number;
  laidMm: number;
  /** What is fastened by a step of its own. */
  ownMm: number;
}

const sum = <T>(all: readonly T[], of: (one: T) => number): number =>
  all.reduce((total, one) => total + of(one), 0);

const faceMm = (p: Piece): number => (p.areaMm2 * eachOf(p)) / STRIP_MM;

/** A leg of every dart, mouth to tip. */
const dartMm = ({ marks }: Piece): number =>
  sum(marks, ({ kind, points: [mouth, tip] }) =>
    kind === 'dart' && mouth && tip ? Math.hypot(tip.x - mouth.x, tip.y - mouth.y) : 0,
  );

export function gluedOf(pieces: readonly Piece[]): Glued {
  const edges = (of: (e: Piece['edges'][number]) => boolean): number =>
    sum(pieces, (p) => sum(p.edges.filter(of), (e) => e.lengthMm) * eachOf(p));
  const laid = pieces.filter((p) => p.role === 'laid' && !p.trial);
  return {
    seamsMm: edges((e) => e.joint === 'seam' && !e.dry) / 2,
    hungMm: edges((e) => e.attached?.by === 'glue'),
    dartsMm: sum(pieces, (p) => dartMm(p) * eachOf(p)),
    // Of so many layers one less is glued on another.
    layersMm: sum(
      pieces.filter((p) => p.role === 'shell' && (p.layers ?? 1) > 1),
      (p) => faceMm(p) * (1 - 1 / p.layers!),
    ),
    liningMm: sum(
      pieces.filter((p) => p.role === 'lining'),
      faceMm,
    ),
    laidMm: sum(
      laid.filter((p) => !p.ownStep),
      faceMm,
    ),
    ownMm: sum(
      laid.filter((p) => p.ownStep),
      faceMm,
    ),
  };
}

/** All of it. */
export const gluedMm = (pieces: readonly Piece[]): number =>
  Object.values<number>({ ...gluedOf(pieces) }).reduce((total, mm) => total + mm, 0);
