import { lineStyle, type Shape } from '@fomrik/core/pattern';

interface ShapesProps {
  shapes: readonly Shape[];
  /** Where the drawing's left lower corner lies, y down. */
  x?: number;
  y?: number;
  color?: string;
  /** Lines are drawn so much bolder than on paper. */
  bold?: number;
}

/** Shapes of a drawing as they print, y up turned to the screen's y down. */
export function Shapes({ shapes, x = 0, y = 0, color = 'currentColor', bold = 1.4 }: ShapesProps) {
  return (
    <g transform={`translate(${x} ${y}) scale(1 -1)`} fill="none" stroke={color}>
      {shapes.map((shape, i) => {
        if (shape.kind === 'text')
          return (
            <text
              key={i}
              transform={`translate(${shape.at.x} ${shape.at.y}) scale(1 -1) rotate(${((shape.turnRad ?? 0) * -180) / Math.PI})`}
              fontSize={shape.heightMm * 1.35}
              fill={color}
              stroke="none"
              textAnchor="middle"
            >
              {shape.text}
            </text>
          );
        const { widthMm, dashMm } = lineStyle[shape.layer];
        const look = {
          'data-layer': shape.layer,
          strokeWidth: widthMm * bold,
          strokeDasharray: dashMm.join(' '),
        };
        if (shape.kind === 'circle')
          return <circle key={i} cx={shape.centre.x} cy={shape.centre.y} r={shape.radiusMm} {...look} />;
        const points = shape.points.map((p) => `${p.x},${p.y}`).join(' ');
        return shape.closed ? (
          <polygon key={i} points={points} {...look} />
        ) : (
          <polyline key={i} points={points} {...look} />
        );
      })}
    </g>
  );
}
