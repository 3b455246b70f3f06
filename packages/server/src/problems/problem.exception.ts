/** The errors a service may throw; each becomes {code, message, where, accepted} with its status in problem.filter.ts. */
import type { Json, Problem } from '@keen/core';

export class ProblemException extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem,
    /** What a client needs to recover: the current version, for a stale save. */
    readonly extra: { readonly [key: string]: Json } = {},
  ) {
    super(problem.message);
  }
}

export const notFound = (what: string, where: string): ProblemException =>
  new ProblemException(404, { code: 'not-found', message: `there is no ${what}`, where, accepted: `a ${what} that exists` });

/** It was there, and comes back when it is asked for. */
export const deletedProject = (at: Date): ProblemException =>
  new ProblemException(410, {
    code: 'deleted',
    message: `this project was deleted on ${at.toISOString().slice(0, 10)}`,
    where: 'id',
    accepted: 'a project that is there; this one can be brought back',
  });

/** Someone else saved first. */
export const stale = (base: number, current: { revision: number; document: Json; session?: string }): ProblemException =>
  new ProblemException(
    409,
    { code: 'stale', message: `version ${base} was changed elsewhere; it is now ${current.revision}`, where: 'base', accepted: `${current.revision}` },
    { current },
  );
