import { createDeriver } from '@fomrik/core/build/derive';
import type { BuildDoc } from '@fomrik/core/build/document';
import type { Report } from '@fomrik/core/build/report';
import { share } from '@fomrik/core/build/share';
import { expose } from 'comlink';

let previous: BuildDoc | undefined;
let day = '';
let deriver = createDeriver();

const api = {
  /**
   * The report of a document; parts that did not change since the last call are not worked out again.
   * A quick answer is coarse where something changed.
   */
  derive(doc: BuildDoc, today: string, quick: boolean): Report {
    if (today !== day) {
      deriver = createDeriver({ today });
      day = today;
    }
    previous = previous ? share(previous, doc) : doc;
    return deriver(previous, quick);
  },
};

export type DeriveWorker = typeof api;
expose(api);
