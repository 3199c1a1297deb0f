import type { SharedSheets } from '@fomrik/core/files/sharedSheets';
import { counted, trimNumber } from '@fomrik/core/units';
import { useState } from 'react';
import { toast } from 'sonner';
import { saveFile } from '../stations/cut/saveFile';
import { api, type BuildSummary } from '../store/api';
import { coreWorker } from '../workers/coreWorker';
import type { SharedApi } from '../workers/shared';

const TITLE = 'Sheets of several builds';

/** Builds of one shop cut from the same sheets: which are chosen, what it saves, and every sheet to take away. */
export function SheetsTogether({ builds }: { builds: readonly BuildSummary[] }) {
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [open, setOpen] = useState(false);
  const [busy, setBusy] = useState(false);
  const [found, setFound] = useState<{ of: string; shared: SharedSheets }>();
  const can = builds.filter((b) => !b.broken && b.parts > 0);
  if (can.length < 2) return null;
  const key = [...chosen].sort().join();
  const work = async (): Promise<void> => {
    setBusy(true);
    const worker = coreWorker<SharedApi>(Infinity);
    try {
      const docs = await Promise.all(chosen.map(async (id) => ({ id, doc: (await api.load(id)).doc })));
      setFound({ of: key, shared: await worker.api.sharedSheets(docs) });
    } catch (failure) {
      toast.error((failure as Error).message);
    } finally {
      worker.stop();
      setBusy(false);
    }
  };
  const shared = found?.of === key ? found.shared : undefined;
  return (
    <details className="mt-3 border-t border-hair pt-2" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="cursor-pointer text-soft">Several builds on the same sheets</summary>
      {open && (
        <>
          <fieldset className="mt-2">
            <legend className="text-[13px] text-soft">Which are cut together</legend>
            <ul className="grid grid-cols-2 gap-x-6">
              {can.map((b) => (
                <li key={b.id}>
                  <label className="flex min-h-8 items-center gap-2">
                    <input
                      type="checkbox"
                      checked={chosen.includes(b.id)}
                      onChange={(e) =>
                        setChosen(e.target.checked ? [...chosen, b.id] : chosen.filter((id) => id !== b.id))
                      }
                    />
                    <span className="truncate">{b.name}</span>
                  </label>
                </li>
              ))}
            </ul>
          </fieldset>
          <button
            type="button"
            className="btn mt-1"
            disabled={busy || chosen.length < 2}
            onClick={() => void work()}
          >
            {busy ? 'Laying them out…' : 'Lay them out together'}
          </button>
          <p className="sr-only" role="status">
            {shared ? `${counted(shared.sheets.length, 'sheet')} laid out.` : ''}
          </p>
          {shared && <Found shared={shared} />}
        </>
      )}
    </details>
  );
}

function Found({ shared: { saved, lessToPay, sheets, tooBig } }: { shared: SharedSheets }) {
  const less = saved.reduce((sum, s) => sum + s.alone - s.together, 0);
  const money = lessToPay
    ? `${trimNumber(lessToPay.amount, 2)} ${lessToPay.currency} less to pay`
    : 'the builds count in several currencies, so what that saves is not added up';
  return (
    <>
      <p className="mt-2">
        {less === 0
          ? 'Together they want as many sheets as one by one.'
          : `${counted(less, 'sheet')} less than one by one: ${money}.`}
        {tooBig > 0 && ` ${counted(tooBig, 'piece')} too large for any sheet.`}
      </p>
      <table className="mt-1">
        <thead className="text-right text-[12px] text-soft">
          <tr>
            <th className="text-left font-normal">foam</th>
            <th className="pl-4 font-normal">one by one</th>
            <th className="pl-4 font-normal">together</th>
          </tr>
        </thead>
        <tbody>
          {saved.map((s) => (
            <tr key={`${s.foamId}/${s.nominalMm}`} className="border-t border-hair text-right">
              <th scope="row" className="text-left font-medium">
                {s.name}
              </th>
              <td>{s.alone}</td>
              <td>{s.together}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <ol className="mt-2 grid grid-cols-3 gap-4 max-[900px]:grid-cols-2">
        {sheets.map(({ name, holds, svg, dxf }, i) => (
          <li key={name} className="text-[12.5px]">
            <img
              src={`data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`}
              alt={`${name}: ${holds.join(', ')}`}
              className="w-full border border-hair bg-white"
            />
            <p className="font-medium">{name}</p>
            <p className="text-soft">{holds.join(', ')}</p>
            {(
              [
                ['SVG', svg, 'image/svg+xml'],
                ['DXF', dxf, 'image/vnd.dxf'],
              ] as const
            ).map(([label, text, type]) => (
              <button
                key={label}
                type="button"
                className="mr-2 text-teal underline"
                onClick={() => saveFile(text, `shared-sheet-${i + 1}.${label.toLowerCase()}`, type, TITLE)}
              >
                {label}
                <span className="sr-only"> of sheet {i + 1}</span>
              </button>
            ))}
          </li>
        ))}
      </ol>
    </>
  );
}
