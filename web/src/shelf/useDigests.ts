import { useEffect } from 'react';
import type { BuildSummary } from '../store/api';

/** So many builds are worked out unasked while the shelf is looked at. */
const MOST = 12;

/** Works out, one after another, what the shelf does not know yet of its newest builds, and tells the server. */
export function useDigests(builds: readonly BuildSummary[] | undefined, onTold: () => void): void {
  const missing = builds?.slice(0, MOST).find((b) => !b.broken && !b.digest && b.parts > 0);
  const key = missing && `${missing.id}/${missing.version}`;
  useEffect(() => {
    if (!missing) return;
    const leaving = new AbortController();
    // The shelf is there before what works builds out is fetched; it does without where that fails.
    import('./workOutDigest')
      .then(({ workOutDigest }) => {
        if (!leaving.signal.aborted)
          return workOutDigest(missing.id, missing.version, leaving.signal).then(onTold);
      })
      .catch(() => undefined);
    return () => leaving.abort();
    // One build at a time: the next follows when this one is reported.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
}
