import { type Remote, wrap } from 'comlink';
import type { ScanWorker } from './scan.worker';

/** A worker for one scan; ending it is how reading is cancelled. */
export interface ScanClient {
  scan: Remote<ScanWorker>;
  end: () => void;
}

export function startScan(): ScanClient {
  const worker = new Worker(new URL('./scan.worker.ts', import.meta.url), { type: 'module' });
  return { scan: wrap<ScanWorker>(worker), end: () => worker.terminate() };
}
