import { type Remote, wrap } from 'comlink';
import type { BodyWorker } from './body.worker';

let worker: Remote<BodyWorker> | undefined;

/** The one worker that draws the wearer, started when it is first asked. */
export function bodyWorker(): Remote<BodyWorker> {
  worker ??= wrap<BodyWorker>(new Worker(new URL('./body.worker.ts', import.meta.url), { type: 'module' }));
  return worker;
}
