import { firstOf } from '@fomrik/core/units';
import { edgeRun, type Piece, type PieceEdge } from '@fomrik/core/panel';
import type { StandOff } from '@fomrik/core/parts';
import type { Vec2 } from '@fomrik/core/geometry';
import { bevelWedge, markShapes, type Shape, wordsWidthMm } from '@fomrik/core/pattern';
import type { EdgeRef } from '../store/selection';
import { memo } from 'react';
import { Shapes } from './Shapes';

interface PieceDrawingProps {
  piece: Piece;
  /** Upper left corner in the drawing's millimetres. */
  x: number;
  y: number;
  heightMm: number;
  edge?: EdgeRef | undefined;
  onEdge?: (edge: EdgeRef | undefined) => void;
  onSelect?: (edge: EdgeRef) => void;
  showStretch?: boolean;
  /** Lines of equal gap to the body. */
  gap?: StandOff | undefined;
  /** Edges shown bold, with a dashed line beside them. */
  lit?: (edge: PieceEdge) => boolean;
}

const isMate = (edge: PieceEdge, chosen: EdgeRef): boolean =>
  edge.mate?.pieceId === chosen.pieceId && edge.mate.edgeId === chosen.edgeId;

/** One flat piece drawn as foam: charcoal, silver pen, a lip as wide as the foam is thick; what is there already is dashed and has no lip. */
export const PieceDrawing = memo(function PieceDrawing({
  piece,
  x,
  y,
  heightMm,
  edge,
  onEdge,
  onSelect,
  showStretch = false,
  gap,
  lit,
}: PieceDrawingProps) {
  const place = (p: Vec2): string => `${(p.x + x).toFixed(2)},${(heightMm - p.y + y).toFixed(2)}`;
  const outline = piece.outline.map(place).join(' ');
  const lip = piece.thicknessMm * Math.SQRT1_2;
  const xs = piece.outline.map((p) => p.x);
  const wideMm = Math.max(...xs) - Math.min(...xs);
  /** Words longer than the piece would run over its neighbours; pointing at an edge says them. */
  const fits = (shape: Shape): boolean =>
    shape.kind !== 'text' || wordsWidthMm(shape.text, shape.heightMm) < wideMm * 0.9;
  const label = piece.edges.map((e) => ({ e, points: edgeRun(piece.outline, e) }));
  return (
    <g data-piece={piece.id}>
      {piece.template ? (
        <polygon
          points={outline}
          fill="#5b6a6e"
          stroke="var(--color-ink)"
          strokeWidth={0.8}
          strokeDasharray="5 3"
        />
      ) : (
        <>
          <polygon points={outline} transform={`translate(${lip} ${lip})`} fill="#79868a" />
          <polygon points={outline} fill="var(--color-foam)" stroke="var(--color-pen)" strokeWidth={0.8} />
        </>
      )}
      {showStretch && piece.stretch && (
        <g fill="none">
          {piece.stretch.grid.map((line, i) => (
            <polyline
              key={i}
              points={line.map(place).join(' ')}
              stroke="var(--color-pen)"
              strokeWidth={0.35}
              opacity={0.6}
            />
          ))}
          {piece.stretch.contours.map(({ percent, lines }) => (
            <g key={percent} stroke="#9fd8d0" strokeWidth={0.9}>
              {lines.map((line, i) => (
                <polyline key={i} points={line.map(place).join(' ')} />
              ))}
              {lines[0] && (
                <text
                  x={Number(place(firstOf(lines[0])).split(',')[0])}
                  y={Number(place(firstOf(lines[0])).split(',')[1])}
                  fontSize={7}
                  fill="white"
                  stroke="none"
                >
                  {percent} %
                </text>
              )}
            </g>
          ))}
          <g transform={`translate(${place(piece.stretch.worstAt).replace(',', ' ')})`}>
            <path d="M-3 -3L3 3M3 -3L-3 3" stroke="white" strokeWidth={1} />
            <text x={5} y={-3} fontSize={7} fill="white">
              {(piece.stretch.worst * 100).toFixed(0)} %
            </text>
          </g>
        </g>
      )}
      {gap?.contours.map(({ mm, flat }) => (
        <g key={mm} stroke={mm === 0 ? 'white' : '#9fd8d0'} strokeWidth={mm === 0 ? 1.8 : 0.9} fill="none">
          {flat.map((line, i) => (
            <polyline
              key={i}
              points={line.map(place).join(' ')}
              strokeDasharray={mm === 0 ? '4 2' : undefined}
            />
          ))}
          {flat[0] && (
            <text
              x={Number(place(firstOf(flat[0])).split(',')[0])}
              y={Number(place(firstOf(flat[0])).split(',')[1])}
              fontSize={7}
              fill="white"
              stroke="none"
            >
              {mm} mm
            </text>
          )}
        </g>
      ))}
      <Shapes
        shapes={[
          ...piece.marks.flatMap((mark) => markShapes(piece, mark)),
          ...piece.edges.flatMap((e) => (e.bevelDeg === 0 ? [] : bevelWedge(piece, e))),
        ].filter(fits)}
        x={x}
        y={heightMm + y}
        color="var(--color-pen)"
      />
      {piece.holes.map((hole) => (
        <g key={hole.id} transform={`translate(${place(hole.centre).replace(',', ' ')})`}>
          <circle
            r={hole.diameterMm / 2}
            fill={hole.kind === 'lamp' ? 'var(--color-marigold)' : 'none'}
            stroke="var(--color-pen)"
            strokeWidth={0.5}
          />
          <path
            d={`M${-hole.diameterMm} 0H${hole.diameterMm}M0 ${-hole.diameterMm}V${hole.diameterMm}`}
            stroke="var(--color-pen)"
            strokeWidth={0.3}
          />
        </g>
      ))}
      {lit &&
        label
          .filter(({ e }) => lit(e))
          .map(({ e, points }) => (
            <g key={e.id} fill="none">
              <polyline points={points.map(place).join(' ')} stroke="white" strokeWidth={3} />
              <polyline
                points={points.map(place).join(' ')}
                stroke="var(--color-teal)"
                strokeWidth={1.4}
                strokeDasharray="6 4"
              />
            </g>
          ))}
      {onEdge &&
        label.map(({ e, points }) => {
          const here = edge?.pieceId === piece.id && edge.edgeId === e.id;
          const mate = edge !== undefined && isMate(e, edge);
          const d = points.map(place).join(' ');
          const ref = { pieceId: piece.id, edgeId: e.id };
          return (
            <g key={e.id}>
              {(here || mate) && (
                <polyline
                  points={d}
                  fill="none"
                  stroke="white"
                  strokeWidth={mate ? 1.6 : 2.6}
                  strokeDasharray={mate ? '5 2.5' : undefined}
                />
              )}
              <polyline
                points={d}
                fill="none"
                stroke="transparent"
                strokeWidth={9}
                tabIndex={0}
                role="button"
                aria-pressed={here}
                aria-label={`${piece.name}, ${e.name}, ${e.lengthMm.toFixed(1)} mm${e.mate ? `, meets ${e.mate.pieceId} ${e.mate.edgeId}` : ''}`}
                onPointerEnter={() => onEdge(ref)}
                onFocus={() => onSelect?.(ref)}
                onClick={() => onSelect?.(ref)}
              />
            </g>
          );
        })}
    </g>
  );
});
