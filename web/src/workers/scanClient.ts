import type { Remote } from 'comlink';
import type { ScanWorker } from './scan.worker';
import { workerOf } from './workerOf';

/** A worker for one scan; ending it is how reading is cancelled. */
export interface ScanClient {
  scan: Remote<ScanWorker>;
  end: () => void;
}

/** A large scan takes what it takes: it tells how far it is, and can be stopped. */
export function startScan(): ScanClient {
  const { api, stop } = workerOf<ScanWorker>(
    () => new Worker(new URL('./scan.worker.ts', import.meta.url), { type: 'module' }),
    Infinity,
  );
  return { scan: api, end: stop };
}
