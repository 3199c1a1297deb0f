import type { BuildDoc } from '@fomrik/core/document';
import type { Readiness } from '@fomrik/core/plan';
import type { Easing, Report } from '@fomrik/core/report';
import { proxy } from 'comlink';
import { todayIso } from '../store/today';
import { coreWorker } from './coreWorker';
import type { ReadyApi } from './ready';
import { Stopped } from './workerOf';

/** Asks whether a build will be ready, until it is answered or stopped. */
export class ReadyRun {
  private readonly worker = coreWorker<ReadyApi>(Infinity);

  constructor(
    doc: BuildDoc,
    { steps, schedule, constants }: Report,
    onRuns: (now: Readiness) => void,
    onEasing: (easing: Easing) => void,
    onEnd: (fault?: Error) => void,
  ) {
    this.worker.api.run(doc, { steps, schedule, constants }, todayIso(), proxy(onRuns), proxy(onEasing)).then(
      () => onEnd(),
      (error: Error) => {
        if (!(error instanceof Stopped)) onEnd(error);
      },
    );
  }

  stop(): void {
    this.worker.stop();
  }
}
