import type { BodyWorker } from './body.worker';
import { workerOf } from './workerOf';

/** The one worker that draws the wearer. */
export const { api: bodyWorker } = workerOf<BodyWorker>(
  () => new Worker(new URL('./body.worker.ts', import.meta.url), { type: 'module' }),
);
