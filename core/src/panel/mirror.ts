import { boundsOf, type Vec2 } from '../geometry';
import type { Piece, PieceEdge } from './piece';
import type { FlatPanel } from './flatPanel';
import type { Panel, Side } from './panel';

const other: Record<Side, Side> = { bottom: 'bottom', right: 'left', top: 'top', left: 'right' };

/** The flat piece of a panel that is the mirror image of one already laid, so that left and right are cut alike. */
export function mirrorPiece({ piece, flat, legs, flatAt, uvAt }: FlatPanel, panel: Panel): FlatPanel {
  const { minX, maxX } = boundsOf(piece.outline);
  const flip = (p: Vec2): Vec2 => ({ x: minX + maxX - p.x, y: p.y });
  const last = piece.outline.length - 1;
  const edges = piece.edges
    .map((edge): PieceEdge => {
      const id = other[edge.id as Side];
      return { ...edge, id, name: panel.edges[id], from: last - edge.to, to: last - edge.from };
    })
    .sort((a, b) => Object.keys(other).indexOf(a.id) - Object.keys(other).indexOf(b.id));
  const { stretch } = piece;
  const mirrored: Piece = {
    ...piece,
    id: panel.id,
    name: panel.name,
    outline: piece.outline.map(flip).reverse(),
    edges,
    holes: piece.holes.map((h) => ({ ...h, centre: flip(h.centre) })),
    marks: piece.marks.map(({ dart, ...m }) => ({
      ...m,
      points: m.points.map(flip),
      ...(dart && {
        dart: { ...dart, edgeId: other[dart.edgeId as Side] ?? dart.edgeId, at: 1 - dart.at },
      }),
    })),
    mirrors: piece.id,
    ...(stretch && {
      stretch: {
        ...stretch,
        worstAt: flip(stretch.worstAt),
        grid: stretch.grid.map((line) => line.map(flip)),
        contours: stretch.contours.map((c) => ({ ...c, lines: c.lines.map((line) => line.map(flip)) })),
      },
    }),
  };
  return {
    piece: mirrored,
    flat: flat.map((row) => row.map(flip).reverse()),
    legs: new Set([...legs].map((k) => (last - 1 - k + last + 1) % (last + 1))),
    flatAt: (at) => flip(flatAt({ x: 1 - at.x, y: at.y })),
    uvAt: (p) => {
      const at = uvAt(flip(p));
      return at && { x: 1 - at.x, y: at.y };
    },
  };
}
