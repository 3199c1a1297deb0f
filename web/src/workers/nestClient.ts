import type { SheetGroup } from '@fomrik/core/cut';
import type { Nest } from '@fomrik/core/document';
import { proxy, type Remote, wrap } from 'comlink';
import { leanGroup } from './leanGroup';
import type { NestProgress, NestWorker } from './nest.worker';

/** A search for tighter sheets that runs until it is stopped; what it told last is the best there is. */
export class NestRun {
  private readonly thread = new Worker(new URL('./nest.worker.ts', import.meta.url), { type: 'module' });

  constructor(
    groups: readonly SheetGroup[],
    spacingMm: number,
    kept: readonly Nest[],
    onProgress: (p: NestProgress) => void,
  ) {
    const api: Remote<NestWorker> = wrap<NestWorker>(this.thread);
    void api.run(groups.map(leanGroup), spacingMm, kept, proxy(onProgress));
  }

  stop(): void {
    this.thread.terminate();
  }
}
