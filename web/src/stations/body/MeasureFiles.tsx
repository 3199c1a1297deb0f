import {
  likelyUnits,
  measureInfo,
  type MeasureKey,
  measureScan,
  type ScanUnit,
  scanUnits,
  standUp,
} from '@fomrik/core/body';
import type { Mesh } from '@fomrik/core/geometry';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { ChoiceField } from '../../parts/Field';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { todayIso } from '../../store/today';
import { saveFile } from '../cut/saveFile';

const MAX_BYTES = 200 * 1024 * 1024;

interface Scan {
  name: string;
  mesh: Mesh;
  unit: ScanUnit;
  guessed: ScanUnit[];
}

/** Measures in and out as CSV, and from a body scan read as a tape would read it. */
export function MeasureFiles() {
  const wearer = useBuild((s) => s.doc.wearer);
  const update = useBuild((s) => s.update);
  const [scan, setScan] = useState<Scan>();
  const csvInput = useRef<HTMLInputElement>(null);
  const scanInput = useRef<HTMLInputElement>(null);

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
    toast(`${read.value.length} measures taken from ${file.name}.`);
  };
  const openScan = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > MAX_BYTES) {
      toast.error(`${file.name} is larger than 200 MB.`);
      return;
    }
    const { readMesh } = await import('@fomrik/core/files/mesh/readMesh');
    const read = readMesh(file.name, new Uint8Array(await file.arrayBuffer()));
    if (!read.ok) toast.error(`${file.name}: ${read.message}`, { duration: 10000 });
    else show(file.name, read.value);
  };
  const simulate = async (): Promise<void> => {
    const { simulateScan } = await import('@fomrik/core/body');
    show('simulated scanner', simulateScan(useReport.getState().report!.body, { seed: Date.now() % 1000 }));
  };
  const show = (name: string, mesh: Mesh): void => {
    const guessed = likelyUnits(mesh);
    setScan({ name, mesh, unit: guessed[0] ?? 'mm', guessed });
  };

  const read = scan && measureScan(standUp(scan.mesh, scan.unit));
  const take = (): void => {
    if (!read?.ok) return;
    const entries = Object.entries(read.value) as [MeasureKey, number][];
    update((d) => {
      for (const [key, valueMm] of entries)
        d.wearer.measures.push({ key, valueMm, source: 'scan', takenOn: todayIso() });
    });
    toast(`${entries.length} measures taken from the scan. Undo brings the old ones back.`);
    setScan(undefined);
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
        <button type="button" className="btn" onClick={() => scanInput.current?.click()}>
          Body or head scan
        </button>
        <button type="button" className="btn" onClick={() => void simulate()}>
          Try the simulated scanner
        </button>
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
      <input
        ref={scanInput}
        type="file"
        accept=".obj,.stl,.ply"
        className="sr-only"
        tabIndex={-1}
        aria-label="Body or head scan as OBJ, STL or PLY"
        onChange={(e) => {
          void openScan(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      {scan && (
        <div className="leaf mt-2 p-2">
          <p className="font-medium">
            {scan.name}: {scan.mesh.triangles.length} triangles
          </p>
          <ChoiceField
            label={scan.guessed.length === 1 ? 'Unit, as it looks' : 'Unit: please say'}
            value={scan.unit}
            choices={(Object.keys(scanUnits) as ScanUnit[]).map((u) => ({ value: u, label: u }))}
            onChange={(unit) => setScan({ ...scan, unit })}
          />
          {read?.ok ? (
            <ul className="my-1 text-[13px]">
              {(Object.entries(read.value) as [MeasureKey, number][]).map(([key, mm]) => (
                <li key={key}>
                  {measureInfo(key).label}: {mm} mm
                </li>
              ))}
            </ul>
          ) : (
            <p role="alert" className="text-stop">
              {read?.message}
            </p>
          )}
          <div className="flex gap-1.5">
            <button type="button" className="btn btn-main" disabled={!read?.ok} onClick={take}>
              Take these
            </button>
            <button type="button" className="btn" onClick={() => setScan(undefined)}>
              Leave it
            </button>
          </div>
        </div>
      )}
    </section>
  );
}
