/**
 * In front of everything: only pages of this application get through, and each request learns who its caller is. The desk is
 * whoever comes over plain HTTP on loopback; over TLS it is the network, where a cookie says a paired device from a stranger.
 */
import type { TLSSocket } from 'node:tls';
import type { NextFunction, Request, RequestHandler, Response } from 'express';
import type { ServerConfig } from '../config.ts';
import { setCaller, type Caller } from './caller.ts';
import { answerOpened } from './open-answers.ts';

/** `__Host-`: a browser takes it over HTTPS only, from this host only, for every path. */
export const DEVICE_COOKIE = '__Host-keen_device';
const LOOPBACK_HOST = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;
const LOOPBACK_ADDRESS = /^(127\.\d+\.\d+\.\d+|::1|::ffff:127\.\d+\.\d+\.\d+)$/;

/** What a token is worth: the device it belongs to, and the token to hold from now on where it is to be changed. */
export interface Authenticated {
  readonly id: string;
  readonly name: string;
  readonly renewed: { readonly token: string; readonly maxAgeS: number } | null;
}
export type Authenticate = (token: string | undefined) => Promise<Authenticated | null>;

export const isFromNetwork = ({ socket }: Pick<Request, 'socket'>): boolean =>
  (socket as Partial<TLSSocket>).encrypted === true || !LOOPBACK_ADDRESS.test(socket.remoteAddress ?? '');

export const deviceCookie = (token: string, maxAgeS: number): string =>
  `${DEVICE_COOKIE}=${token}; Path=/; Max-Age=${maxAgeS}; HttpOnly; Secure; SameSite=Strict`;

export const tokenOf = ({ headers }: Pick<Request, 'headers'>): string | undefined =>
  (headers.cookie ?? '')
    .split(';')
    .map((pair) => pair.trim())
    .find((pair) => pair.startsWith(`${DEVICE_COOKIE}=`))
    ?.slice(DEVICE_COOKIE.length + 1);

export function networkGate({ share, origins }: Pick<ServerConfig, 'share' | 'origins'>, authenticate: Authenticate): RequestHandler {
  const address = share ? `${share.host}:${share.port}` : null;
  const isOwnPage = (request: Request): boolean => {
    const { origin, host = '' } = request.headers;
    if (isFromNetwork(request)) return host === address && (origin === undefined || origin === `https://${address}`);
    return LOOPBACK_HOST.test(host) && (origin === undefined || origin === `http://${host}` || origins.includes(origin));
  };
  return (request: Request, response: Response, next: NextFunction): void => {
    if (!isOwnPage(request)) return refuseOrigin(request, response);
    const enter = (caller: Caller): void => {
      setCaller(request, caller);
      next();
    };
    if (!isFromNetwork(request)) return enter({ kind: 'desk' });
    const token = tokenOf(request);
    if (token === undefined) return enter({ kind: 'stranger' });
    authenticate(token).then((device) => {
      if (!device) return enter({ kind: 'stranger' });
      if (device.renewed) response.setHeader('Set-Cookie', deviceCookie(device.renewed.token, device.renewed.maxAgeS));
      answerOpened(device.id, response);
      enter({ kind: 'device', id: device.id, name: device.name });
    }, next);
  };
}

function refuseOrigin({ headers }: Request, response: Response): void {
  response.status(403).json({
    code: 'origin',
    message: `a page of '${headers.origin ?? headers.host ?? ''}' may not use this server`,
    where: 'Origin',
    accepted: 'pages this server serves itself',
  });
}
