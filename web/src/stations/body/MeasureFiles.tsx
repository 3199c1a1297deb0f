import { counted } from '@fomrik/core/units';
import { useRef } from 'react';
import { toast } from 'sonner';
import { useBuild } from '../../store/build';
import { todayIso } from '../../store/today';
import { saveFile } from '../cut/saveFile';
import { ScanReader } from './ScanReader';

/** Measures in and out as CSV, and from a body scan read as a tape would read it. */
export function MeasureFiles() {
  const wearer = useBuild((s) => s.doc.wearer);
  const update = useBuild((s) => s.update);
  const csvInput = useRef<HTMLInputElement>(null);

  const exportCsv = async (): Promise<void> => {
    const { measuresCsv } = await import('@fomrik/core/files/measuresCsv');
    saveFile(measuresCsv(wearer.measures), 'measures.csv', 'text/csv', wearer.name);
  };
  const importCsv = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const { readMeasuresCsv } = await import('@fomrik/core/files/measuresCsv');
    const read = readMeasuresCsv(await file.text(), todayIso());
    if (!read.ok) {
      toast.error(`${file.name}: ${read.message}`, { duration: 10000 });
      return;
    }
    update((d) => void d.wearer.measures.push(...read.value));
    toast(`${counted(read.value.length, 'measure')} taken from ${file.name}.`);
  };

  return (
    <section aria-label="Measures from files" className="mt-3 border-t border-hair pt-2">
      <div className="flex flex-wrap gap-1.5">
        <button type="button" className="btn" onClick={() => csvInput.current?.click()}>
          CSV in
        </button>
        <button type="button" className="btn" onClick={() => void exportCsv()}>
          CSV out
        </button>
        <ScanReader />
      </div>
      <input
        ref={csvInput}
        type="file"
        accept=".csv,text/csv"
        className="sr-only"
        tabIndex={-1}
        aria-label="Measures as CSV"
        onChange={(e) => {
          void importCsv(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
    </section>
  );
}
