import { Suspense, useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import { toast } from 'sonner';
import type { ApiError } from '../store/api';
import { openBuild } from '../store/autosave';
import { useBuild } from '../store/build';
import { watchBuild } from '../store/live';
import { loadNotes } from '../store/notes';
import '../store/digest';
import { useReport } from '../store/report';
import { useSelected, selectPart } from '../store/selection';
import { useView } from '../store/view';
import type { Station } from '@fomrik/core/document';
import { benches, useLoadAhead } from './benches';
import { Compare } from './Compare';
import { Conflict } from './Conflict';
import { Find } from './Find';
import { KeysHelp } from './KeysHelp';
import { Ledger } from './Ledger';
import { Standing } from './Standing';
import { stations } from './stations';
import { TopBar } from './TopBar';
import { Tour } from './Tour';
import { useClocksInTitle } from './useClocksInTitle';
import { useKeys } from './useKeys';
import { useSelection } from './useSelection';
import { Desk } from './Desk';

/** Loads the build named in the address, once. */
function useOpenBuild(id: string): { error: string; retry: () => void } {
  const [error, setError] = useState('');
  const [tries, setTries] = useState(0);
  useEffect(() => {
    const leaving = new AbortController();
    setError('');
    openBuild(id, leaving.signal)
      .then(async (recovered) => {
        useView.setState({ versionId: '', versionScope: 'all' });
        if (recovered) toast('Picked up changes that had not reached the server.', { duration: 30_000 });
        const first = useBuild.getState().doc.parts[0];
        if (!useBuild.getState().doc.parts.some((p) => p.id === useSelected.getState().partId))
          selectPart(first?.id ?? '');
        // The build opens without its pins and log as well.
        await loadNotes(id).catch((failure: ApiError) => {
          if (!leaving.signal.aborted) toast.error(`Pins and log are not here yet: ${failure.message}`);
        });
      })
      .catch((failure: ApiError) => {
        if (!leaving.signal.aborted)
          setError(
            failure.status === 404 ? 'There is no such build; it may have been deleted.' : failure.message,
          );
      });
    return () => leaving.abort();
  }, [id, tries]);
  return { error, retry: () => setTries((t) => t + 1) };
}

/** One build on the bench: station line, rack, bench, tell-tales, ledger. */
export function Workshop() {
  const { id = '', station = 'shape' } = useParams();
  const { error, retry } = useOpenBuild(id);
  const open = useBuild((s) => s.id === id);
  const worked = useReport((s) => s.report !== undefined);
  const failed = useReport((s) => s.error !== '');
  useEffect(() => (open ? watchBuild(id) : undefined), [id, open]);
  useKeys(id);
  useSelection(open);
  useLoadAhead(open && worked);
  useClocksInTitle(open);
  const key = stations.some((s) => s.key === station) ? (station as Station) : 'shape';
  const Bench = benches[key];

  if (error) {
    return (
      <main className="mx-auto flex h-full max-w-lg flex-col justify-center gap-3 p-6">
        <h1 className="text-2xl">This build did not open</h1>
        <p>{error}</p>
        <div className="flex gap-2">
          <button type="button" className="btn btn-main" onClick={retry}>
            Try again
          </button>
          <Link className="btn" to="/">
            To the shelf
          </Link>
        </div>
      </main>
    );
  }
  if (!open) return <p className="p-6 text-soft">Loading the build…</p>;
  return (
    <div className="grid h-full grid-rows-[auto_1fr_auto]">
      <TopBar id={id} station={key} />
      <Desk station={key}>
        <Conflict />
        <Standing />
        {worked ? (
          <Suspense fallback={<p className="p-4 text-soft">Loading…</p>}>
            <Bench />
          </Suspense>
        ) : (
          !failed && <p className="p-4 text-soft">Calculating…</p>
        )}
      </Desk>
      <Ledger />
      <Compare />
      <KeysHelp />
      <Tour />
      <Find id={id} />
    </div>
  );
}
