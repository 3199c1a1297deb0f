import { Plus, Upload } from 'lucide-react';
import { lazy, Suspense, useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { LongList } from '../parts/LongList';
import { api, type ApiError, type BuildSummary } from '../store/api';
import { BuildRow } from './BuildRow';
import { Copies } from './Copies';
import { Devices } from './Devices';
import { SheetsTogether } from './SheetsTogether';
import { Trash } from './Trash';
import { useDigests } from './useDigests';

const NewBuild = lazy(() => import('./NewBuild').then((m) => ({ default: m.NewBuild })));

/** More builds than this are sorted and searched. */
const FEW = 6;

type Order = 'changed' | 'event' | 'name';
const orders: Record<Order, { label: string; of: (b: BuildSummary) => string; down?: true }> = {
  changed: { label: 'last changed', of: (b) => b.updatedAt, down: true },
  event: { label: 'next event', of: (b) => b.eventDate },
  name: { label: 'name', of: (b) => b.name.toLowerCase() },
};

/** Builds whose name or wearer holds what is looked for, in order. */
function sorted(builds: readonly BuildSummary[], order: Order, search: string): BuildSummary[] {
  const wanted = search.trim().toLowerCase();
  const { of, down } = orders[order];
  return builds
    .filter((b) => `${b.name} ${b.wearer}`.toLowerCase().includes(wanted))
    .sort((a, b) => (of(a) < of(b) ? -1 : of(a) > of(b) ? 1 : 0) * (down ? -1 : 1));
}

/** What all builds have cost together and may cost, by currency; nothing until something was bought. */
function AllMoney({ builds }: { builds: readonly BuildSummary[] }) {
  const all = builds.flatMap((b) => b.money ?? []);
  const spent = all.filter((m) => m.spent > 0);
  if (builds.length < 2 || spent.length === 0) return null;
  const sum = (currency: string, of: 'spent' | 'budget'): number =>
    all.reduce((total, m) => total + (m.currency === currency ? m[of] : 0), 0);
  return (
    <p className="mt-2 border-t border-ink pt-2 text-[13px]">
      All builds:{' '}
      {[...new Set(spent.map((m) => m.currency))]
        .map((c) => `${sum(c, 'spent').toFixed(2)} of ${sum(c, 'budget').toFixed(0)} ${c} spent`)
        .join('; ')}
    </p>
  );
}

/** The shelf of builds. */
export function Shelf() {
  const [builds, setBuilds] = useState<BuildSummary[]>();
  const [error, setError] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const [begun, setBegun] = useState(false);
  const [order, setOrder] = useState<Order>('changed');
  const [search, setSearch] = useState('');

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

  const importFile = async (chosen: File | undefined): Promise<void> => {
    if (!chosen) return;
    const reading = toast.loading(`Reading ${chosen.name}…`);
    try {
      const made = await api.importFile(chosen);
      await load();
      toast(`“${made.doc.name}” is on the shelf.`);
    } catch (failure) {
      toast.error(`${chosen.name}: ${(failure as ApiError).message}`, { duration: 12000 });
    } finally {
      toast.dismiss(reading);
    }
  };

  const [loading, setLoading] = useState(false);
  const loadSamples = async (): Promise<void> => {
    setLoading(true);
    try {
      await api.samples();
      await load();
    } catch (failure) {
      toast.error((failure as ApiError).message);
    } finally {
      setLoading(false);
    }
  };

  useDigests(builds, () => void load());
  const shown = sorted(builds ?? [], order, search);

  return (
    <div className="h-full overflow-auto">
      <main className="mx-auto max-w-5xl p-6">
        <header className="flex items-end justify-between gap-4 border-b border-ink pb-3">
          <div>
            <h1 className="text-[34px] leading-none">Fomrik</h1>
            <p className="mt-1 text-soft">
              From the tape measure to flat pieces that fit, with the light inside planned before foam is cut.
            </p>
          </div>
          <div className="flex gap-2">
            <button type="button" className="btn btn-main" onClick={() => setBegun(true)}>
              <Plus size={16} aria-hidden /> New build
            </button>
            <button type="button" className="btn" onClick={() => file.current?.click()}>
              <Upload size={15} aria-hidden /> Import
            </button>
            <input
              ref={file}
              type="file"
              accept=".json,.zip,application/json,application/zip"
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
        {!builds && !error && <p className="mt-6 text-soft">Loading builds…</p>}
        {builds?.length === 0 && (
          <div className="mt-6 text-[16px]">
            <p>
              The shelf is empty. Begin a <strong>new build</strong>, import a build file, or look at the
              samples first: the Lampwardens of Saltmere, from bracers to a lit harness.
            </p>
            <button type="button" className="btn mt-3" disabled={loading} onClick={() => void loadSamples()}>
              {loading ? 'Loading the samples…' : 'Load the samples'}
            </button>
          </div>
        )}
        {builds && builds.length > FEW && (
          <div className="mt-3 flex items-end gap-3">
            <label className="label flex-1">
              Search by name or wearer
              <input
                type="search"
                className="box"
                value={search}
                onChange={(e) => setSearch(e.target.value)}
              />
            </label>
            <label className="label">
              In order of
              <select className="box" value={order} onChange={(e) => setOrder(e.target.value as Order)}>
                {Object.entries(orders).map(([key, { label }]) => (
                  <option key={key} value={key}>
                    {label}
                  </option>
                ))}
              </select>
            </label>
          </div>
        )}
        {builds && builds.length > 0 && shown.length === 0 && (
          <p className="mt-4 text-soft">No build matches “{search}”.</p>
        )}
        <LongList items={shown} keyOf={(b) => b.id} rowPx={113} className="mt-2">
          {(b) => <BuildRow build={b} onChanged={() => void load()} />}
        </LongList>
        {builds && <AllMoney builds={builds} />}
        {builds && <SheetsTogether builds={builds} />}
        <Trash changed={builds} onChanged={() => void load()} />
        <Copies onChanged={() => void load()} />
        <Devices />
        {begun && (
          <Suspense>
            <NewBuild open onClose={() => setBegun(false)} />
          </Suspense>
        )}
      </main>
    </div>
  );
}
