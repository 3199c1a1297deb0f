import type { LogEntry } from '@fomrik/core/document';
import type { Totals } from '@fomrik/core/findings';
import { trimNumber } from '@fomrik/core/units';
import { format } from 'date-fns';
import { Download, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { useBuild } from '../../store/build';
import { eraseLog, useNotes, writeLog } from '../../store/notes';
import { useReport } from '../../store/report';
import { saveFile } from '../cut/saveFile';
import { Readings } from './Readings';

/** What is usually worth writing down, with what was planned. */
const suggestions = (
  t: Totals,
  currency: string,
): { subject: string; planned: number | null; unit: string }[] => [
  { subject: 'Hours at work', planned: t.workMin / 60, unit: 'h' },
  { subject: 'Hours of light', planned: t.lightHours, unit: 'h' },
  { subject: 'Mass, finished', planned: t.massG, unit: 'g' },
  { subject: 'Spent', planned: t.cost, unit: currency },
  { subject: 'Sheets of foam used', planned: t.sheets, unit: 'sheets' },
];

const emptyEntry = { subject: '', planned: '', actual: '', unit: '', note: '' };

/** Reads a number that may be left out. */
function optional(text: string): number | null | undefined {
  if (text.trim() === '') return null;
  const value = Number(text.replace(',', '.'));
  return Number.isFinite(value) ? value : undefined;
}

/** What really happened, against what was planned. */
export function Log() {
  const log = useNotes((s) => s.log);
  const report = useReport((s) => s.report)!;
  const doc = useBuild((s) => s.doc);
  const [entry, setEntry] = useState(emptyEntry);
  const [message, setMessage] = useState('');
  const set = (change: Partial<typeof emptyEntry>): void => setEntry((e) => ({ ...e, ...change }));

  const write = async (): Promise<void> => {
    const planned = optional(entry.planned);
    const actual = optional(entry.actual);
    if (entry.subject.trim() === '') return setMessage('What was it about? The first field is empty.');
    if (planned === undefined) return setMessage(`Planned: “${entry.planned}” is not a number.`);
    if (actual === undefined) return setMessage(`Actual: “${entry.actual}” is not a number.`);
    setMessage('');
    const made: LogEntry = {
      id: `log-${Date.now()}`,
      at: new Date().toISOString(),
      subject: entry.subject.trim(),
      note: entry.note,
      planned,
      actual,
      unit: entry.unit,
    };
    if (await writeLog(made)) {
      setEntry(emptyEntry);
      toast('Written.');
    }
  };

  const exportCsv = async (): Promise<void> => {
    const { logCsv } = await import('@fomrik/core/files/csv');
    saveFile(logCsv(log), 'log.csv', 'text/csv', doc.name);
  };

  return (
    <div className="grid gap-4 p-4">
      <form
        className="leaf grid grid-cols-[2fr_1fr_1fr_1fr_3fr_auto] items-end gap-2 p-3"
        aria-label="New entry"
        onSubmit={(e) => {
          e.preventDefault();
          void write();
        }}
      >
        <Labelled label="About" value={entry.subject} onChange={(subject) => set({ subject })} />
        <Labelled label="Planned" value={entry.planned} onChange={(planned) => set({ planned })} />
        <Labelled label="Actual" value={entry.actual} onChange={(actual) => set({ actual })} />
        <Labelled label="Unit" value={entry.unit} onChange={(unit) => set({ unit })} />
        <Labelled label="Note" value={entry.note} onChange={(note) => set({ note })} />
        <button type="submit" className="btn btn-main">
          Write
        </button>
        {message && (
          <p role="alert" className="col-span-6 text-stop">
            {message}
          </p>
        )}
        <div className="col-span-6 flex flex-wrap gap-1.5">
          {suggestions(report.totals, doc.brief.currency)
            .filter((s) => s.planned !== null)
            .map((s) => (
              <button
                key={s.subject}
                type="button"
                className="btn"
                onClick={() => set({ subject: s.subject, planned: trimNumber(s.planned!, 1), unit: s.unit })}
              >
                {s.subject}
              </button>
            ))}
        </div>
      </form>
      <Readings />
      {log.length === 0 ? (
        <p className="text-soft">
          Nothing written yet. The next build starts from what this one really took: hours, light, mass,
          money, what broke.
        </p>
      ) : (
        <>
          <table className="w-full">
            <thead className="text-left text-[12px] text-soft">
              <tr>
                {['when', 'about', 'planned', 'actual', 'difference', 'note', ''].map((h) => (
                  <th key={h} className="px-1 font-medium">
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {log.map((e) => (
                <tr key={e.id} className="border-t border-hair align-top">
                  <td className="whitespace-nowrap px-1 py-1.5 text-soft">
                    {format(new Date(e.at), 'd MMM HH:mm')}
                  </td>
                  <td className="px-1 py-1.5 font-medium">{e.subject}</td>
                  <td className="px-1 py-1.5">
                    {e.planned === null ? '–' : `${trimNumber(e.planned, 1)} ${e.unit}`}
                  </td>
                  <td className="px-1 py-1.5">
                    {e.actual === null ? '–' : `${trimNumber(e.actual, 1)} ${e.unit}`}
                  </td>
                  <td className="px-1 py-1.5 font-medium text-teal">
                    {e.planned && e.actual !== null
                      ? `${e.actual >= e.planned ? '+' : '−'}${Math.abs(((e.actual - e.planned) / e.planned) * 100).toFixed(0)} %`
                      : ''}
                  </td>
                  <td className="px-1 py-1.5">{e.note}</td>
                  <td>
                    <button
                      type="button"
                      className="btn btn-icon"
                      aria-label={`Erase: ${e.subject}`}
                      onClick={() => void eraseLog(e)}
                    >
                      <Trash2 size={15} aria-hidden />
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <div>
            <button type="button" className="btn" onClick={() => void exportCsv()}>
              <Download size={15} aria-hidden /> Log, CSV
            </button>
          </div>
        </>
      )}
    </div>
  );
}

function Labelled({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
}) {
  return (
    <label className="min-w-0">
      <span className="label">{label}</span>
      <input
        className="box"
        value={value}
        maxLength={label === 'Note' ? 5000 : 120}
        onChange={(e) => onChange(e.target.value)}
      />
    </label>
  );
}
