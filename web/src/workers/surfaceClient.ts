import { type Remote, wrap } from 'comlink';
import type { SurfaceWorker } from './surface.worker';

/** A worker for one surface; ending it is how work on it is cancelled. */
export interface SurfaceClient {
  surface: Remote<SurfaceWorker>;
  end: () => void;
}

export function startSurface(): SurfaceClient {
  const worker = new Worker(new URL('./surface.worker.ts', import.meta.url), { type: 'module' });
  return { surface: wrap<SurfaceWorker>(worker), end: () => worker.terminate() };
}
