import type { TravelWorker } from './travel.worker';
import { workerOf } from './workerOf';

/** The one worker that stows things in boxes. */
export const { api: travelWorker } = workerOf<TravelWorker>(
  () => new Worker(new URL('./travel.worker.ts', import.meta.url), { type: 'module' }),
);
