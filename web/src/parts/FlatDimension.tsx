import type { Dimension } from '@fomrik/core/dimensions';
import { length3, type Vec2 } from '@fomrik/core/geometry';
import { useDrag } from '@use-gesture/react';
import { useRef } from 'react';
import { drawnPaths, flatDrawing } from './dimensionDrawing';
import { useLength } from './useLength';
import { useView } from '../store/view';
import { said } from './dimensionDrawing';

interface FlatDimensionProps {
  dimension: Dimension;
  /** Where a spot of its piece lies in the drawing, mm with y downwards. */
  place: (p: Vec2) => Vec2;
  /** Middle of its piece in the drawing. */
  middle: Vec2;
  /** Millimetres of the drawing that are about a pixel. */
  pxMm: number;
  /** Its value, so much more than it was when the drag began. */
  onSlide: (value: number) => void;
  onEnd: () => void;
}

/** A dimension on the flat piece: between two spots of it, with a grip; or as a note at one. */
export function FlatDimension({ dimension, place, middle, pxMm, onSlide, onEnd }: FlatDimensionProps) {
  const length = useLength();
  const { flat } = dimension;
  const grip = useRef<SVGCircleElement>(null);
  const to = place(flat!.to);
  const from = flat!.from && place(flat!.from);
  const way = from && { x: to.x - from.x, y: to.y - from.y };
  const size = way ? Math.hypot(way.x, way.y) : 0;
  const bind = useDrag(
    ({ movement: [px, py], last, memo, event }) => {
      event.stopPropagation();
      // Counted from the value it had when it was taken hold of; the drawing's own scale turns pixels to millimetres.
      const began = (memo as number | undefined) ?? dimension.value;
      const scale = grip.current?.ownerSVGElement?.getScreenCTM()?.a ?? 1;
      if (!way || size < 1e-6) return began;
      // As much of the way as goes along the dimension, by how fast its end follows the value.
      const along = (px * way.x + py * way.y) / size / scale;
      onSlide(began + along / Math.max(0.3, length3(dimension.step)));
      if (last) onEnd();
      return began;
    },
    { pointer: { keys: false } },
  );
  const px = (p: Vec2): Vec2 => ({ x: p.x / pxMm, y: p.y / pxMm });
  const drawing = flatDrawing(from && px(from), px(to), px(middle));
  const paths = drawnPaths(drawing);
  const snappedTo = useView((v) => v.snappedTo);
  const value = `${said(dimension, length)}${snappedTo ? `, ${snappedTo}` : ''}`;
  const wide = value.length * 7 + 10;
  return (
    <g transform={`scale(${pxMm})`} data-flat-dimension={dimension.path.join('.')}>
      <path d={paths.lines} fill="none" stroke="white" strokeWidth={3.5} opacity={0.7} />
      <path d={paths.lines} fill="none" stroke="var(--color-teal)" strokeWidth={1.3} />
      <path d={paths.arrows} fill="var(--color-teal)" stroke="white" strokeWidth={0.6} />
      <g transform={`translate(${drawing.text.x} ${drawing.text.y})`} className="pointer-events-none">
        <rect
          x={-wide / 2}
          y={-9}
          width={wide}
          height={18}
          fill="var(--color-leaf)"
          stroke="var(--color-teal)"
        />
        <text textAnchor="middle" dominantBaseline="central" fontSize={12} fill="var(--color-ink)">
          {value}
        </text>
      </g>
      {way && (
        <circle
          ref={grip}
          {...bind()}
          // The field keeps its focus, and so its dimension is there while it is dragged.
          onMouseDown={(e) => e.preventDefault()}
          data-flat-grip={dimension.path.join('.')}
          cx={px(to).x}
          cy={px(to).y}
          r={9}
          fill="var(--color-teal)"
          fillOpacity={0.9}
          stroke="white"
          strokeWidth={2}
          className="cursor-grab touch-none"
        />
      )}
    </g>
  );
}
