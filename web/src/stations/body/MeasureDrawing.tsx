import { firstOf, lastOf } from '@fomrik/core/units';
import { type Body, measureInfo, type MeasureKey } from '@fomrik/core/body';
import { useId } from 'react';
import { useWorked } from '../../parts/useWorked';
import { drawnMeasure } from '../../workers/besideClient';

/** Where the tape of one measure goes, drawn small. */
export function MeasureDrawing({ body, measure }: { body: Body; measure: MeasureKey }) {
  const clip = useId();
  const { value: view } = useWorked(() => drawnMeasure(body, measure), [body, measure]);
  if (view === null) return null;
  if (!view) return <span className="h-24 w-24 shrink-0 border border-hair bg-bench" />;
  const { x, y, width, height } = view.box;
  const thin = width / 130;
  const ends = [firstOf(view.tape), lastOf(view.tape)];
  return (
    <svg
      viewBox={`${x} ${y} ${width} ${height}`}
      className="h-24 w-24 shrink-0 border border-hair bg-bench"
      role="img"
      aria-label={`Where ${measureInfo(measure).label.toLowerCase()} is taken, seen from the ${view.from}`}
    >
      <clipPath id={clip}>
        <rect x={x} y={y} width={width} height={height} />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        {view.outlines.map((points, i) => (
          <polygon
            key={i}
            points={points.map((p) => `${p.x},${p.y}`).join(' ')}
            fill="#ddd3c8"
            stroke="var(--color-soft)"
            strokeWidth={thin * 0.7}
            strokeLinejoin="round"
          />
        ))}
        <polyline
          points={view.tape.map((p) => `${p.x},${p.y}`).join(' ')}
          fill="none"
          stroke="var(--color-teal)"
          strokeWidth={thin * 2.6}
        />
        {ends.map((p, i) => (
          <circle key={i} cx={p.x} cy={p.y} r={thin * 2.4} fill="var(--color-teal)" />
        ))}
      </g>
    </svg>
  );
}
