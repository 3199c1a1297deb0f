import type { PartReport } from '@fomrik/core/build/report';
import { quantityText } from '@fomrik/core/formats/drawing';
import { boundsOf } from '@fomrik/core/geometry/polygon';
import { useView, type EdgeRef } from '../store/view';
import { PieceDrawing } from './PieceDrawing';
import { useLength } from './useLength';

const GAP = 14;

interface Laid {
  index: number;
  x: number;
  y: number;
  w: number;
  h: number;
}

/** Rows of pieces, as many across as keep the drawing about as wide as it is high. */
function layOut(sizes: { w: number; h: number }[]): { laid: Laid[]; w: number; h: number } {
  const columns = sizes.length <= 1 ? 1 : sizes.length <= 4 && sizes[0]!.w > sizes[0]!.h ? 1 : 2;
  const laid: Laid[] = [];
  let y = GAP;
  let width = 0;
  for (let i = 0; i < sizes.length; i += columns) {
    const row = sizes.slice(i, i + columns);
    let x = GAP;
    row.forEach(({ w, h }, j) => {
      laid.push({ index: i + j, x, y, w, h });
      x += w + GAP;
    });
    width = Math.max(width, x);
    y += Math.max(...row.map((r) => r.h)) + GAP + 16;
  }
  return { laid, w: width, h: y };
}

/** The flat pieces of a part side by side; point at an edge and its mate lights up. */
export function FlatPieces({
  made,
  onEdge,
}: {
  made: PartReport;
  onEdge: (edge: EdgeRef | undefined) => void;
}) {
  const edge = useView((v) => v.edge);
  const length = useLength();
  const boxes = made.pieces.map((p) => boundsOf(p.outline));
  const { laid, w, h } = layOut(boxes.map((b) => ({ w: b.maxX - b.minX, h: b.maxY - b.minY })));
  const font = Math.max(w * 0.7, h) / 32;
  const chosen =
    edge && made.pieces.find((p) => p.id === edge.pieceId)?.edges.find((e) => e.id === edge.edgeId);
  return (
    <figure className="flex h-full min-h-0 flex-col">
      <svg
        viewBox={`0 0 ${w} ${h}`}
        className="min-h-0 w-full flex-1"
        role="group"
        aria-label="Flat pieces, outer face up"
        onPointerLeave={() => onEdge(undefined)}
      >
        {laid.map(({ index, x, y, w: width, h: height }) => {
          const piece = made.pieces[index]!;
          const foam = piece.role === 'lining' ? made.lining?.name : made.foam.name;
          return (
            <g key={piece.id}>
              <PieceDrawing piece={piece} x={x} y={y} heightMm={height} edge={edge} onEdge={onEdge} />
              <text
                x={x + width / 2}
                y={y + height + font + 6}
                fontSize={font}
                textAnchor="middle"
                fill="var(--color-ink)"
              >
                {piece.name} · {quantityText(piece)} · {foam}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="order-first min-h-6 px-2 pt-1 text-[12.5px]" aria-live="polite">
        {chosen ? (
          <>
            <strong>{chosen.name}</strong> {length(chosen.lengthMm)}
            {chosen.letter &&
              ` · meets ${chosen.joint === 'seam' ? 'its mate' : 'across the gap'} at ${chosen.letter}`}{' '}
            · {chosen.bevelDeg === 0 ? 'cut square' : `bevel ${chosen.bevelDeg.toFixed(0)}°`}
          </>
        ) : (
          <span className="text-soft">Flat, outer face up. Point at an edge.</span>
        )}
      </figcaption>
    </figure>
  );
}
