import { coreWorker } from './coreWorker';
import type { InsideApi } from './inside';

/** The one worker that searches the inside; `stopInside` gives up what it is at. */
export const { api: insideWorker, stop: stopInside } = coreWorker<InsideApi>(180_000);
