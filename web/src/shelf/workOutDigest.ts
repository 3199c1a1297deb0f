import { digestOf } from '@fomrik/core/report';
import { api } from '../store/api';
import { DeriveClient } from '../workers/deriveClient';
import { SHELF_PX } from '../store/shelfPicture';

/** Works out a build and tells the server what the shelf shows of it; ends when the signal says so. */
export function workOutDigest(id: string, version: number, leaving: AbortSignal): Promise<void> {
  return new Promise((resolve, reject) => {
    let answered = false;
    const client = new DeriveClient(
      (report, doc) => {
        if (answered || report.coarse.length > 0 || report.parts.length < doc.parts.length) return;
        answered = true;
        client
          .buildPicture(SHELF_PX.width, SHELF_PX.height)
          .catch(() => undefined)
          .then((picture) =>
            api.putDigest(id, version, {
              ...digestOf(report, doc),
              ...(picture !== undefined && { picture }),
            }),
          )
          .then(() => resolve(), reject)
          .finally(() => client.end());
      },
      (message) => {
        client.end();
        reject(new Error(message));
      },
    );
    leaving.addEventListener('abort', () => {
      // Its picture is still on its way where it was worked out.
      if (!answered) client.end();
    });
    api.load(id).then(({ doc }) => leaving.aborted || client.ask(doc), reject);
  });
}
