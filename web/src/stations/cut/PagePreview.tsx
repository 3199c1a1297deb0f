import type { CutPlan } from '@fomrik/core/document';
import type { Report } from '@fomrik/core/report';
import { sourcedPieces } from '@fomrik/core/files/sourcedPieces';
import { FOOT_MM, PAGE_MARGIN_MM, paper, printScale, tilePages } from '@fomrik/core/files/pages';

/** Every page that will be printed, small. */
export function PagePreview({ report, cut }: { report: Report; cut: CutPlan }) {
  const pages = tilePages(sourcedPieces(report), cut);
  const size = paper[cut.page];
  const scale = printScale(cut);
  return (
    <>
      <p className="mt-2 text-[13px] text-soft">
        {pages.length} pages of {cut.page}, each with crosses, a page map and bars of 100 mm and 4 in.
        {cut.barMeasuredMm !== 100 && ` Enlarged × ${scale.toFixed(4)} for your printer.`} Print at 100 %,
        never “fit to page”.
      </p>
      <ol className="mt-1 flex flex-wrap gap-2">
        {pages.map((page, i) => (
          <li key={i}>
            <svg
              viewBox={`0 0 ${size.widthMm} ${size.heightMm}`}
              className="h-28 border border-hair bg-white"
              role="img"
              aria-label={`Page ${i + 1}: ${page.item.piece.name}, column ${page.column + 1}, row ${page.row + 1}`}
            >
              <svg
                x={PAGE_MARGIN_MM}
                y={PAGE_MARGIN_MM}
                width={size.widthMm - 2 * PAGE_MARGIN_MM}
                height={size.heightMm - 2 * PAGE_MARGIN_MM - FOOT_MM}
                viewBox={`${page.x} ${-page.y - page.heightMm} ${page.widthMm} ${page.heightMm}`}
              >
                <polygon
                  points={page.item.piece.outline.map((p) => `${p.x},${-p.y}`).join(' ')}
                  fill="none"
                  stroke="black"
                  strokeWidth={1.6}
                />
                {page.item.piece.holes.map((h) => (
                  <circle
                    key={h.id}
                    cx={h.centre.x}
                    cy={-h.centre.y}
                    r={h.diameterMm / 2}
                    fill="none"
                    stroke="black"
                  />
                ))}
              </svg>
              <path
                d={`M12 ${size.heightMm - 26}h100M12 ${size.heightMm - 18}h101.6`}
                stroke="black"
                strokeWidth={1.5}
              />
              <text x={size.widthMm - 14} y={size.heightMm - 12} fontSize={13} textAnchor="end">
                {i + 1}
              </text>
            </svg>
          </li>
        ))}
      </ol>
    </>
  );
}
