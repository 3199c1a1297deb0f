import type { CutPlan } from '@fomrik/core/document';
import { FOOT_MM, PAGE_MARGIN_MM, paper, printScale } from '@fomrik/core/pattern';
import type { Report } from '@fomrik/core/report';
import { useWorked } from '../../parts/useWorked';
import { WorkedNote } from '../../parts/WorkedNote';
import { askPages } from '../../store/report';

/** Every page that will be printed, small. */
export function PagePreview({ report, cut }: { report: Report; cut: CutPlan }) {
  const worked = useWorked(() => askPages(cut), [report, cut]);
  const pages = worked.value;
  const size = paper[cut.page];
  const scale = printScale(cut);
  if (!pages) return <WorkedNote of={worked} what="The pages" />;
  return (
    <>
      <p className="mt-2 text-[13px] text-soft">
        {pages.length} pages of {cut.page} and a first page that says how to print, what is where, and every
        piece. Each has crosses, a map and bars of 100 mm and 4 in.
        {(scale.x !== 1 || scale.y !== 1) &&
          ` Corrected × ${scale.x.toFixed(4)} across and × ${scale.y.toFixed(4)} along for your printer.`}{' '}
        Print at 100 %, never “fit to page”.
      </p>
      <ol className="mt-1 flex flex-wrap gap-2">
        {pages.map((page, i) => (
          <li key={i}>
            <svg
              viewBox={`0 0 ${size.widthMm} ${size.heightMm}`}
              className="h-28 border border-hair bg-white"
              role="img"
              aria-label={`Page ${i + 1}: ${page.placed.map(({ item }) => item.piece.name).join(', ')}`}
            >
              <svg
                x={PAGE_MARGIN_MM}
                y={PAGE_MARGIN_MM}
                width={size.widthMm - 2 * PAGE_MARGIN_MM}
                height={size.heightMm - 2 * PAGE_MARGIN_MM - FOOT_MM}
                viewBox={`${page.x} ${-page.y - page.heightMm} ${page.widthMm} ${page.heightMm}`}
              >
                {page.placed.map(({ item, outline }) => (
                  <polygon
                    key={`${item.source.partName}/${item.piece.id}`}
                    points={outline.map((p) => `${p.x},${-p.y}`).join(' ')}
                    fill="var(--color-wash)"
                    stroke="black"
                    strokeWidth={1.6}
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
