import type { SheetGroup } from '@fomrik/core/cut';
import type { Nest } from '@fomrik/core/document';
import { proxy } from 'comlink';
import { leanGroup } from './leanGroup';
import type { NestWorker } from './nest.worker';
import { bestOf, type FoamProgress, type NestProgress } from './nestProgress';
import { Stopped, workerOf } from './workerOf';

/** Searches at once, at most: as many as there are cores. */
const MOST = 4;

/** A search for tighter sheets that runs on every core until it is stopped; what it told last is the best there is. */
export class NestRun {
  private readonly workers = Array.from({ length: Math.min(MOST, navigator.hardwareConcurrency || 1) }, () =>
    workerOf<NestWorker>(
      () => new Worker(new URL('./nest.worker.ts', import.meta.url), { type: 'module' }),
      Infinity,
    ),
  );

  constructor(
    groups: readonly SheetGroup[],
    spacingMm: number,
    kept: readonly Nest[],
    onProgress: (p: NestProgress) => void,
    onFault: (error: Error) => void,
  ) {
    const lean = groups.map(leanGroup);
    const come: FoamProgress[][] = this.workers.map(() => []);
    this.workers.forEach(({ api }, search) => {
      const told = (progress: FoamProgress[]): void => {
        come[search] = progress;
        onProgress(bestOf(come));
      };
      api.run(lean, spacingMm, kept, search, proxy(told)).catch((error: Error) => {
        if (!(error instanceof Stopped)) onFault(error);
      });
    });
  }

  stop(): void {
    for (const worker of this.workers) worker.stop();
  }
}
