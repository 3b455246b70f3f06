/** Reads JSON bodies with the core's limits on size and depth, before anything is parsed. */
import express, { type NextFunction, type Request, type RequestHandler, type Response } from 'express';
import { MAX_BYTES, readJsonText } from '@keen/core';
import { callerOf } from '../access/caller.ts';

/** A save carries a document and a few words around it. */
const LIMIT = MAX_BYTES + 100_000;
/** All a stranger on the network may send is a code and a name. */
const STRANGER_LIMIT = 2000;

const text = (limit: number): RequestHandler => express.text({ type: ['application/json', 'application/*+json'], limit, defaultCharset: 'utf-8' });

export const jsonBody = (): RequestHandler[] => [
  bodyText(),
  (request: Request, _response: Response, next: NextFunction): void => {
    if (typeof request.body !== 'string') return next();
    try {
      request.body = request.body === '' ? {} : readJsonText(request.body, 'body');
      next();
    } catch (error) {
      next(error);
    }
  },
];

function bodyText(): RequestHandler {
  const [known, unknown] = [text(LIMIT), text(STRANGER_LIMIT)];
  return (request, response, next) => (callerOf(request).kind === 'stranger' ? unknown : known)(request, response, next);
}
