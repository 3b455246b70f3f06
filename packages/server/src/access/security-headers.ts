/** Security headers on every answer: pages, files, the API and refusals. */
import type { NextFunction, Request, RequestHandler, Response } from 'express';
import helmet from 'helmet';
import { isFromNetwork } from './network-gate.ts';

const YEAR_S = 365 * 86_400;

/** Sets the headers of docs/security.md. Answers of the API are never stored by a browser or proxy. */
export function securityHeaders(): RequestHandler[] {
  const common = {
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        // Bodies for other programs are made by machine code that comes from here; that compiles no script.
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        scriptSrcAttr: ["'none'"],
        // The design system writes its rules into the page as it goes.
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    frameguard: { action: 'deny' as const },
    referrerPolicy: { policy: 'no-referrer' as const },
    crossOriginEmbedderPolicy: false,
  };
  const onLoopback = helmet({ ...common, strictTransportSecurity: false });
  const onNetwork = helmet({ ...common, strictTransportSecurity: { maxAge: YEAR_S, includeSubDomains: false } });
  return [
    (request: Request, response: Response, next: NextFunction): void => (isFromNetwork(request) ? onNetwork : onLoopback)(request, response, next),
    (request: Request, response: Response, next: NextFunction): void => {
      if (isApiAddress(request.path)) response.setHeader('Cache-Control', 'no-store');
      next();
    },
  ];
}

/** Whether an address is meant for the API, however it is spelled: such an address is never answered with a page. */
export function isApiAddress(path: string): boolean {
  let decoded = path;
  try {
    decoded = decodeURIComponent(path);
  } catch {
    // What cannot be decoded is judged as it stands.
  }
  return /^[/\\.]*api([/\\.]|$)/i.test(decoded);
}
