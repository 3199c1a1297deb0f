import { applyChanges } from '@fomrik/core/document';
import { quantities } from '@fomrik/core/learn';
import type { Readiness } from '@fomrik/core/plan';
import type { Easing, Report } from '@fomrik/core/report';
import { byId, trimNumber } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { useBuild } from '../../store/build';
import { ReadyRun } from '../../workers/readyClient';

const percent = (share: number): string => `${trimNumber(share * 100, 0)} %`;
const days = (n: number): string =>
  n >= 0 ? `${n} day${n === 1 ? '' : 's'} to spare` : `${-n} day${n === -1 ? '' : 's'} late`;

/** Whether it will be ready, which steps decide that, and what would help. */
export function ReadyPanel({ report }: { report: Report }) {
  const doc = useBuild((s) => s.doc);
  const update = useBuild((s) => s.update);
  const [now, setNow] = useState<Readiness>();
  const [eased, setEased] = useState<Easing[]>([]);
  const [asked, setAsked] = useState<typeof doc>();
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState('');
  const run = useRef<ReadyRun>(undefined);
  useEffect(() => () => run.current?.stop(), []);
  const stop = (): void => {
    run.current?.stop();
    setBusy(false);
  };
  const ask = (): void => {
    run.current?.stop();
    setNow(undefined);
    setEased([]);
    setAsked(doc);
    setBusy(true);
    setFault('');
    run.current = new ReadyRun(
      doc,
      report,
      setNow,
      (easing) => setEased((all) => [...all, easing]),
      (fault) => {
        setBusy(false);
        setFault(fault?.message ?? '');
      },
    );
  };
  const take = ({ label, changes }: Easing): void => {
    const next = applyChanges(doc, changes);
    update((d) => void Object.assign(d, next as Draft<typeof d>));
    toast(`${label}.`);
  };
  return (
    <section className="p-5" aria-label="Will it be ready">
      <div className="flex items-center gap-3">
        {fault && (
          <p role="alert" className="text-stop">
            The odds could not be calculated. {fault} Try again.
          </p>
        )}
        {busy ? (
          <button type="button" className="btn" onClick={stop}>
            Stop
          </button>
        ) : (
          <button type="button" className="btn btn-main" onClick={ask}>
            {now ? 'Recalculate' : 'Will it be ready?'}
          </button>
        )}
        <p role="status" className="text-soft">
          {busy
            ? now && now.runs >= 1000
              ? 'Trying what would help…'
              : `Simulated ${now?.runs ?? 0} of 1000 runs…`
            : asked && asked !== doc
              ? 'The build has changed since.'
              : !now && 'Runs the plan a thousand times with work and drying longer or shorter, as they are.'}
        </p>
      </div>
      {now && (
        <>
          <h2 className="mt-3 text-[30px] leading-tight">{percent(now.chance)} likely to be ready in time</h2>
          <p className="mt-1 text-[17px]">
            In the middle {days(now.daysMiddle)}; one in ten no better than {days(now.daysLow)}, one in ten{' '}
            {days(now.daysHigh)} or more.{' '}
            {Object.values(report.constants).some((c) => c.readings > 0)
              ? 'By your own readings where there are some.'
              : 'By a stated spread, until you have ticked steps with what they took.'}
          </p>
        </>
      )}
      {now && now.deciding.length + now.paces.length > 0 && (
        <div className="mt-3">
          <h3 className="head">What decides it</h3>
          <ul className="list-disc pl-5">
            {now.paces.slice(0, 2).map((p) => (
              <li key={p.quantity}>
                Your pace at {quantities[p.quantity].label.toLowerCase()} ({percent(p.strength)} in step with
                the end)
              </li>
            ))}
            {now.deciding.slice(0, 4).map((d) => (
              <li key={d.stepId}>
                {byId(report.steps, d.stepId)?.title} ({percent(d.strength)})
              </li>
            ))}
          </ul>
        </div>
      )}
      {eased.length > 0 && (
        <table className="mt-4 w-full max-w-3xl">
          <thead className="text-left text-[12px] text-soft">
            <tr>
              {['what would help', 'ready', 'to spare, middle', 'work', 'to buy', ''].map((h) => (
                <th key={h} className="px-1 font-medium">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {eased.map((e) => (
              <tr key={e.label} className="border-t border-hair">
                <td className="px-1 py-1">{e.label}</td>
                <td className="whitespace-nowrap px-1 font-medium text-teal">{percent(e.chance)}</td>
                <td className="whitespace-nowrap px-1">{e.daysMiddle} days</td>
                <td className="whitespace-nowrap px-1">{trimNumber(e.workMin / 60, 0)} h</td>
                <td className="whitespace-nowrap px-1">
                  {trimNumber(e.cost, 0)} {doc.brief.currency}
                </td>
                <td className="whitespace-nowrap px-1 text-right">
                  {e.changes.length > 0 ? (
                    <button
                      type="button"
                      className="btn min-h-7 px-2"
                      disabled={asked !== doc}
                      onClick={() => take(e)}
                    >
                      Do that
                    </button>
                  ) : (
                    <span className="text-[12px] text-soft">a version; choose it under Brief</span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
