import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';

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
  return undefined;
}

/** Every error leaves as `{error: {code, message, field?}}`; what we did not expect is logged and not shown. */
export const errorHandler =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, req, res, next) => {
    if (res.headersSent) {
      next(error);
      return;
    }
    const known = error instanceof HttpError ? error : fromBodyParser(error as BodyError);
    if (!known) log.error({ err: error, method: req.method, path: req.path }, 'unexpected');
    const answer = known ?? new HttpError(500, 'internal', 'Fomrik failed to do that; nothing was changed.');
    res
      .status(answer.status)
      .json({ error: { code: answer.code, message: answer.message, ...answer.extra } });
  };
