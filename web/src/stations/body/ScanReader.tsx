import { counted } from '@fomrik/core/units';
import { measureInfo, type MeasureKey, type ScanUnit, scanUnits } from '@fomrik/core/body';
import type { Result } from '@fomrik/core/units';
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { ChoiceField } from '../../parts/ChoiceField';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { todayIso } from '../../store/today';
import type { ScanRead } from '../../workers/scan.worker';
import { type ScanClient, startScan } from '../../workers/scanClient';

const MAX_BYTES = 200 * 1024 * 1024;

type Found = Result<Partial<Record<MeasureKey, number>>>;

/** Where the reading of a scan is: on its way, or there to be taken. */
type State =
  | { at: 'reading'; name: string; share: number }
  | { at: 'read'; name: string; scan: ScanRead; unit: ScanUnit; found?: Found };

/** Measures from a scan of a body or a head, read as a tape would read it, in a worker of its own. */
export function ScanReader() {
  const update = useBuild((s) => s.update);
  const [state, setState] = useState<State>();
  const client = useRef<ScanClient>(undefined);
  const input = useRef<HTMLInputElement>(null);

  const leave = (): void => {
    client.current?.end();
    client.current = undefined;
    setState(undefined);
  };
  useEffect(() => () => client.current?.end(), []);

  const measure = async (name: string, scan: ScanRead, unit: ScanUnit): Promise<void> => {
    const own = client.current!;
    setState({ at: 'read', name, scan, unit });
    const found = await own.scan.measure(unit);
    if (client.current === own) setState({ at: 'read', name, scan, unit, found });
  };
  const begin = async (name: string, read: (own: ScanClient) => Promise<Result<ScanRead>>): Promise<void> => {
    leave();
    const own = startScan();
    client.current = own;
    setState({ at: 'reading', name, share: 0 });
    const scan = await read(own);
    if (client.current !== own) return;
    if (scan.ok) return measure(name, scan.value, scan.value.guessed[0] ?? 'mm');
    leave();
    toast.error(`${name}: ${scan.message}`, { duration: 10000 });
  };
  const open = (file: File | undefined): void => {
    if (!file) return;
    if (file.size > MAX_BYTES) {
      toast.error(`${file.name} is larger than 200 MB.`);
      return;
    }
    const reported = (share: number): void => setState((s) => (s?.at === 'reading' ? { ...s, share } : s));
    void begin(file.name, ({ scan }) => scan.open(file, proxy(reported)));
  };
  const simulate = (): void => {
    const { body } = useReport.getState().report!;
    void begin('simulated scanner', async ({ scan }) => ({
      ok: true,
      value: await scan.simulate(body, Date.now() % 1000),
    }));
  };

  const entries =
    state?.at === 'read' && state.found?.ok
      ? (Object.entries(state.found.value) as [MeasureKey, number][])
      : [];
  const take = (): void => {
    update((d) => {
      for (const [key, valueMm] of entries)
        d.wearer.measures.push({ key, valueMm, source: 'scan', takenOn: todayIso() });
    });
    toast(`${counted(entries.length, 'measure')} taken from the scan. Undo brings the old ones back.`);
    leave();
  };

  return (
    <>
      <button type="button" className="btn" onClick={() => input.current?.click()}>
        Body or head scan
      </button>
      <button type="button" className="btn" onClick={simulate}>
        Try the simulated scanner
      </button>
      <input
        ref={input}
        type="file"
        accept=".obj,.stl,.ply"
        className="sr-only"
        tabIndex={-1}
        aria-label="Body or head scan as OBJ, STL or PLY"
        onChange={(e) => {
          open(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      {state && (
        <div className="leaf mt-1 w-full p-2">
          {state.at === 'reading' ? (
            <p role="status">
              {state.name}:{' '}
              {state.share < 1 ? `${Math.round(state.share * 100)} % read` : 'sorting its triangles'}…
            </p>
          ) : (
            <>
              <p className="font-medium">
                {state.name}: {state.scan.triangles} triangles
              </p>
              <ChoiceField
                label={state.scan.guessed.length === 1 ? 'Unit, as it looks' : 'Unit: please say'}
                value={state.unit}
                choices={(Object.keys(scanUnits) as ScanUnit[]).map((u) => ({ value: u, label: u }))}
                onChange={(unit) => void measure(state.name, state.scan, unit)}
              />
              {!state.found && <p role="status">Measuring…</p>}
              {state.found?.ok === false && (
                <p role="alert" className="text-stop">
                  {state.found.message}
                </p>
              )}
              <ul className="my-1 text-[13px]">
                {entries.map(([key, mm]) => (
                  <li key={key}>
                    {measureInfo(key).label}: {mm} mm
                  </li>
                ))}
              </ul>
            </>
          )}
          <div className="flex gap-1.5">
            {state.at === 'read' && (
              <button type="button" className="btn btn-main" disabled={entries.length === 0} onClick={take}>
                Use these
              </button>
            )}
            <button type="button" className="btn" onClick={leave}>
              Cancel
            </button>
          </div>
        </div>
      )}
    </>
  );
}
