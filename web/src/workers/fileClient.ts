import { coreWorker } from './coreWorker';
import type { FilesApi } from './files';

/** A thread of its own for files that take a while. */
export const { api: fileWorker } = coreWorker<FilesApi>(Infinity);
