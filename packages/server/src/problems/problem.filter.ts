/** The one map from errors to answers. Nothing else in the server knows a status code of an error. */
import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import { MAX_BYTES, Refusal, type Problem } from '@keen/core';
import type { Response } from 'express';
import { isDatabaseAway, isDatabaseBusy, isDiskFull } from '../database/database-errors.ts';
import { CommitUnknown } from '../database/transacted.ts';
import { Stopped } from '../heavy/heavy-work.service.ts';
import { ProblemException } from './problem.exception.ts';

interface Answer {
  readonly status: number;
  readonly body: object;
}

/** When a refused request is worth repeating, seconds. */
const RETRY_S = 2;

@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly log = new Logger('errors');

  catch(error: unknown, host: ArgumentsHost): void {
    const { status, body } = this.answer(error);
    const response = host.switchToHttp().getResponse<Response>();
    // Nobody waits for it any more.
    if (response.headersSent || error instanceof Stopped) return void response.destroy();
    if (status === 503 || status === 429) response.setHeader('Retry-After', String(RETRY_S));
    // The answer that was begun may have named another type.
    response.status(status).type('json').json(body);
  }

  private answer(error: unknown): Answer {
    if (error instanceof ProblemException) return { status: error.status, body: { ...error.problem, ...error.extra } };
    if (error instanceof Refusal) return { status: error.problem.code === 'too-large' ? 413 : 400, body: error.problem };
    if (error instanceof HttpException) return { status: error.getStatus(), body: ofHttp(error) };
    if (error instanceof CommitUnknown)
      return {
        status: 503,
        body: problem('unknown', 'the database was lost while saving: it is not known whether this was saved', 'database', 'look again before repeating it'),
      };
    if (isDiskFull(error))
      return { status: 507, body: problem('disk-full', 'the disk is full; nothing was saved', 'disk', 'free some space on the disk of the data folder') };
    if (isDatabaseAway(error)) return { status: 503, body: problem('database-down', 'the database does not answer; nothing was saved', 'database', AGAIN) };
    if (isDatabaseBusy(error)) return { status: 503, body: problem('database-busy', 'the database is busy; nothing was saved', 'database', AGAIN) };
    if (isBodyError(error)) return { status: error.status, body: ofBody(error.status) };
    this.log.error(error instanceof Error ? (error.stack ?? error.message) : String(error));
    return { status: 500, body: problem('internal', 'something went wrong here; nothing was saved', 'server', 'try again; the log says more') };
  }
}

const AGAIN = 'the same again in a moment';

const problem = (code: string, message: string, where: string, accepted: string): Problem => ({ code, message, where, accepted });

/** Errors of the body parser: a body that is cut off, too large, in an unknown coding. */
const isBodyError = (error: unknown): error is { status: number } => {
  const { status, type } = error as { status?: unknown; type?: unknown };
  return typeof status === 'number' && status >= 400 && status < 500 && typeof type === 'string';
};

function ofBody(status: number): Problem {
  if (status === 413) return tooLarge();
  return problem('body', 'the body of the request cannot be read', 'body', 'a whole body in UTF-8, as long as its headers say');
}

const tooLarge = (): Problem => problem('too-large', 'the request is too large', 'body', `at most ${MAX_BYTES / 1e6} MB`);

function ofHttp(error: HttpException): Problem {
  const status = error.getStatus();
  if (status === 413) return tooLarge();
  if (status === 404) return problem('not-found', error.message, 'address', 'an address of this API');
  return problem(status === 400 ? 'bad-request' : `http-${status}`, error.message, 'request', 'see docs/api.md');
}
