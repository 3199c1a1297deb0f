import type { RequestHandler } from 'express';
import { HttpError } from './errors';

const local = new Set(['127.0.0.1', 'localhost', '[::1]']);
export const hostName = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();
export const isLocalHost = (name: string): boolean => local.has(name);

/**
 * Refuses requests meant for another host (DNS rebinding) and writes begun by another site.
 * @param extraHosts host names besides this machine's own, when it serves a network on purpose.
 */
export const guard =
  (extraHosts: readonly string[]): RequestHandler =>
  (req, _res, next) => {
    const host = req.headers.host ?? '';
    if (!local.has(hostName(host)) && !extraHosts.includes(hostName(host))) {
      throw new HttpError(403, 'wrong-host', `Fomrik does not answer for “${host}”.`);
    }
    const { origin } = req.headers;
    if (origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`) {
      throw new HttpError(403, 'wrong-origin', `Requests from ${origin} are refused.`);
    }
    next();
  };
