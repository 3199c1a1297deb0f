import { digestOf } from '@fomrik/core/report';
import { api } from './api';
import { useSaving } from './autosave';
import { useBuild } from './build';
import { useReport } from './report';

let sent = '';

/** Tells the shelf what was worked out of a build, once it is saved and worked out in full. */
function tellShelf(): void {
  const { id, doc } = useBuild.getState();
  const { report, doc: of } = useReport.getState();
  const { state, version } = useSaving.getState();
  const key = `${id}/${version}`;
  if (state !== 'saved' || !report || of !== doc || report.coarse.length > 0 || sent === key) return;
  sent = key;
  // The shelf does without when it cannot be reported.
  api.putDigest(id, version, digestOf(report, doc)).catch(() => undefined);
}

useReport.subscribe(tellShelf);
useSaving.subscribe(tellShelf);
