import type { BuildDoc } from '@fomrik/core/build/document';
import type { Report } from '@fomrik/core/build/report';
import { wrap, type Remote } from 'comlink';
import { todayIso } from '../store/today';
import type { DeriveWorker } from './derive.worker';

const start = (): Remote<DeriveWorker> =>
  wrap<DeriveWorker>(new Worker(new URL('./derive.worker.ts', import.meta.url), { type: 'module' }));

/** One worker that always works on the newest document; those in between are skipped. */
export class DeriveClient {
  private worker = start();
  private waiting: BuildDoc | undefined;
  private running = false;

  constructor(
    private readonly onReport: (report: Report, doc: BuildDoc) => void,
    private readonly onError: (message: string) => void,
  ) {}

  ask(doc: BuildDoc): void {
    this.waiting = doc;
    if (!this.running) void this.run();
  }

  private async run(): Promise<void> {
    this.running = true;
    while (this.waiting) {
      const doc = this.waiting;
      this.waiting = undefined;
      try {
        const report = await this.worker.derive(doc, todayIso());
        this.onReport(report, doc);
      } catch (error) {
        this.onError((error as Error).message);
      }
    }
    this.running = false;
  }
}
