import { counted } from '@fomrik/core/units';
import type { CutPlan } from '@fomrik/core/document';
import { paper } from '@fomrik/core/pattern';
import { Empty } from '../../parts/Empty';
import { ChoiceField } from '../../parts/ChoiceField';
import { LengthField } from '../../parts/Field';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { CutterFields } from './CutterFields';
import { Downloads } from './Downloads';
import { NestPanel } from './NestPanel';
import { PartSolids } from './PartSolids';
import { PrintedParts } from './PrintedParts';
import { PrinterBook } from './PrinterBook';
import { PagePreview } from './PagePreview';
import { Remainders } from './Remainders';
import { SheetDrawing } from './SheetDrawing';
import { PipeBench } from './PipeBench';
import { Sticks } from './Sticks';
import { OwnFoams } from './OwnFoams';
import { StockTable } from './StockTable';

/** Pieces on sheets, pages on the printer, files for the cutter, and what is on the shelf. */
export function Cut() {
  const cut = useBuild((s) => s.doc.cut);
  const parts = useBuild((s) => s.doc.parts);
  const update = useBuild((s) => s.update);
  const report = useReport((s) => s.report)!;
  if (parts.length === 0) return <Empty what="cut" />;
  const set = <K extends keyof CutPlan>(key: K, value: CutPlan[K]): void =>
    update((d) => void (d.cut[key] = value));
  return (
    <div className="grid gap-4 p-4">
      <section aria-label="Sheets">
        <h2 className="head">
          Sheets: {report.packed.sheets.length}
          {report.packed.tooBig.length > 0 &&
            `, and ${counted(report.packed.tooBig.length, 'piece')} that fit none`}
        </h2>
        <NestPanel />
        <div className="mt-1 grid grid-cols-2 gap-3">
          {report.packed.sheets.map((sheet, i) => (
            <SheetDrawing key={i} sheet={sheet} parts={report.parts} number={i + 1} />
          ))}
        </div>
      </section>
      <CutterFields />
      <Sticks sets={report.sticks} />
      {report.sticks.length > 0 && <PipeBench />}
      <section aria-label="Print" className="leaf p-3">
        <h2 className="head">Print at actual size</h2>
        <div className="mt-1 grid grid-cols-6 max-[1100px]:grid-cols-3 gap-3">
          <ChoiceField
            label="Paper"
            value={cut.page}
            choices={(Object.keys(paper) as CutPlan['page'][]).map((p) => ({ value: p, label: p }))}
            onChange={(page) => set('page', page)}
          />
          <LengthField
            label="Bar across measured"
            valueMm={cut.barMeasuredMm}
            range={[80, 120]}
            onChange={(mm) => set('barMeasuredMm', mm)}
            help="Print one page, measure the bar with a real ruler, type it here. The next print is corrected."
          />
          <LengthField
            label="Bar along measured"
            valueMm={cut.barAlongMeasuredMm ?? cut.barMeasuredMm}
            range={[80, 120]}
            onChange={(mm) => set('barAlongMeasuredMm', mm)}
            help="The bar along the first page; some printers scale otherwise along than across."
          />
          <ChoiceField
            label="Pieces"
            value={cut.pagePlan ?? 'together'}
            choices={[
              { value: 'together', label: 'share pages' },
              { value: 'apart', label: 'one a page' },
            ]}
            onChange={(plan) => set('pagePlan', plan)}
          />
          <LengthField
            label="Pages overlap"
            valueMm={cut.overlapMm}
            range={[0, 40]}
            onChange={(mm) => set('overlapMm', mm)}
          />
          <LengthField
            label="Room between pieces"
            valueMm={cut.spacingMm}
            range={[0, 50]}
            onChange={(mm) => set('spacingMm', mm)}
          />
        </div>
        <PrinterBook />
        <PagePreview report={report} cut={cut} />
      </section>
      <Downloads />
      <PartSolids />
      <PrintedParts />
      <Remainders />
      <StockTable />
      <OwnFoams />
    </div>
  );
}
