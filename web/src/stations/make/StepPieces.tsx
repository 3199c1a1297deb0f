import { itemAt } from '@fomrik/core/units';
import { boundsOf } from '@fomrik/core/geometry';
import type { Piece, PieceEdge } from '@fomrik/core/panel';
import type { PartReport } from '@fomrik/core/parts';
import type { StepAbout } from '@fomrik/core/plan';
import { layOut } from '../../parts/layOut';
import { PieceDrawing } from '../../parts/PieceDrawing';

/** Pieces a step handles, and the edges of them that it is about. */
const views: Record<
  StepAbout,
  { of: (p: Piece) => boolean; lit?: (e: PieceEdge) => boolean; words: string }
> = {
  pieces: { of: () => true, words: 'The pieces' },
  seams: {
    of: (p) => p.role === 'shell' && p.edges.some((e) => e.joint === 'seam'),
    lit: (e) => e.joint === 'seam',
    words: 'Seams to glue, marked',
  },
  bevels: {
    of: (p) => p.edges.some((e) => e.bevelDeg !== 0),
    lit: (e) => e.bevelDeg !== 0,
    words: 'Edges to bevel, marked',
  },
  darts: { of: (p) => p.marks.some((m) => m.kind === 'dart'), words: 'Pieces with darts' },
  attached: {
    of: (p) => p.edges.some((e) => e.attached?.by === 'glue'),
    lit: (e) => e.attached?.by === 'glue',
    words: 'Edges to glue on, marked',
  },
  laid: { of: (p) => p.role === 'laid', words: 'Pieces to lay on' },
  lining: { of: (p) => p.role === 'lining', words: 'The lining' },
};

/** What a step is about, drawn: its pieces, with the edges to glue or bevel marked. */
export function StepPieces({ made, about }: { made: PartReport; about: StepAbout }) {
  const { of, lit, words } = views[about];
  const pieces = made.pieces.filter(of);
  if (pieces.length === 0) return null;
  const boxes = pieces.map((p) => boundsOf(p.outline));
  const { laid, w, h } = layOut(boxes.map((b) => ({ w: b.maxX - b.minX, h: b.maxY - b.minY })));
  const font = Math.max(w, h) / 34;
  return (
    <figure className="mt-4 max-w-3xl">
      <figcaption className="head">{words}</figcaption>
      <svg
        viewBox={`0 0 ${w} ${h}`}
        className="max-h-80 w-full"
        role="img"
        aria-label={`${words}: ${pieces.map((p) => p.name).join(', ')}`}
      >
        {laid.map(({ index, x, y, w: wide, h: high }) => (
          <g key={itemAt(pieces, index).id}>
            <PieceDrawing
              piece={itemAt(pieces, index)}
              x={x - itemAt(boxes, index).minX}
              y={y + itemAt(boxes, index).minY}
              heightMm={high}
              {...(lit && { lit })}
            />
            <text x={x + wide / 2} y={y + high + font * 1.2} fontSize={font} textAnchor="middle">
              {itemAt(pieces, index).name}
            </text>
          </g>
        ))}
      </svg>
    </figure>
  );
}
