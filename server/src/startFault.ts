import { copiesIn } from './copies';
import { NewerDatabase } from './database';
import { sqliteCode } from './errors';

/** What keeps Fomrik from starting, in one plain sentence, and how the process ends. */
export interface StartFault {
  message: string;
  exitCode: number;
}

/** Where copies that can be put back lie. */
function copiesSay(dataDir: string): string {
  const [last] = copiesIn(dataDir);
  return last ? `The last one is ${dataDir}/copies/${last.name}.` : 'No copy was made by itself yet.';
}

/** Faults of the data directory by the codes of SQLite and of the system; families by their beginning. */
const faults: [code: string, message: (data: string) => string, exitCode: number][] = [
  ['SQLITE_BUSY', (d) => `Another Fomrik is using ${d}. Stop it first, or name another directory.`, 3],
  ['SQLITE_LOCKED', (d) => `Another Fomrik is using ${d}. Stop it first, or name another directory.`, 3],
  [
    'SQLITE_NOTADB',
    (d) =>
      `${d}/fomrik.sqlite is not a Fomrik database. Put a copy back: ./fomrik restore FILE. ${copiesSay(d)}`,
    4,
  ],
  [
    'SQLITE_CORRUPT',
    (d) => `${d}/fomrik.sqlite is damaged. Put a copy back: ./fomrik restore FILE. ${copiesSay(d)}`,
    4,
  ],
  [
    'SQLITE_IOERR',
    (d) =>
      `The disk that holds ${d} fails. Put a copy back elsewhere: ./fomrik restore FILE. ${copiesSay(d)}`,
    5,
  ],
  ['SQLITE_FULL', (d) => `The disk that holds ${d} is full. Free some room and start again.`, 5],
  ['ENOSPC', (d) => `The disk that holds ${d} is full. Free some room and start again.`, 5],
  ['SQLITE_READONLY', (d) => `${d} cannot be written to. Change its rights, or name another directory.`, 6],
  ['SQLITE_CANTOPEN', (d) => `${d} cannot be opened. Change its rights, or name another directory.`, 6],
  ['EACCES', (d) => `${d} cannot be written to. Change its rights, or name another directory.`, 6],
  ['EROFS', (d) => `${d} cannot be written to. Change its rights, or name another directory.`, 6],
  ['ENOTDIR', (d) => `${d} is not a directory. Name another one.`, 6],
  ['EEXIST', (d) => `${d} is not a directory. Name another one.`, 6],
];

/** The sentence for a fault met while starting; what is none of these is told as it says itself. */
export function startFault(error: unknown, dataDir: string): StartFault {
  if (error instanceof NewerDatabase)
    return {
      message: `${dataDir} was last used by a newer Fomrik. Use that one, or name another directory.`,
      exitCode: 7,
    };
  const code = sqliteCode(error) ?? (error as { code?: unknown }).code;
  const known =
    typeof code === 'string' ? faults.find(([of]) => code === of || code.startsWith(`${of}_`)) : undefined;
  if (known) return { message: known[1](dataDir), exitCode: known[2] };
  return { message: `Fomrik cannot start: ${(error as Error).message.split('\n')[0]}`, exitCode: 9 };
}
