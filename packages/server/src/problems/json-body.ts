/** Reads JSON bodies with the core's limits on size and depth, before anything is parsed. */
import express, { type NextFunction, type Request, type RequestHandler, type Response } from 'express';
import { MOST_BYTES, readJsonText } from '@keen/core';

/** A save carries a document and a few words around it. */
const LIMIT = MOST_BYTES + 100_000;

export const jsonBody = (): RequestHandler[] => [
  express.text({ type: ['application/json', 'application/*+json'], limit: LIMIT, defaultCharset: 'utf-8' }),
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
