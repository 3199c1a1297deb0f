import { parse } from 'cookie';
import type { Request, RequestHandler } from 'express';
import { HttpError } from './errors';
import { hostName, isLocalHost } from './guard';
import type { Pairing } from './pairing';

export const COOKIE = 'fomrik-device';

const loopback = /^(127\.|::1$|::ffff:127\.)/;

/** Whether a request comes from this computer and means it. */
export const isLocal = (req: Request): boolean =>
  loopback.test(req.socket.remoteAddress ?? '') && isLocalHost(hostName(req.headers.host ?? ''));

/** This computer passes; a device of the network passes when it was paired. Everything else is answered by 401. */
export const admission =
  (pairing: Pairing): RequestHandler =>
  async (req, res, next) => {
    if (isLocal(req) || req.path === '/pair') return next();
    if (await pairing.knows(parse(req.headers.cookie ?? '')[COOKIE])) return next();
    if (req.method === 'GET' && !req.path.startsWith('/api') && req.accepts('html')) {
      res.status(401);
      req.url = '/pair';
      return next();
    }
    throw new HttpError(
      401,
      'not-paired',
      'This device is not paired with Fomrik. Open its address and type the code.',
    );
  };
