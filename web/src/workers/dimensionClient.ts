import { coreWorker } from './coreWorker';
import type { InsideApi } from './inside';

/** A thread of its own for dimensions: a search beside it may take long. */
export const { api: dimensionWorker } = coreWorker<Pick<InsideApi, 'dimensions'>>(60_000);
