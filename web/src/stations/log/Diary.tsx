import type { Totals } from '@fomrik/core/findings';
import type { LogEntry, LogSort } from '@fomrik/core/document';
import { trimNumber } from '@fomrik/core/units';
import { Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { api, type ApiError } from '../../store/api';
import { useBuild } from '../../store/build';
import { useNotes, writeLog } from '../../store/notes';
import { useReport } from '../../store/report';
import { Entries } from './Entries';
import { LogCsv } from './LogCsv';
import { sorts } from './sorts';
import { Photo } from './Photo';
import { newId } from '../../store/newId';
import { dropWaiting, useOutbox } from '../../store/outbox';
import { safeStorage } from '../../store/safeStorage';

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

const MOST_PHOTOS = 20;

const emptyEntry = {
  subject: '',
  planned: '',
  actual: '',
  unit: '',
  note: '',
  sort: 'note' as LogSort,
  part: '',
  photos: [] as string[],
};

type Draft = typeof emptyEntry;
const draftKey = (buildId: string): string => `fomrik:entry:${buildId}`;

/** An entry that was begun and not written is there again after a reload; photographs that were not sent are not. */
function draftOf(buildId: string): Draft {
  try {
    const kept = JSON.parse(safeStorage.getItem(draftKey(buildId)) ?? '{}') as Partial<Draft>;
    return { ...emptyEntry, ...kept };
  } catch {
    return emptyEntry;
  }
}

/** Reads a number that may be left out. */
function optional(text: string): number | null | undefined {
  if (text.trim() === '') return null;
  const value = Number(text.replace(',', '.'));
  return Number.isFinite(value) ? value : undefined;
}

/** What happened, day by day, with pictures, against what was planned. */
export function Diary() {
  const log = useNotes((s) => s.log);
  const report = useReport((s) => s.report)!;
  const doc = useBuild((s) => s.doc);
  const buildId = useBuild((s) => s.id);
  const [entry, setEntry] = useState(() => draftOf(buildId));
  /** Photographs that could not be sent yet. */
  const [unsent, setUnsent] = useState<File[]>([]);
  const refused = useOutbox((s) => s.refused);
  const waiting = useOutbox((s) => s.waiting).filter((w) => w.buildId === buildId);
  useEffect(() => {
    if (entry === emptyEntry) safeStorage.removeItem(draftKey(buildId));
    else safeStorage.setItem(draftKey(buildId), JSON.stringify(entry));
  }, [entry, buildId]);
  const [message, setMessage] = useState('');
  const [busy, setBusy] = useState(0);
  const set = (change: Partial<typeof emptyEntry>): void => setEntry((e) => ({ ...e, ...change }));

  const write = async (): Promise<void> => {
    const planned = optional(entry.planned);
    const actual = optional(entry.actual);
    if (entry.subject.trim() === '') return setMessage('What was it about? The first field is empty.');
    if (planned === undefined) return setMessage(`Planned: “${entry.planned}” is not a number.`);
    if (actual === undefined) return setMessage(`Actual: “${entry.actual}” is not a number.`);
    if (entry.sort === 'bought' && actual === null)
      return setMessage('Actual: what is bought has a price; the field is empty.');
    setMessage('');
    const made: LogEntry = {
      id: newId('log'),
      at: new Date().toISOString(),
      subject: entry.subject.trim(),
      note: entry.note,
      planned,
      actual,
      unit: entry.unit || (entry.sort === 'bought' ? doc.brief.currency : ''),
      ...(entry.sort !== 'note' && { sort: entry.sort }),
      ...(entry.part && { part: entry.part }),
      ...(entry.photos.length > 0 && { photos: entry.photos }),
    };
    if (await writeLog(made, unsent)) {
      setEntry(emptyEntry);
      setUnsent([]);
    }
  };

  const addPhotos = async (files: readonly File[]): Promise<void> => {
    for (const [i, file] of files.entries()) {
      setBusy(files.length - i);
      try {
        const { content } = await api.putPicture(file);
        setEntry((e) =>
          e.photos.includes(content) || e.photos.length >= MOST_PHOTOS
            ? e
            : { ...e, photos: [...e.photos, content] },
        );
      } catch (error) {
        if ((error as ApiError).status === 0) setUnsent((all) => [...all, file].slice(0, MOST_PHOTOS));
        else toast.error(`${file.name}: ${(error as Error).message}`);
      }
    }
    setBusy(0);
  };

  return (
    <div className="grid gap-4">
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
        <button type="submit" className="btn btn-main" disabled={busy > 0}>
          Write
        </button>
        {message && (
          <p role="alert" className="col-span-6 text-stop">
            {message}
          </p>
        )}
        <div className="col-span-6 flex flex-wrap items-end gap-2">
          <label className="min-w-0">
            <span className="label">Kind of entry</span>
            <select
              className="box"
              value={entry.sort}
              onChange={(e) => set({ sort: e.target.value as LogSort })}
            >
              {sorts.map((s) => (
                <option key={s.value} value={s.value}>
                  {s.label}
                </option>
              ))}
            </select>
          </label>
          <label className="min-w-0">
            <span className="label">Part</span>
            <select className="box" value={entry.part} onChange={(e) => set({ part: e.target.value })}>
              <option value="">the whole build</option>
              {doc.parts.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </select>
          </label>
          <label className={`btn cursor-pointer ${busy > 0 ? 'opacity-50' : ''}`}>
            {busy > 0 ? `Reading ${busy}…` : 'Add photos'}
            <input
              type="file"
              multiple
              accept="image/png,image/jpeg,image/webp"
              className="sr-only"
              disabled={busy > 0}
              onChange={(e) => {
                void addPhotos([...(e.target.files ?? [])]);
                e.target.value = '';
              }}
            />
          </label>
          {unsent.length > 0 && (
            <span className="text-[13px] text-soft">
              {unsent.length === 1 ? 'One photo waits' : `${unsent.length} photos wait`} until the server
              answers.
            </span>
          )}
          {entry.photos.map((content) => (
            <span key={content} className="relative">
              <Photo content={content} about="of the new entry" />
              <button
                type="button"
                className="btn btn-icon absolute right-0 top-0 bg-paper"
                aria-label="Leave this photo out"
                onClick={() => set({ photos: entry.photos.filter((c) => c !== content) })}
              >
                <Trash2 size={13} aria-hidden />
              </button>
            </span>
          ))}
        </div>
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
      {waiting.length > 0 && (
        <ul aria-label="Entries that wait" className="border-l-4 border-stop bg-paper p-2">
          {waiting.map((w) => (
            <li key={w.id}>
              <span className="font-medium">{w.entry.subject}</span>{' '}
              <span className="text-soft">
                {refused[w.id]
                  ? `is not accepted: ${refused[w.id]}`
                  : 'waits in this browser until the server answers'}
                {w.photos.length > 0 &&
                  ` (${w.photos.length === 1 ? 'one photo' : `${w.photos.length} photos`})`}
              </span>
              {refused[w.id] && (
                <button type="button" className="btn ml-2 min-h-7 px-2" onClick={() => void dropWaiting(w)}>
                  Delete<span className="sr-only"> {w.entry.subject}</span>
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      {log.length === 0 ? (
        <p className="text-soft">
          Nothing written yet. The next build starts from what this one really took: hours, light, mass,
          money, what broke.
        </p>
      ) : (
        <Entries log={log} parts={doc.parts} made={report.parts} />
      )}
      <LogCsv />
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
