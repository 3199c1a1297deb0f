import { type BuildDoc, share } from '@fomrik/core/document';
import { createDeriver } from '@fomrik/core/report';
import { expose } from 'comlink';
import { createSender, type PartialReport } from './partial';

let previous: BuildDoc | undefined;
let day = '';
let deriver = createDeriver();
const send = createSender();

const api = {
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
    return send(deriver(previous, { quick: withinMs === 0, goOn: () => performance.now() < until }));
  },
};

export type DeriveWorker = typeof api;
expose(api);
