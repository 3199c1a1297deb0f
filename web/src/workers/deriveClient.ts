import { firstParts, type BuildDoc, type CutPlan, type Feature } from '@fomrik/core/document';
import type { Page } from '@fomrik/core/pattern';
import type { FittedLights, LightsAsked, Report, StartAsked } from '@fomrik/core/report';
import type { Result } from '@fomrik/core/units';
import type { FoldedPiece } from '@fomrik/core/folding';
import type { Drawing } from '@fomrik/core/view';
import { todayIso } from '../store/today';
import { coreWorker } from './coreWorker';
import type { DeriveApi, PartPicture } from './derive';
import { createReceiver } from './difference';
import { Stopped, WorkerFault } from './workerOf';

/** Above this the maker would feel the wait, and a coarse answer comes first; milliseconds. */
const SLOW_MS = 50;
/** A large build is worked out in full a slice at a time, so that figures keep coming; milliseconds. */
const SLICE_MS = 250;
/** A build never seen before gives its first figures from so many parts, then from twice as many, until it has them all. */
const FIRST_PARTS = 8;

/**
 * One worker that always works on the newest document; those in between are skipped. Slow builds answer coarsely
 * first, then part by part until all is worked out in full.
 */
export class DeriveClient {
  /** A large build takes what it takes: how long is shown, and it can be stopped. */
  private readonly worker = coreWorker<DeriveApi>(Infinity);
  private waiting: BuildDoc | undefined;
  private running = false;
  private ended = false;
  /** A build never seen before may be a large one. */
  private slow = true;
  /** Whether the worker is to forget the build before, with the next question. */
  private anew = false;
  /** Parts of the last answer; fewer than the build has while it is read for the first time. */
  private seen = 0;
  private receive = createReceiver<Report>();

  constructor(
    private readonly onReport: (report: Report, doc: BuildDoc) => void,
    private readonly onError: (message: string) => void,
  ) {}

  /** Another build is opened: nothing of it is known yet. */
  forget(): void {
    this.seen = 0;
    this.slow = true;
    this.anew = true;
  }

  /** Ends the worker; nothing is reported after that. */
  end(): void {
    this.ended = true;
    this.waiting = undefined;
    this.worker.stop();
  }

  /** Gives up the answer it is at; the next question is answered by a new worker. */
  stop(): void {
    this.waiting = undefined;
    this.worker.stop();
  }

  ask(doc: BuildDoc): void {
    this.waiting = doc;
    if (!this.running) void this.run();
  }

  /** The pages of the newest answer. */
  pages(cut: CutPlan): Promise<Page[]> {
    return this.worker.api.pages(cut);
  }

  /** The picture of a step of the newest answer. */
  stepPicture(stepId: string): Promise<Drawing | undefined> {
    return this.worker.api.stepPicture(stepId);
  }

  /** A part of the newest answer, from flat pieces to the solid. */
  folding(partId: string): Promise<FoldedPiece[]> {
    return this.worker.api.folding(partId);
  }

  /** A picture of the whole of the newest answer. */
  buildPicture(width: number, height: number): Promise<string | undefined> {
    return this.worker.api.buildPicture(width, height);
  }

  /** Small pictures of parts of the newest answer. */
  partPictures(partIds: readonly string[], width: number, height: number): Promise<PartPicture[]> {
    return this.worker.api.partPictures(partIds, width, height);
  }

  /** A new detail that fits a part, or why none does. */
  startIn(doc: BuildDoc, asked: StartAsked): Promise<Result<Feature>> {
    return this.worker.api.startIn(doc, asked);
  }

  /** A first light that fits a part, or why there is none. */
  startLights(doc: BuildDoc, partId: string, asked: LightsAsked): Promise<Result<FittedLights>> {
    return this.worker.api.startLights(doc, partId, asked);
  }

  private async answer(doc: BuildDoc, withinMs: number): Promise<Report> {
    if (this.anew) {
      this.anew = false;
      await this.worker.api.forget();
    }
    const report = this.receive(await this.worker.api.derive(doc, todayIso(), withinMs));
    this.seen = report.parts.length;
    this.onReport(report, doc);
    return report;
  }

  private async run(): Promise<void> {
    this.running = true;
    while (this.waiting) {
      const doc = this.waiting;
      this.waiting = undefined;
      try {
        if (this.slow) {
          for (let n = Math.max(FIRST_PARTS, this.seen); n < doc.parts.length && !this.waiting; n *= 2)
            await this.answer(firstParts(doc, n), 0);
          if (!this.waiting) await this.answer(doc, 0);
          // While a value is being dragged the next document is already here.
          await new Promise((resolve) => setTimeout(resolve, 0));
          if (this.waiting) continue;
        }
        const started = performance.now();
        let report = await this.answer(doc, SLICE_MS);
        this.slow = performance.now() - started > SLOW_MS;
        while (report.coarse.length > 0 && !this.waiting) report = await this.answer(doc, SLICE_MS);
      } catch (error) {
        // What it sends is the difference from what it sent before: a new worker begins anew.
        if (error instanceof WorkerFault || error instanceof Stopped) {
          this.receive = createReceiver<Report>();
          this.forget();
        }
        if (!this.ended) this.onError((error as Error).message);
      }
    }
    this.running = false;
  }
}
