/** The one map from errors to answers. Nothing else in the server knows a status code of an error. */
import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import { MOST_BYTES, Refusal, type Problem } from '@keen/core';
import type { Response } from 'express';
import { ProblemException } from './problem.exception.ts';

interface Answer {
  readonly status: number;
  readonly body: object;
}

@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly log = new Logger('errors');

  catch(error: unknown, host: ArgumentsHost): void {
    const { status, body } = this.answer(error);
    const response = host.switchToHttp().getResponse<Response>();
    if (!response.headersSent) response.status(status).json(body);
  }

  private answer(error: unknown): Answer {
    if (error instanceof ProblemException) return { status: error.status, body: { ...error.problem, ...error.extra } };
    if (error instanceof Refusal) return { status: error.problem.code === 'too-large' ? 413 : 400, body: error.problem };
    if (error instanceof HttpException) return { status: error.getStatus(), body: ofHttp(error) };
    if (isDatabaseAway(error))
      return {
        status: 503,
        body: problem('database-down', 'the database does not answer', 'database', 'try again in a moment; what was not answered as saved is not saved'),
      };
    this.log.error(error instanceof Error ? (error.stack ?? error.message) : String(error));
    return { status: 500, body: problem('internal', 'something went wrong here; nothing was saved', 'server', 'try again; the log says more') };
  }
}

/** The connection, not the statement, is at fault: refused, lost, or no free one in time. */
const isDatabaseAway = (error: unknown): boolean =>
  error instanceof Error &&
  (/^Sequelize(Connection|HostNotFound|HostNotReachable|AccessDenied)/.test(error.name) ||
    /ECONNREFUSED|ECONNRESET|PROTOCOL_CONNECTION_LOST|closed state/.test(error.message));

const problem = (code: string, message: string, where: string, accepted: string): Problem => ({ code, message, where, accepted });

function ofHttp(error: HttpException): Problem {
  const status = error.getStatus();
  if (status === 413) return problem('too-large', 'the request is too large', 'body', `at most ${MOST_BYTES / 1e6} MB`);
  if (status === 404) return problem('not-found', error.message, 'address', 'an address of this API');
  return problem(status === 400 ? 'bad-request' : `http-${status}`, error.message, 'request', 'see docs/api.md');
}
