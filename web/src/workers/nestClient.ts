import type { SheetGroup } from '@fomrik/core/cut';
import type { Nest } from '@fomrik/core/document';
import { proxy } from 'comlink';
import { leanGroup } from './leanGroup';
import type { NestProgress, NestWorker } from './nest.worker';
import { Stopped, workerOf } from './workerOf';

/** A search for tighter sheets that runs until it is stopped; what it told last is the best there is. */
export class NestRun {
  private readonly worker = workerOf<NestWorker>(
    () => new Worker(new URL('./nest.worker.ts', import.meta.url), { type: 'module' }),
    Infinity,
  );

  constructor(
    groups: readonly SheetGroup[],
    spacingMm: number,
    kept: readonly Nest[],
    onProgress: (p: NestProgress) => void,
    onFault: (error: Error) => void,
  ) {
    this.worker.api.run(groups.map(leanGroup), spacingMm, kept, proxy(onProgress)).catch((error: Error) => {
      if (!(error instanceof Stopped)) onFault(error);
    });
  }

  stop(): void {
    this.worker.stop();
  }
}
