import { firstOf } from '@fomrik/core/units';
import { type Body, landmarks } from '@fomrik/core/body';
import type { Spot } from '@fomrik/core/picture';

/** The wearer standing in a picture, half seen through, from the crown to the floor as they are marked. */
export function StandingFigure({
  body,
  crown,
  floor,
  size,
}: {
  body: Body;
  crown: Spot;
  floor: Spot;
  size: number;
}) {
  const marks = landmarks(body);
  const stature = firstOf(marks).upMm;
  const down = { x: floor[0] - crown[0], y: floor[1] - crown[1] };
  const tall = Math.hypot(down.x, down.y);
  if (tall < 1) return null;
  const across = { x: -down.y / tall, y: down.x / tall };
  const perMm = tall / stature;
  const at = (upMm: number, sideMm: number): string => {
    const share = 1 - upMm / stature;
    return `${crown[0] + down.x * share + across.x * sideMm * perMm},${crown[1] + down.y * share + across.y * sideMm * perMm}`;
  };
  const outline = [
    ...marks.map((m) => at(m.upMm, m.halfMm)),
    ...[...marks].reverse().map((m) => at(m.upMm, -m.halfMm)),
  ].join(' ');
  return (
    <g data-figure="stature">
      <polygon
        points={outline}
        fill="var(--color-teal)"
        fillOpacity={0.22}
        stroke="var(--color-teal)"
        strokeWidth={size / 700}
      />
      {marks.slice(1, -1).map((m) => {
        const [x, y] = at(m.upMm, m.halfMm * 1.25)
          .split(',')
          .map(Number);
        return (
          <g key={m.name}>
            <polyline
              points={`${at(m.upMm, -m.halfMm * 1.2)} ${at(m.upMm, m.halfMm * 1.2)}`}
              stroke="var(--color-teal)"
              strokeWidth={size / 700}
              strokeDasharray={`${size / 120} ${size / 240}`}
              fill="none"
            />
            <text
              x={x}
              y={y}
              fontSize={size / 48}
              textAnchor={across.x < 0 ? 'end' : 'start'}
              fill="var(--color-ink)"
              stroke="white"
              strokeWidth={size / 300}
              paintOrder="stroke"
            >
              {m.name}
            </text>
          </g>
        );
      })}
    </g>
  );
}
