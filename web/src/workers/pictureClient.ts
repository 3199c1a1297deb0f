import { type Remote, wrap } from 'comlink';
import type { PictureWorker } from './picture.worker';

let api: Remote<PictureWorker> | undefined;

/** The one worker that squares pictures up, started when it is first asked. */
export function pictureWorker(): Remote<PictureWorker> {
  api ??= wrap<PictureWorker>(
    new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' }),
  );
  return api;
}
