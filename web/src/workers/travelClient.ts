import { type Remote, wrap } from 'comlink';
import type { TravelWorker } from './travel.worker';

let api: Remote<TravelWorker> | undefined;

/** The one worker that stows things in boxes, started when it is first asked. */
export const travelWorker = (): Remote<TravelWorker> =>
  (api ??= wrap<TravelWorker>(
    new Worker(new URL('./travel.worker.ts', import.meta.url), { type: 'module' }),
  ));
