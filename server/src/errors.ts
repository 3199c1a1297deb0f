import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { StuckConnection } from './atomic';

/** An answer the maker can act on. */
export class HttpError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly extra: Record<string, unknown> = {},
  ) {
    super(message);
  }
}

export const notFound = (what: string): HttpError =>
  new HttpError(404, 'not-found', `There is no such ${what}.`);

export const unknownRoute: RequestHandler = (req) => {
  throw new HttpError(404, 'not-found', `Nothing answers at ${req.method} ${req.path}.`);
};

interface BodyError {
  type?: string;
  status?: number;
  limit?: number;
}

/** What the database says, by SQLite's own names for it: exact ones first, then families. */
const databaseAnswers: [code: string, status: number, name: string, message: string][] = [
  ['SQLITE_FULL', 507, 'disk-full', 'The disk is full: nothing was saved. Free some room and try again.'],
  ['SQLITE_CONSTRAINT_UNIQUE', 409, 'taken', 'Something of that name is there already.'],
  ['SQLITE_CONSTRAINT_PRIMARYKEY', 409, 'taken', 'The same id is there already.'],
  ['SQLITE_BUSY', 503, 'busy', 'The data is in use elsewhere: nothing was saved. Try again.'],
  ['SQLITE_LOCKED', 503, 'busy', 'The data is in use elsewhere: nothing was saved. Try again.'],
  ['SQLITE_READONLY', 507, 'storage', 'The data directory cannot be written to: nothing was saved.'],
  [
    'SQLITE_CORRUPT',
    507,
    'damaged',
    'The database is damaged. Stop Fomrik and put a copy back: ./fomrik restore FILE (copies are in the data directory, under copies).',
  ],
  [
    'SQLITE_NOTADB',
    507,
    'damaged',
    'The database is damaged. Stop Fomrik and put a copy back: ./fomrik restore FILE (copies are in the data directory, under copies).',
  ],
  [
    'SQLITE_IOERR',
    507,
    'storage',
    'The disk failed: nothing was saved. Free it or put a copy back elsewhere: ./fomrik restore FILE.',
  ],
];

/** The code of whatever SQLite threw, wrapped or not. */
export const sqliteCode = (error: unknown): string | undefined => {
  const { code, driverError } = error as { code?: unknown; driverError?: { code?: unknown } };
  const found = driverError?.code ?? code;
  return typeof found === 'string' && found.startsWith('SQLITE_') ? found : undefined;
};

function fromDatabase(error: unknown): HttpError | undefined {
  const code = sqliteCode(error);
  const answer = databaseAnswers.find(([of]) => code === of || code?.startsWith(`${of}_`));
  return answer && new HttpError(answer[1], answer[2], answer[3]);
}

/** Turns what body parsing throws into plain sentences. */
function fromBodyParser(error: BodyError): HttpError | undefined {
  if (error.type === 'entity.too.large') {
    return new HttpError(
      413,
      'too-large',
      `The request is larger than ${Math.round((error.limit ?? 0) / 1024)} kB.`,
    );
  }
  if (error.type === 'entity.parse.failed')
    return new HttpError(400, 'bad-json', 'The request is not well-formed JSON.');
  if (error.type === 'charset.unsupported' || error.type === 'encoding.unsupported') {
    return new HttpError(415, 'bad-encoding', 'Send plain UTF-8 JSON.');
  }
  if (error.status === 416) return new HttpError(416, 'bad-range', 'There is no such part of the file.');
  // Broken escapes, broken compression, lengths that do not fit: the sender's fault, whatever it was.
  if (error.status !== undefined && error.status >= 400 && error.status < 500)
    return new HttpError(error.status, 'bad-request', 'The request cannot be understood.');
  return undefined;
}

/** Every error leaves as `{error: {code, message, field?}}`; what we did not expect is logged and not shown. */
export const errorHandler =
  (log: Logger, onStuck: (error: StuckConnection) => void): ErrorRequestHandler =>
  (error: unknown, req, res, next) => {
    if (error instanceof StuckConnection) onStuck(error);
    if (res.headersSent) {
      next(error);
      return;
    }
    const known =
      error instanceof HttpError ? error : (fromDatabase(error) ?? fromBodyParser(error as BodyError));
    if (!known) log.error({ err: error, method: req.method, path: req.path }, 'unexpected');
    const answer = known ?? new HttpError(500, 'internal', 'Fomrik failed to do that; nothing was changed.');
    res
      .status(answer.status)
      .json({ error: { code: answer.code, message: answer.message, ...answer.extra } });
  };
