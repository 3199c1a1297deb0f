import type { Dimension } from '@fomrik/core/dimensions';
import { type RefObject, useLayoutEffect, useRef } from 'react';
import { Vector3 } from 'three';
import { dimensionDrawing, drawnPaths } from './dimensionDrawing';
import { type Stage, toPixels } from './SolidGrip';
import { useLength } from './useLength';
import { useView } from '../store/view';
import { said } from './dimensionDrawing';
import { useShownDimension } from './useDimensions';

/** What draws the dimension anew when the eye moves. */
export type Redraw = RefObject<() => void>;

/** One dimension over the solid, as ISO 129 draws it; it follows the eye. */
export function DimensionLayer({
  partId,
  dimensions,
  stage,
  middle,
  redraw,
}: {
  partId: string;
  /** Those there are: drawn is the one under the pointer, or that of the field that has the focus. */
  dimensions: readonly Dimension[];
  stage: Stage;
  /** Middle of the thing, in the scene. */
  middle: [number, number, number];
  redraw: Redraw;
}) {
  const dimension = useShownDimension(partId, dimensions);
  const length = useLength();
  const snappedTo = useView((v) => v.snappedTo);
  const halo = useRef<SVGPathElement>(null);
  const lines = useRef<SVGPathElement>(null);
  const arrows = useRef<SVGPathElement>(null);
  const text = useRef<SVGGElement>(null);
  useLayoutEffect(() => {
    const draw = (): void => {
      const root = stage.root.current;
      if (!root || !dimension || !lines.current) return;
      const drawing = dimensionDrawing(
        dimension,
        (p) => toPixels(new Vector3(...stage.place(p)), root),
        toPixels(new Vector3(...middle), root),
      );
      const paths = drawnPaths(drawing);
      halo.current?.setAttribute('d', paths.lines);
      lines.current.setAttribute('d', paths.lines);
      arrows.current?.setAttribute('d', paths.arrows);
      const { width, height } = root.get().size;
      const within = (v: number, least: number, most: number): number => Math.min(most, Math.max(least, v));
      const x = within(drawing.text.x, 60, width - 60);
      const y = within(drawing.text.y, 14, height - 14);
      text.current?.setAttribute('transform', `translate(${x.toFixed(1)} ${y.toFixed(1)})`);
    };
    redraw.current = draw;
    draw();
  });
  if (!dimension) return null;
  const value = said(dimension, length);
  const words = `${dimension.label}: ${value}${snappedTo ? `, ${snappedTo}` : ''}`;
  const wide = Math.min(320, words.length * 5.8 + 12);
  return (
    <svg
      className="pointer-events-none absolute inset-0 h-full w-full"
      data-dimension={dimension.path.join('.')}
      aria-hidden
    >
      <path ref={halo} fill="none" stroke="white" strokeWidth={3.5} opacity={0.7} />
      <path ref={lines} fill="none" stroke="var(--color-teal)" strokeWidth={1.2} />
      <path ref={arrows} fill="var(--color-teal)" stroke="white" strokeWidth={0.6} />
      <g ref={text}>
        <rect
          x={-wide / 2}
          y={-10}
          width={wide}
          height={20}
          fill="var(--color-leaf)"
          stroke="var(--color-teal)"
        />
        <text textAnchor="middle" dominantBaseline="central" fontSize={12} fill="var(--color-ink)">
          {words}
        </text>
      </g>
    </svg>
  );
}
