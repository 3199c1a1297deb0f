import type { PartReport } from '@fomrik/core/parts';
import { laidOutline, type Sheet } from '@fomrik/core/cut';
import { centroid, signedArea } from '@fomrik/core/geometry';
import { catalogue } from '@fomrik/core/materials';

/** One sheet of foam with its pieces laid on it. */
export function SheetDrawing({
  sheet,
  parts,
  number,
}: {
  sheet: Sheet;
  parts: readonly PartReport[];
  number: number;
}) {
  const foam = catalogue.foams.find((f) => f.id === sheet.foamId)?.name ?? sheet.foamId;
  const pieces = sheet.laid.flatMap((laid) => {
    const piece = parts.find((p) => p.id === laid.partId)?.pieces.find((p) => p.id === laid.pieceId);
    return piece
      ? [
          {
            laid,
            piece,
            part: parts.find((p) => p.id === laid.partId)!.name,
            outline: laidOutline(piece.outline, laid),
          },
        ]
      : [];
  });
  const used =
    pieces.reduce((sum, p) => sum + Math.abs(signedArea(p.outline)), 0) / (sheet.widthMm * sheet.heightMm);
  const y = (v: number): number => sheet.heightMm - v;
  return (
    <figure>
      <svg
        viewBox={`-4 -4 ${sheet.widthMm + 8} ${sheet.heightMm + 8}`}
        className="w-full"
        role="img"
        aria-label={`Sheet ${number}: ${pieces.length} pieces, ${(used * 100).toFixed(0)} % used`}
      >
        <rect width={sheet.widthMm} height={sheet.heightMm} fill="var(--color-foam)" />
        {pieces.map(({ laid, piece, part, outline }, i) => {
          const middle = centroid(outline);
          return (
            <g key={i}>
              <polygon
                points={outline.map((p) => `${p.x},${y(p.y)}`).join(' ')}
                fill="#454e51"
                stroke="var(--color-pen)"
                strokeWidth={2}
              />
              <text x={middle.x} y={y(middle.y)} fontSize={17} textAnchor="middle" fill="white">
                <tspan x={middle.x}>{part}</tspan>
                <tspan x={middle.x} dy={19}>
                  {piece.name}
                  {laid.flipped ? ', flipped' : ''}
                </tspan>
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="text-[12.5px]">
        {number}. {sheet.nominalMm} mm {foam}, {sheet.widthMm} × {sheet.heightMm} mm ·{' '}
        {(used * 100).toFixed(0)} % used
      </figcaption>
    </figure>
  );
}
