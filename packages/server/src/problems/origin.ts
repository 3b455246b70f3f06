/** Only pages of this application may talk to it: the Host must be loopback, and an Origin must be our own. Keeps other sites' scripts out. */
import { isFromLan } from '../features/sharing/lan-guard.ts';
import type { NextFunction, Request, RequestHandler, Response } from 'express';

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

export const ownOriginOnly =
  (further: readonly string[]): RequestHandler =>
  (request: Request, response: Response, next: NextFunction): void => {
    // Over TLS it comes from the LAN, and has passed that guard.
    if (isFromLan(request)) return next();
    const host = request.headers.host ?? '';
    const { origin } = request.headers;
    const own = LOOPBACK.test(host) && (origin === undefined || origin === `http://${host}` || further.includes(origin));
    if (own) next();
    else
      response.status(403).json({
        code: 'origin',
        message: `a page of '${origin ?? host}' may not use this server`,
        where: 'Origin',
        accepted: 'pages this server serves itself',
      });
  };
