import { coreWorker } from './coreWorker';
import type { InsideApi } from './inside';

/** A thread of its own for pictures of what could be begun. */
export const { api: begunWorker } = coreWorker<Pick<InsideApi, 'begun'>>(60_000);

/** A thread of its own for dimensions and what is asked while a build is begun: a search beside it may take long. */
export const { api: dimensionWorker } = coreWorker<Pick<InsideApi, 'dimensions' | 'measures'>>(60_000);
