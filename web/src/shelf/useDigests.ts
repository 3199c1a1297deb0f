import { digestOf } from '@fomrik/core/report';
import { useEffect } from 'react';
import { api, type BuildSummary } from '../store/api';
import { SHELF_PX } from '../store/digest';
import { DeriveClient } from '../workers/deriveClient';

/** So many builds are worked out unasked while the shelf is looked at. */
const MOST = 12;

/** Works out, one after another, what the shelf does not know yet of its newest builds, and tells the server. */
export function useDigests(builds: readonly BuildSummary[] | undefined, onTold: () => void): void {
  const missing = builds?.slice(0, MOST).find((b) => !b.broken && !b.digest && b.parts > 0);
  const key = missing && `${missing.id}/${missing.version}`;
  useEffect(() => {
    if (!missing) return;
    let gone = false;
    const client = new DeriveClient(
      (report, doc) => {
        if (gone || report.coarse.length > 0 || report.parts.length < doc.parts.length) return;
        gone = true;
        client
          .buildPicture(SHELF_PX.width, SHELF_PX.height)
          .catch(() => undefined)
          .then((picture) =>
            api.putDigest(missing.id, missing.version, {
              ...digestOf(report, doc),
              ...(picture !== undefined && { picture }),
            }),
          )
          .then(onTold, () => undefined)
          .finally(() => client.end());
      },
      () => undefined,
    );
    api.load(missing.id).then(
      ({ doc }) => client.ask(doc),
      () => undefined,
    );
    return () => {
      // Its picture is still on its way where it was worked out.
      if (!gone) client.end();
      gone = true;
    };
    // One build at a time: the next follows when this one is reported.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
}
