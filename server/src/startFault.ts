import { NewerDatabase } from './database';
import { sqliteCode } from './errors';

/** What keeps Fomrik from starting, in one plain sentence, and how the process ends. */
export interface StartFault {
  message: string;
  exitCode: number;
}

/** Faults of the data directory by the codes of SQLite and of the system; families by their beginning. */
const faults: [code: string, message: (data: string) => string, exitCode: number][] = [
  ['SQLITE_BUSY', (d) => `Another Fomrik is using ${d}. Stop it first, or name another directory.`, 3],
  ['SQLITE_LOCKED', (d) => `Another Fomrik is using ${d}. Stop it first, or name another directory.`, 3],
  [
    'SQLITE_NOTADB',
    (d) => `${d}/fomrik.sqlite is not a Fomrik database. Move it away, or put a copy back.`,
    4,
  ],
  ['SQLITE_CORRUPT', (d) => `${d}/fomrik.sqlite is damaged. Move it away, or put a copy back.`, 4],
  ['SQLITE_FULL', (d) => `The disk that holds ${d} is full. Free some room and start again.`, 5],
  ['ENOSPC', (d) => `The disk that holds ${d} is full. Free some room and start again.`, 5],
  ['SQLITE_READONLY', (d) => `${d} cannot be written to. Change its rights, or name another directory.`, 6],
  ['SQLITE_CANTOPEN', (d) => `${d} cannot be opened. Change its rights, or name another directory.`, 6],
  ['EACCES', (d) => `${d} cannot be written to. Change its rights, or name another directory.`, 6],
  ['EROFS', (d) => `${d} cannot be written to. Change its rights, or name another directory.`, 6],
  ['ENOTDIR', (d) => `${d} is not a directory. Name another one.`, 6],
  ['EEXIST', (d) => `${d} is not a directory. Name another one.`, 6],
];

/** @returns the sentence for a fault met while starting; nothing when it is not one that a maker can mend. */
export function startFault(error: unknown, dataDir: string): StartFault | undefined {
  if (error instanceof NewerDatabase)
    return {
      message: `${dataDir} was last used by a newer Fomrik. Use that one, or name another directory.`,
      exitCode: 7,
    };
  const code = sqliteCode(error) ?? (error as { code?: unknown }).code;
  if (typeof code !== 'string') return undefined;
  const known = faults.find(([of]) => code === of || code.startsWith(`${of}_`));
  return known && { message: known[1](dataDir), exitCode: known[2] };
}
