import type { SheetGroup } from '@fomrik/core/cut';
import type { Nest } from '@fomrik/core/document';
import { proxy, type Remote, wrap } from 'comlink';
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
    // Only outlines and names go over: the worker wants no more of a piece.
    const lean = groups.map(({ size, items }) => ({
      size,
      items: items.map(({ partId, flipped, piece: { id, name, outline } }) => ({
        partId,
        flipped,
        piece: { id, name, outline },
      })),
    }));
    void api.run(lean as unknown as SheetGroup[], spacingMm, kept, proxy(onProgress));
  }

  stop(): void {
    this.thread.terminate();
  }
}
