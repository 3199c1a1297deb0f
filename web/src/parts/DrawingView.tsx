import { type Drawing, inks, pathOf } from '@fomrik/core/view';

/** A line drawing, as large as its place. */
export function DrawingView({
  drawing,
  label,
  className,
}: {
  drawing: Drawing;
  label: string;
  className?: string;
}) {
  const { width, height, regions, lines, words } = drawing;
  return (
    <svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label={label} className={className}>
      {regions.map(({ look, rings }, i) => (
        <path
          key={`r${i}`}
          d={rings.map((r) => pathOf(r, true)).join('')}
          fill={inks[look].fill}
          fillRule="evenodd"
          stroke={inks[look].stroke}
          strokeWidth={inks[look].width}
          strokeLinejoin="round"
        />
      ))}
      {lines.map(({ look, runs, dashed }, i) => (
        <path
          key={`l${i}`}
          d={runs.map((r) => pathOf(r, false)).join('')}
          fill="none"
          stroke={inks[look].stroke}
          strokeWidth={inks[look].width * (dashed ? 0.6 : 1)}
          strokeLinecap="round"
          strokeLinejoin="round"
          {...(dashed && { strokeDasharray: '3 3' })}
        />
      ))}
      {words.map(({ at, text, look }, i) => (
        <text
          key={`w${i}`}
          x={at.x}
          y={at.y}
          fontSize={12}
          fontWeight={600}
          textAnchor="middle"
          dominantBaseline="central"
          fill={inks[look].stroke}
          stroke="white"
          strokeWidth={3}
          paintOrder="stroke"
        >
          {text}
        </text>
      ))}
    </svg>
  );
}
