/**
 * Shop sets in the making, and the last few that are made. They are kept in memory: a server that starts anew has none, says so, and a
 * set is made again in seconds.
 */
import { randomUUID } from 'node:crypto';
import { Injectable, type BeforeApplicationShutdown } from '@nestjs/common';
import type { Json, Problem } from '@keen/core';
import { notFound, ProblemException } from '../../problems/problem.exception.ts';
import type { AskSetDto } from './sets.dto.ts';
import { setThread } from './set-threads.ts';
import { StoredProjects } from '../projects/stored-projects.ts';

/** Kept; the oldest goes when another is asked for. */
const MAX_KEPT = 6;
/** Drawn at once; further ones are refused until one is done. */
const MAX_AT_ONCE = 2;

export interface SetState {
  readonly id: string;
  readonly state: 'running' | 'done' | 'failed';
  readonly done: number;
  readonly of: number;
  readonly doing: string;
  /** 0 until it is done. */
  readonly pages: number;
  readonly problem: Problem | null;
}

interface Job {
  readonly project: string;
  readonly name: string;
  readonly drop: () => void;
  state: SetState;
  pdf: Uint8Array | null;
  pages: readonly string[];
}

@Injectable()
export class SetsService implements BeforeApplicationShutdown {
  private readonly jobs = new Map<string, Job>();

  constructor(private readonly stored: StoredProjects) {}

  beforeApplicationShutdown(): void {
    for (const { drop } of this.jobs.values()) drop();
  }

  async ask(projectId: string, { paper, units: display, cabinets = [], layouts = {} }: AskSetDto): Promise<SetState> {
    const { project, revision } = await this.stored.read(projectId);
    const strange = cabinets.find((id) => !Object.hasOwn(project.design.units, id));
    if (strange !== undefined) throw notFound('cabinet', `cabinets: ${strange}`);
    if (Object.keys(project.design.units).length === 0)
      throw new ProblemException(409, {
        code: 'nothing',
        message: 'there is no cabinet in the project yet',
        where: 'project',
        accepted: 'a project with a cabinet',
      });
    if ([...this.jobs.values()].filter(({ state }) => state.state === 'running').length >= MAX_AT_ONCE)
      throw new ProblemException(429, {
        code: 'busy',
        message: `${MAX_AT_ONCE} sets are being drawn already`,
        where: 'sets',
        accepted: 'one more when one of them is done',
      });
    const id = randomUUID();
    const job: Job = {
      project: projectId,
      name: `${cabinets.length === 1 ? cabinets[0]! : 'shop'}-set.pdf`,
      state: { id, state: 'running', done: 0, of: 1, doing: 'beginning', pages: 0, problem: null },
      pdf: null,
      pages: [],
      drop: setThread(
        { project, units: cabinets, paper, display, revision: `revision ${revision}`, layouts: layouts as Readonly<Record<string, Json>> },
        (word) => {
          if (word.type === 'doing') job.state = { ...job.state, done: word.done, of: word.of, doing: word.doing };
          else if (word.type === 'refused') this.fail(job, word.problem);
          else {
            job.pdf = word.pdf;
            job.pages = word.pages;
            job.state = { ...job.state, state: 'done', done: job.state.of, doing: 'done', pages: word.pages.length };
          }
        },
        (why) => this.fail(job, { code: 'failed', message: `the set could not be drawn: ${why}`, where: 'set', accepted: 'a set of fewer cabinets' }),
      ),
    };
    this.jobs.set(id, job);
    this.forgetOld();
    return job.state;
  }

  find(projectId: string, id: string): SetState {
    return this.job(projectId, id).state;
  }

  /** The PDF and what it is called. */
  pdf(projectId: string, id: string): { readonly name: string; readonly pdf: Uint8Array } {
    const { name, pdf, state } = this.job(projectId, id);
    if (!pdf) throw unready(state);
    return { name, pdf };
  }

  /** A page as SVG, counted from 1. */
  page(projectId: string, id: string, number: number): string {
    const { pages, state } = this.job(projectId, id);
    if (state.state !== 'done') throw unready(state);
    const page = pages[number - 1];
    if (page === undefined) throw notFound('page', `pages/${number}`);
    return page;
  }

  remove(projectId: string, id: string): void {
    this.job(projectId, id).drop();
    this.jobs.delete(id);
  }

  private job(projectId: string, id: string): Job {
    const job = this.jobs.get(id);
    if (!job || job.project !== projectId)
      throw new ProblemException(404, {
        code: 'not-found',
        message: 'there is no such set: it was made long ago, or the server was started anew',
        where: 'set',
        accepted: 'the set, asked for again',
      });
    return job;
  }

  private fail(job: Job, problem: Problem): void {
    job.state = { ...job.state, state: 'failed', problem };
  }

  private forgetOld(): void {
    for (const [id, { state }] of this.jobs) {
      if (this.jobs.size <= MAX_KEPT) return;
      if (state.state !== 'running') this.jobs.delete(id);
    }
  }
}

const unready = ({ state, problem }: SetState): ProblemException =>
  new ProblemException(
    409,
    problem ?? {
      code: 'unfinished',
      message: `the set is ${state === 'running' ? 'still being drawn' : 'not there'}`,
      where: 'set',
      accepted: 'a set that is done',
    },
  );
