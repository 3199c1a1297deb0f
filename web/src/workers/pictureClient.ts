import type { PictureWorker } from './picture.worker';
import { workerOf } from './workerOf';

/** The one worker that squares pictures up and traces them. */
export const { api: pictureWorker } = workerOf<PictureWorker>(
  () => new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' }),
);
