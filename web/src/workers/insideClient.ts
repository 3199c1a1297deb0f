import { type Remote, wrap } from 'comlink';
import type { InsideWorker } from './inside.worker';

let worker: { thread: Worker; api: Remote<InsideWorker> } | undefined;

/** The one worker that searches the inside, started when it is first asked. */
export function insideWorker(): Remote<InsideWorker> {
  if (!worker) {
    const thread = new Worker(new URL('./inside.worker.ts', import.meta.url), { type: 'module' });
    worker = { thread, api: wrap<InsideWorker>(thread) };
  }
  return worker.api;
}

/** Gives up what it is at; the next question starts it anew. */
export function stopInside(): void {
  worker?.thread.terminate();
  worker = undefined;
}
