import type { CircuitReport } from '@fomrik/core/circuit';
import type { SwitchKind } from '@fomrik/core/materials';
import type { PowerMethod, MethodProposal } from '@fomrik/core/report';
import { trimNumber } from '@fomrik/core/units';
import { useState } from 'react';
import { ChoiceField } from '../../parts/ChoiceField';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { insideWorker, stopInside } from '../../workers/insideClient';
import { Stopped } from '../../workers/workerOf';
import { toast } from 'sonner';

const powers: { value: PowerMethod; label: string }[] = [
  { value: 'day', label: 'sized to the day' },
  { value: 'never-out', label: 'never run out: three days' },
];
const switchings: { value: SwitchKind; label: string }[] = [
  { value: 'latching', label: 'latching: stays on for pictures' },
  { value: 'momentary', label: 'momentary: for effect' },
  { value: 'remote', label: 'remote: the shell stays shut' },
];

/** The lights of a circuit by each method, with pack and switch, and what that changes. */
export function Methods({ circuit }: { circuit: CircuitReport | undefined }) {
  const doc = useBuild((s) => s.doc);
  const apply = useBuild((s) => s.apply);
  const totals = useReport((s) => s.report!.totals);
  const [power, setPower] = useState<PowerMethod>('day');
  const [switching, setSwitching] = useState<SwitchKind>('latching');
  const [rows, setRows] = useState<{ doc: typeof doc; found: MethodProposal[] } | undefined>();
  const [busy, setBusy] = useState(false);
  if (!circuit) return <p className="text-soft">Nothing is joined up yet.</p>;
  const ask = async (): Promise<void> => {
    setBusy(true);
    setRows(undefined);
    try {
      setRows({ doc, found: await insideWorker.methods(doc, circuit.id, { power, switching }) });
    } catch (error) {
      if (!(error instanceof Stopped))
        toast.error(`They could not be tried: ${(error as Error).message} Try again.`);
    } finally {
      setBusy(false);
    }
  };
  const stale = rows !== undefined && rows.doc !== doc;
  const more = (now: number, before: number): string => {
    const by = now - before;
    return Math.abs(by) < 0.5 ? 'as now' : `${by > 0 ? '+' : '−'}${trimNumber(Math.abs(by), 0)}`;
  };
  return (
    <div className="text-[13px]">
      <div className="flex items-end gap-2">
        <ChoiceField label="Power" value={power} choices={powers} onChange={setPower} />
        <ChoiceField label="Switched" value={switching} choices={switchings} onChange={setSwitching} />
        {busy ? (
          <button
            type="button"
            className="btn"
            onClick={() => {
              stopInside();
              setBusy(false);
            }}
          >
            Stop
          </button>
        ) : (
          <button type="button" className="btn" onClick={() => void ask()}>
            Compare the methods
          </button>
        )}
      </div>
      <p role="status" className="my-1 text-soft">
        {busy
          ? 'Working out every method…'
          : stale
            ? 'The build has changed since; compare anew.'
            : rows?.found.length === 0
              ? 'Lights in rooms and light boxes have no other method; they stay as they are.'
              : rows
                ? 'One press takes the whole set: lights, pack, switch.'
                : 'Lights, pack and switch of this circuit by each method.'}
      </p>
      {rows && !stale && rows.found.length > 0 && (
        <table className="w-full">
          <thead>
            <tr className="text-right text-soft">
              <th className="text-left font-normal">method</th>
              <th className="text-left font-normal">the set</th>
              <th className="px-1 font-normal">hours</th>
              <th className="px-1 font-normal">g</th>
              <th className="px-1 font-normal">cost</th>
              <th className="font-normal">stops</th>
            </tr>
          </thead>
          <tbody>
            {rows.found.map((row) => (
              <tr
                key={row.method}
                className={`border-t border-hair text-right align-top ${row.now ? 'bg-wash' : ''}`}
              >
                <td className="text-left">
                  {row.changes.length === 0 ? (
                    `${row.label} (now)`
                  ) : (
                    <button
                      type="button"
                      className="text-left text-teal underline"
                      onClick={() => apply(row.changes)}
                    >
                      {row.label}
                    </button>
                  )}
                </td>
                <td className="px-1 text-left text-[12px] leading-tight">
                  {[...row.lights, row.pack, row.switch].filter((w) => w !== '').join(' · ')}
                </td>
                <td className="px-1">{trimNumber(row.hours, 1)}</td>
                <td className="px-1">{more(row.massG, totals.massG)}</td>
                <td className="px-1">{more(row.cost, totals.cost)}</td>
                <td>{row.stops}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
