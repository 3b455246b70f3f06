/**
 * What a request from the LAN may do. It comes over TLS: its Host must be the address that was chosen, its Origin our own, and
 * whatever is behind /api is for devices that were paired. What belongs to the desk itself stays there.
 */
import type { TLSSocket } from 'node:tls';
import type { NextFunction, Request, RequestHandler, Response } from 'express';

export const DEVICE_COOKIE = 'keen_device';

/** Open to a device that is not paired: pairing itself, and whether the desk is there at all. */
const OPEN = ['POST /api/sharing/pair', 'GET /api/health'];
/** The desk's own: codes, other devices. */
const DESK_ONLY = /^\/api\/sharing(\/|$)/;

export const isFromLan = (request: Request): boolean => (request.socket as Partial<TLSSocket>).encrypted === true;

export const tokenOf = ({ headers }: Pick<Request, 'headers'>): string | undefined =>
  (headers.cookie ?? '')
    .split(';')
    .map((pair) => pair.trim())
    .find((pair) => pair.startsWith(`${DEVICE_COOKIE}=`))
    ?.slice(DEVICE_COOKIE.length + 1);

const refuse = (response: Response, status: number, code: string, message: string, accepted: string): void =>
  void response.status(status).json({ code, message, where: 'request', accepted });

export const lanGuard =
  (share: { readonly host: string; readonly port: number } | undefined, knows: (token: string | undefined) => Promise<boolean>): RequestHandler =>
  (request: Request, response: Response, next: NextFunction): void => {
    if (!isFromLan(request)) return next();
    const address = share ? `${share.host}:${share.port}` : '';
    const { origin, host } = request.headers;
    if (!share || host !== address || (origin !== undefined && origin !== `https://${address}`))
      return refuse(response, 403, 'origin', `a page of '${origin ?? host ?? ''}' may not use this server`, 'pages this server serves itself');
    if (!request.path.startsWith('/api/') && request.path !== '/api') return next();
    if (OPEN.includes(`${request.method} ${request.path}`)) return next();
    if (DESK_ONLY.test(request.path))
      return refuse(response, 403, 'desk-only', 'codes and devices are seen to at the desk', 'the page on the machine the desk runs on');
    knows(tokenOf(request)).then(
      (known) =>
        known ? next() : refuse(response, 401, 'not-paired', 'this device is not paired with the desk', 'a device that was paired: the desk shows a code'),
      next,
    );
  };
