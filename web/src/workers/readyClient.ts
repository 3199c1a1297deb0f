import type { BuildDoc } from '@fomrik/core/document';
import type { Readiness } from '@fomrik/core/plan';
import type { Easing, Report } from '@fomrik/core/report';
import { proxy, type Remote, wrap } from 'comlink';
import { todayIso } from '../store/today';
import type { ReadyWorker } from './ready.worker';

/** Asks whether a build will be ready, until it is answered or stopped. */
export class ReadyRun {
  private readonly thread = new Worker(new URL('./ready.worker.ts', import.meta.url), { type: 'module' });

  constructor(
    doc: BuildDoc,
    { steps, schedule, constants }: Report,
    onRuns: (now: Readiness) => void,
    onEasing: (easing: Easing) => void,
    onEnd: () => void,
  ) {
    const api: Remote<ReadyWorker> = wrap<ReadyWorker>(this.thread);
    void api.run(doc, { steps, schedule, constants }, todayIso(), proxy(onRuns), proxy(onEasing)).then(onEnd);
  }

  stop(): void {
    this.thread.terminate();
  }
}
