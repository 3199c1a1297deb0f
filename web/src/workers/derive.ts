import { type BuildDoc, type CutPlan, featureIdsOf, share } from '@fomrik/core/document';
import { freeName } from '@fomrik/core/parts';
import { type Page, planPages, printedPieces } from '@fomrik/core/pattern';
import {
  createDeriver,
  type LightsAsked,
  type Report,
  type StartAsked,
  startIn,
  startLightsIn,
} from '@fomrik/core/report';
import { createSender, type PartialReport } from './partial';

let previous: BuildDoc | undefined;
let report: Report | undefined;
let day = '';
let deriver = createDeriver();
const send = createSender();

export const derive = {
  /**
   * The report of a document; parts that did not change since the last call are not worked out again.
   * Parts that are not done in full after `withinMs` stay coarse, and are named in the report; 0 answers coarsely at once.
   */
  derive(doc: BuildDoc, today: string, withinMs: number): PartialReport {
    if (today !== day) {
      deriver = createDeriver({ today });
      day = today;
    }
    previous = previous ? share(previous, doc) : doc;
    const until = performance.now() + withinMs;
    report = deriver(previous, { coarse: withinMs === 0, goOn: () => performance.now() < until });
    return send(report);
  },
  /** The pages the build last derived prints on. */
  pages: (cut: CutPlan): Page[] => (report ? planPages(printedPieces(report), cut) : []),
  /** A new detail that fits a part. */
  startIn: (doc: BuildDoc, asked: StartAsked) => startIn(doc, asked),
  /** A first light that fits a part; names that are taken are not given again. */
  startLights(doc: BuildDoc, partId: string, asked: LightsAsked) {
    const taken = [...featureIdsOf(doc), ...doc.circuits.map((c) => c.id)];
    const free = (base: string): string => {
      const name = freeName(taken, base);
      taken.push(name);
      return name;
    };
    return startLightsIn(doc, partId, free, asked);
  },
};

export type DeriveApi = typeof derive;
