import { nestKey, sheetGroups } from '@fomrik/core/cut';
import type { Nest } from '@fomrik/core/document';
import { counted, trimNumber } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { useEffect, useMemo, useState } from 'react';
import { catalogueNow } from '../../store/catalogue';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import type { NestProgress } from '../../workers/nestProgress';
import { NestRun } from '../../workers/nestClient';
import { toast } from 'sonner';

/** Nesting of true shapes: begun, watched, stopped with the best kept, and taken back. */
export function NestPanel() {
  const spacingMm = useBuild((s) => s.doc.cut.spacingMm);
  const stock = useBuild((s) => s.doc.stock);
  const kept = useBuild((s) => s.doc.cut.nests);
  const update = useBuild((s) => s.update);
  const parts = useReport((s) => s.report!.parts);
  const sheets = useReport((s) => s.report!.packed.sheets);
  const [progress, setProgress] = useState<NestProgress | undefined>();
  const [running, setRunning] = useState(false);
  const groups = useMemo(
    () => sheetGroups(useBuild.getState().doc, parts, catalogueNow()),
    // Sheets and spacing are the document's; pieces are the report's.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [parts, stock],
  );
  const key = groups.map(({ items, size }) => nestKey(items, size, spacingMm)).join();
  // When the pieces change, finer ones after a first answer among them, the search begins anew with them.
  useEffect(() => {
    if (!running) return;
    setProgress(undefined);
    const run = new NestRun(groups, spacingMm, kept ?? [], setProgress, (error) => {
      setRunning(false);
      toast.error(
        `The search for tighter sheets ended: ${error.message} What it found so far is lost; start it again.`,
      );
    });
    return () => run.stop();
    // The key says all that is searched over.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [running, key]);
  const begin = (): void => setRunning(true);
  const end = (keep: boolean): void => {
    setRunning(false);
    if (keep && progress)
      update((d) => {
        d.cut.nests = progress.nests as Draft<Nest[]>;
      });
  };
  const nested = sheets.filter((s) => s.nested).length;
  return (
    <div className="mt-1 flex flex-wrap items-center gap-2" role="group" aria-label="Nesting">
      {running ? (
        <>
          <button type="button" className="btn btn-main" disabled={!progress} onClick={() => end(true)}>
            Stop and keep the best
          </button>
          <button type="button" className="btn" onClick={() => end(false)}>
            Cancel
          </button>
        </>
      ) : (
        <button type="button" className="btn" onClick={begin}>
          {nested > 0 ? 'Nest on' : 'Nest true shapes'}
        </button>
      )}
      {!running && kept && kept.length > 0 && (
        <button
          type="button"
          className="btn"
          onClick={() => update((d) => void delete d.cut.nests)}
          title="As they were before nesting"
        >
          Back to boxes
        </button>
      )}
      <p role="status" className="text-[13.5px]">
        {running
          ? progress
            ? `${counted(progress.sheets, 'sheet')}, ${trimNumber(progress.used * 100, 0)} % used, after ${counted(progress.tries, 'try', 'tries')}; no layout takes fewer than ${progress.leastSheets}, by the area and the largest pieces.`
            : 'Laying the first…'
          : nested > 0
            ? nested === sheets.length
              ? 'Nested.'
              : `Nested on ${nested} of ${counted(sheets.length, 'sheet')}; the pieces on the others have changed since, or no sheet holds one of them.`
            : kept && kept.length > 0
              ? 'The pieces have changed since they were nested: laid by boxes until they are nested again.'
              : 'Laid by boxes. True shapes take less foam; the longer it searches, the better.'}
      </p>
    </div>
  );
}
