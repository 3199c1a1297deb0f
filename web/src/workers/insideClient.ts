import type { InsideWorker } from './inside.worker';
import { workerOf } from './workerOf';

/** The one worker that searches the inside; `stopInside` gives up what it is at. */
export const { api: insideWorker, stop: stopInside } = workerOf<InsideWorker>(
  () => new Worker(new URL('./inside.worker.ts', import.meta.url), { type: 'module' }),
  180_000,
);
