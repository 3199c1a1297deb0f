import { newBuild } from '@fomrik/core/parts';
import { format, formatDistanceToNow } from 'date-fns';
import { Copy, Download, Plus, Trash2, Upload } from 'lucide-react';
import { useCallback, useEffect, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { toast } from 'sonner';
import { api, type ApiError, type BuildSummary } from '../store/api';
import { todayIso } from '../store/today';

const MAX_FILE_MB = 128;

function BuildRow({ build, onChanged }: { build: BuildSummary; onChanged: () => void }) {
  const duplicate = async (): Promise<void> => {
    try {
      await api.duplicate(build.id);
      onChanged();
    } catch (error) {
      toast.error((error as ApiError).message);
    }
  };
  const remove = async (): Promise<void> => {
    try {
      await api.remove(build.id);
      onChanged();
      const bringBack = (): void =>
        void api.restore(build.id).then(onChanged, (e: ApiError) => toast.error(e.message));
      toast(`“${build.name}” thrown away.`, {
        duration: 12000,
        action: { label: 'Undo', onClick: bringBack },
      });
    } catch (error) {
      toast.error((error as ApiError).message);
    }
  };
  return (
    <li className="flex items-center gap-4 border-t border-hair py-3">
      <svg viewBox="0 0 40 34" className="h-10 w-12 shrink-0" aria-hidden>
        <path d="M5 8l28 -4 3 20 -13 3 -4 5 -5 -4 -10 -1z" transform="translate(2 2)" fill="#7d8889" />
        <path
          d="M5 8l28 -4 3 20 -13 3 -4 5 -5 -4 -10 -1z"
          fill="var(--color-foam)"
          stroke="var(--color-pen)"
        />
      </svg>
      <div className="min-w-0 flex-1">
        <Link to={`/build/${build.id}/shape`} className="font-tight text-[18px] font-semibold text-teal">
          {build.name}
        </Link>
        <p className="text-[13px] text-soft">
          for {build.wearer} · {build.parts} {build.parts === 1 ? 'part' : 'parts'} · event{' '}
          {format(new Date(`${build.eventDate}T00:00`), 'd MMM yyyy')} · changed{' '}
          {formatDistanceToNow(new Date(build.updatedAt), { addSuffix: true })}
        </p>
      </div>
      <button type="button" className="btn" onClick={() => void duplicate()}>
        <Copy size={15} aria-hidden /> Duplicate
      </button>
      <a className="btn" href={api.fileUrl(build.id)} download>
        <Download size={15} aria-hidden /> Export
      </a>
      <button
        type="button"
        className="btn"
        aria-label={`Throw away ${build.name}`}
        onClick={() => void remove()}
      >
        <Trash2 size={15} aria-hidden /> Throw away
      </button>
    </li>
  );
}

/** The shelf of builds. */
export function Shelf() {
  const [builds, setBuilds] = useState<BuildSummary[]>();
  const [error, setError] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();

  const load = useCallback(() => {
    return api.list().then(
      (list) => {
        setBuilds(list);
        setError('');
      },
      (failure: ApiError) => setError(failure.message),
    );
  }, []);
  useEffect(() => void load(), [load]);
  useEffect(() => {
    document.title = 'Fomrik';
  }, []);

  const create = async (): Promise<void> => {
    try {
      const wearers = await api.wearers();
      const stock = await api.stock();
      const wearer = wearers[0] ?? { name: 'New wearer', underLayerMm: 2, measures: [] };
      const doc = newBuild('New build', todayIso(), {
        name: wearer.name,
        underLayerMm: wearer.underLayerMm,
        measures: wearer.measures,
      });
      const made = await api.create({ ...doc, stock });
      await navigate(`/build/${made.id}/brief`);
    } catch (failure) {
      toast.error((failure as ApiError).message);
    }
  };

  const importFile = async (chosen: File | undefined): Promise<void> => {
    if (!chosen) return;
    if (chosen.size > MAX_FILE_MB * 1024 * 1024) {
      toast.error(`${chosen.name} is larger than ${MAX_FILE_MB} MB; a build file never is.`);
      return;
    }
    try {
      const made = await api.importFile(await chosen.text());
      await load();
      toast(`“${made.doc.name}” is on the shelf.`);
    } catch (failure) {
      toast.error(`${chosen.name}: ${(failure as ApiError).message}`, { duration: 12000 });
    }
  };

  return (
    <main className="mx-auto max-w-5xl p-6">
      <header className="flex items-end justify-between gap-4 border-b border-ink pb-3">
        <div>
          <h1 className="text-[34px] leading-none">Fomrik</h1>
          <p className="mt-1 text-soft">
            From the tape measure to flat pieces that fit, with the light inside planned before foam is cut.
          </p>
        </div>
        <div className="flex gap-2">
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            <Plus size={16} aria-hidden /> New build
          </button>
          <button type="button" className="btn" onClick={() => file.current?.click()}>
            <Upload size={15} aria-hidden /> Import
          </button>
          <input
            ref={file}
            type="file"
            accept=".json,application/json"
            className="sr-only"
            aria-label="Import a build file"
            tabIndex={-1}
            onChange={(e) => {
              void importFile(e.target.files?.[0]);
              e.target.value = '';
            }}
          />
        </div>
      </header>
      {error && (
        <p role="alert" className="mt-4 border-l-4 border-stop bg-paper p-2">
          {error}{' '}
          <button type="button" className="btn ml-2" onClick={() => void load()}>
            Try again
          </button>
        </p>
      )}
      {!builds && !error && <p className="mt-6 text-soft">Looking along the shelf…</p>}
      {builds?.length === 0 && (
        <p className="mt-6 text-[16px]">
          The shelf is empty. Begin a <strong>new build</strong>, or import a build file.{' '}
          <code>./fomrik demo</code> brings the Lampwarden bracers.
        </p>
      )}
      <ul className="mt-2">
        {builds?.map((b) => (
          <BuildRow key={b.id} build={b} onChanged={() => void load()} />
        ))}
      </ul>
    </main>
  );
}
