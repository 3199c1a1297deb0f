import { digestOf } from '@fomrik/core/report';
import { api } from './api';
import { useSaving } from './autosave';
import { useBuild } from './build';
import { askBuildPicture, useReport } from './report';
import { SHELF_PX } from './shelfPicture';

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
  void askBuildPicture(SHELF_PX.width, SHELF_PX.height)
    .catch(() => undefined)
    .then((picture) =>
      api.putDigest(id, version, { ...digestOf(report, doc), ...(picture !== undefined && { picture }) }),
    )
    .catch(() => undefined);
}

useReport.subscribe(tellShelf);
useSaving.subscribe(tellShelf);
