import { type WorkerHandle, workerOf } from './workerOf';

/** A thread of core, as far as it is asked here. */
export const coreWorker = <T extends object>(waitMs: number): WorkerHandle<T> =>
  workerOf<T>(() => new Worker(new URL('./core.worker.ts', import.meta.url), { type: 'module' }), waitMs);
