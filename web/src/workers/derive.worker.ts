import { createDeriver } from '@fomrik/core/build/derive';
import type { BuildDoc } from '@fomrik/core/build/document';
import { share } from '@fomrik/core/build/share';
import { expose } from 'comlink';
import { createSender, type PartialReport } from './partial';

let previous: BuildDoc | undefined;
let day = '';
let deriver = createDeriver();
const send = createSender();

const api = {
  /**
   * The report of a document; parts that did not change since the last call are not worked out again.
   * A quick answer is coarse where something changed.
   */
  derive(doc: BuildDoc, today: string, quick: boolean): PartialReport {
    if (today !== day) {
      deriver = createDeriver({ today });
      day = today;
    }
    previous = previous ? share(previous, doc) : doc;
    return send(deriver(previous, quick));
  },
};

export type DeriveWorker = typeof api;
expose(api);
