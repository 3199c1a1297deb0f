import type { BuildDoc } from '@fomrik/core/build/document';
import type { Report } from '@fomrik/core/build/report';
import { wrap, type Remote } from 'comlink';
import { todayIso } from '../store/today';
import type { DeriveWorker } from './derive.worker';
import { createReceiver } from './partial';

const start = (): Remote<DeriveWorker> =>
  wrap<DeriveWorker>(new Worker(new URL('./derive.worker.ts', import.meta.url), { type: 'module' }));

/** Above this the maker would feel the wait, and a coarse answer comes first; milliseconds. */
const SLOW_MS = 50;

/** One worker that always works on the newest document; those in between are skipped. Slow builds answer coarsely first. */
export class DeriveClient {
  private worker = start();
  private waiting: BuildDoc | undefined;
  private running = false;
  private slow = false;
  private readonly receive = createReceiver();

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
        if (this.slow) {
          this.onReport(this.receive(await this.worker.derive(doc, todayIso(), true)), doc);
          // While a value is being dragged the next document is already here.
          await new Promise((resolve) => setTimeout(resolve, 0));
          if (this.waiting) continue;
        }
        const started = performance.now();
        const report = this.receive(await this.worker.derive(doc, todayIso(), false));
        this.slow = performance.now() - started > SLOW_MS;
        this.onReport(report, doc);
      } catch (error) {
        this.onError((error as Error).message);
      }
    }
    this.running = false;
  }
}
