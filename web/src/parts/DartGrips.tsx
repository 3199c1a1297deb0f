import { firstOf, itemAt } from '@fomrik/core/units';
import { dartsOn, edgeRun, type Piece } from '@fomrik/core/panel';
import type { HandDart } from '@fomrik/core/document';
import { dist2, lerp2, type Vec2 } from '@fomrik/core/geometry';
import { useDrag } from '@use-gesture/react';
import { type KeyboardEvent, memo } from 'react';

interface DartGripsProps {
  piece: Piece;
  /** Upper left corner in the drawing's millimetres. */
  x: number;
  y: number;
  heightMm: number;
  onDarts: (pieceId: string, darts: HandDart[], done: boolean) => void;
}

const clamp = (t: number, low: number, high: number): number => Math.min(high, Math.max(low, t));

/** The edge and the fraction along it nearest to a spot of the piece. */
function mouthNear(piece: Piece, spot: Vec2): { edgeId: string; at: number } {
  let best = { edgeId: firstOf(piece.edges).id, at: 0.5, away: Infinity };
  for (const edge of piece.edges) {
    const run = edgeRun(piece.outline, edge);
    run.forEach((p, i) => {
      const away = dist2(p, spot);
      if (away < best.away) best = { edgeId: edge.id, at: i / (run.length - 1), away };
    });
  }
  return { edgeId: best.edgeId, at: best.at };
}

/** Grips on the mouth and the tip of every dart: drag to move, arrows to nudge, Delete to take away. */
export const DartGrips = memo(function DartGrips({ piece, x, y, heightMm, onDarts: set }: DartGripsProps) {
  const onDarts = (darts: HandDart[], done: boolean): void => set(piece.id, darts, done);
  const marks = piece.marks.filter((m) => m.dart);
  const darts = dartsOn(piece);
  const place = (p: Vec2): Vec2 => ({ x: p.x + x, y: heightMm - p.y + y });
  const spotOf = (grip: SVGElement, [px, py]: readonly [number, number]): Vec2 => {
    const at = new DOMPoint(px, py).matrixTransform(grip.ownerSVGElement!.getScreenCTM()!.inverse());
    return { x: at.x - x, y: heightMm - (at.y - y) };
  };
  const changed = (index: number, change: Partial<HandDart>): HandDart[] =>
    darts.map((d, i) => (i === index ? { ...d, ...change } : d));
  const moved = (index: number, what: 'mouth' | 'tip', spot: Vec2): HandDart[] => {
    if (what === 'mouth') return changed(index, mouthNear(piece, spot));
    const [a, tip, b] = itemAt(marks, index).points as [Vec2, Vec2, Vec2];
    const mouth = lerp2(a, b, 0.5);
    const length = Math.max(dist2(mouth, tip), 1);
    const along =
      ((spot.x - mouth.x) * (tip.x - mouth.x) + (spot.y - mouth.y) * (tip.y - mouth.y)) / length ** 2;
    return changed(index, { reach: clamp(Number((itemAt(darts, index).reach * along).toFixed(2)), 0.1, 1) });
  };
  const nudge = (index: number, what: 'mouth' | 'tip') => (event: KeyboardEvent) => {
    if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      onDarts(
        darts.filter((_, i) => i !== index),
        true,
      );
      return;
    }
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const dart = itemAt(darts, index);
    onDarts(
      changed(
        index,
        what === 'mouth'
          ? { at: clamp(dart.at + by * 0.05, 0.02, 0.98) }
          : { reach: clamp(dart.reach + by * 0.05, 0.1, 1) },
      ),
      true,
    );
  };
  const drag = useDrag(
    ({ args, xy, last, currentTarget }) => {
      const [index, what] = args as [number, 'mouth' | 'tip'];
      onDarts(moved(index, what, spotOf(currentTarget as SVGElement, xy)), last);
    },
    { pointer: { keys: false } },
  );
  return marks.flatMap((mark, index) => {
    const [a, tip, b] = mark.points as [Vec2, Vec2, Vec2];
    return (['mouth', 'tip'] as const).map((what) => {
      const at = place(what === 'mouth' ? lerp2(a, b, 0.5) : tip);
      return (
        <circle
          key={`${index}-${what}`}
          cx={at.x}
          cy={at.y}
          r={6}
          fill={what === 'mouth' ? 'var(--color-teal)' : 'white'}
          stroke={what === 'mouth' ? 'white' : 'var(--color-teal)'}
          strokeWidth={2}
          className="cursor-grab touch-none"
          role="button"
          tabIndex={0}
          data-dart={`${piece.id}-${index}-${what}`}
          aria-label={`${piece.name}, dart ${index + 1}, ${what}: drag, or arrow keys; Delete takes the dart away`}
          {...drag(index, what)}
          onKeyDown={nudge(index, what)}
        />
      );
    });
  });
});
