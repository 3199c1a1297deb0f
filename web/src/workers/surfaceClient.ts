import type { Remote } from 'comlink';
import type { SurfaceWorker } from './surface.worker';
import { workerOf } from './workerOf';

/** A worker for one surface; ending it is how work on it is cancelled. */
export interface SurfaceClient {
  surface: Remote<SurfaceWorker>;
  end: () => void;
}

/** A large surface takes what it takes: it can be stopped. */
export function startSurface(): SurfaceClient {
  const { api, stop } = workerOf<SurfaceWorker>(
    () => new Worker(new URL('./surface.worker.ts', import.meta.url), { type: 'module' }),
    Infinity,
  );
  return { surface: api, end: stop };
}
