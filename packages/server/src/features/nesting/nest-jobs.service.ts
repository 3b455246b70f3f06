/** Jobs in turn, a few at once. What a search finds is kept as it comes: a server that is killed takes its jobs up again. */
import { availableParallelism } from 'node:os';
import { Injectable, Logger, type BeforeApplicationShutdown, type OnApplicationBootstrap } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import { readNestProblem, type Json } from '@keen/core';
import { Op } from 'sequelize';
import { notFound, ProblemException } from '../../problems/problem.exception.ts';
import { ProjectModel } from '../projects/project.model.ts';
import { WorkshopService } from '../workshop/workshop.service.ts';
import { NestJobModel, type NestJobState } from './nest-job.model.ts';
import type { AskNestDto } from './nest-jobs.dto.ts';
import { nestThread, type NestThread, type NestThreadWord } from './nest-threads.ts';

/** As many as there are cores: each steps back for requests. */
const AT_ONCE = Math.max(1, availableParallelism());
/** Kept waiting for one project, so that no tab that runs wild fills the table. */
const MAX_WAITING = 20;
/** Beyond its seconds, for putting the layout in order and writing it. */
const GRACE_MS = 15_000;
const NO_LAYOUT = 'no layout was found in the time there was: try it with more seconds, or fewer parts';

export interface NestJobRow {
  readonly id: string;
  readonly product: string;
  readonly key: string;
  readonly state: NestJobState;
  readonly seconds: number;
  readonly spentMs: number;
  readonly fault: string | null;
  /** Changes whenever the plan may have. */
  readonly updatedAt: string;
}

@Injectable()
export class NestJobsService implements OnApplicationBootstrap, BeforeApplicationShutdown {
  private readonly log = new Logger('nesting');
  private readonly running = new Map<string, NestThread>();
  /** Writes of one job stand in line, so that none overtakes an earlier one. */
  private readonly lines = new Map<string, Promise<unknown>>();
  private ending = false;
  private taking: Promise<void> = Promise.resolve();

  constructor(
    @InjectModel(NestJobModel) private readonly jobs: typeof NestJobModel,
    @InjectModel(ProjectModel) private readonly projects: typeof ProjectModel,
    private readonly workshop: WorkshopService,
  ) {}

  async onApplicationBootstrap(): Promise<void> {
    await this.jobs.update({ state: 'waiting' }, { where: { state: 'running' } });
    await this.takeNext();
  }

  async beforeApplicationShutdown(): Promise<void> {
    this.ending = true;
    await this.taking;
    await Promise.all([...this.running.values()].map((thread) => thread.drop()));
    await Promise.all(this.lines.values());
  }

  async list(projectId: string): Promise<NestJobRow[]> {
    await this.project(projectId);
    const rows = await this.jobs.findAll({ where: { projectId }, order: [['createdAt', 'DESC']], attributes: { exclude: ['problem', 'plan'] }, limit: 100 });
    return rows.map(rowOf);
  }

  /** One job with its best plan so far. */
  async find(id: string): Promise<NestJobRow & { readonly plan: Json | null }> {
    const job = await this.jobs.findByPk(id, { attributes: { exclude: ['problem'] } });
    if (!job) throw notFound('job', 'id');
    return { ...rowOf(job), plan: job.plan === null ? null : (JSON.parse(job.plan) as Json) };
  }

  /** Takes a job on; the same id asked for twice is one job. Earlier ones for the same stock of the project go. */
  async ask(projectId: string, { id, product, key, then, seconds, problem }: AskNestDto): Promise<NestJobRow> {
    await this.project(projectId);
    readNestProblem(problem);
    const { products } = await this.workshop.read();
    if (!Object.hasOwn(products, product)) throw notFound('stock of that name', 'product');
    const there = await this.jobs.findByPk(id);
    if (there) return rowOf(there);
    const waiting = await this.jobs.count({ where: { projectId, state: 'waiting' } });
    if (waiting >= MAX_WAITING)
      throw new ProblemException(409, {
        code: 'too-many',
        message: `${waiting} searches of this project wait already`,
        where: 'project',
        accepted: `at most ${MAX_WAITING}`,
      });
    for (const { id: earlier } of await this.jobs.findAll({ where: { projectId, product }, attributes: ['id'] })) await this.remove(earlier);
    const now = new Date();
    const job = await this.jobs.create({
      id,
      projectId,
      product,
      piecesKey: key,
      settleFor: then,
      state: 'waiting',
      seconds,
      spentMs: 0,
      starts: 0,
      problem: JSON.stringify(problem),
      plan: null,
      fault: null,
      createdAt: now,
      updatedAt: now,
    });
    await this.takeNext();
    return rowOf(job);
  }

  /** The best so far will do. It was kept when it came, so nobody waits for the search to hear of it. */
  async stop(id: string): Promise<NestJobRow> {
    await this.end(id);
    const job = await this.jobs.findByPk(id);
    if (!job) throw notFound('job', 'id');
    if (job.state === 'waiting' || job.state === 'running') await job.update({ state: 'stopped', updatedAt: new Date() });
    await this.takeNext();
    return rowOf(job);
  }

  async remove(id: string): Promise<void> {
    await this.end(id);
    await this.jobs.destroy({ where: { id } });
    await this.takeNext();
  }

  /** Ends its search, if it has one, when all that it said is written. */
  private async end(id: string): Promise<void> {
    const thread = this.running.get(id);
    this.running.delete(id);
    await thread?.drop();
    await this.lines.get(id);
  }

  /** Starts what waits while there is room; one call at a time. */
  private takeNext(): Promise<void> {
    this.taking = this.taking.then(() => this.take()).catch((error: unknown) => this.log.error(error));
    return this.taking;
  }

  private async take(): Promise<void> {
    while (!this.ending && this.running.size < AT_ONCE) {
      const job = await this.jobs.findOne({ where: { state: 'waiting', id: { [Op.notIn]: [...this.running.keys()] } }, order: [['createdAt', 'ASC']] });
      if (!job) return;
      await job.update({ state: 'running', starts: job.starts + 1, updatedAt: new Date() });
      this.start(job, await this.workshop.read());
    }
  }

  private start(job: NestJobModel, workshop: Awaited<ReturnType<WorkshopService['read']>>): void {
    const { id, spentMs, seconds } = job;
    const order = {
      problem: job.problem,
      product: job.product,
      workshop,
      then: job.settleFor as AskNestDto['then'],
      ms: Math.max(1000, seconds * 1000 - spentMs),
      seed: job.starts,
      before: job.plan,
    };
    // A search that does not end by itself is ended: the best it has said will do.
    const late = setTimeout(() => {
      void this.dropped(id)
        .then((isKept) => over(isKept ? { state: 'done' } : { state: 'failed', fault: NO_LAYOUT }))
        .catch((error: unknown) => this.log.error(error));
    }, order.ms + GRACE_MS);
    late.unref();
    const over = (values: Partial<NestJobModel>): void => {
      clearTimeout(late);
      this.running.delete(id);
      this.keep(id, values);
      void this.takeNext();
    };
    const hear = (word: NestThreadWord): void => {
      const spent = spentMs + word.spentMs;
      if (word.type === 'spent') this.keep(id, { spentMs: spent });
      else if (word.type === 'better') this.keep(id, { spentMs: spent, plan: word.plan });
      else over({ spentMs: spent, plan: word.plan, state: 'done' });
    };
    const thread = nestThread(order, hear, (why) => over({ state: 'failed', fault: why.slice(0, 400) }));
    this.running.set(id, {
      drop() {
        clearTimeout(late);
        return thread.drop();
      },
    });
  }

  /** Ends a search that is late. Whether a plan of it has been kept, when all that it said is written. */
  private async dropped(id: string): Promise<boolean> {
    await this.running.get(id)?.drop();
    await this.lines.get(id);
    return (await this.jobs.count({ where: { id, plan: { [Op.ne]: null } } })) > 0;
  }

  private keep(id: string, values: Partial<NestJobModel>): void {
    const before = this.lines.get(id) ?? Promise.resolve();
    const next = before
      .then(() => this.jobs.update({ ...values, updatedAt: new Date() }, { where: { id } }))
      // A database that is away for a while costs a word of progress, not the search.
      .catch((error: unknown) => this.log.warn(`progress of ${id} not kept: ${error instanceof Error ? error.message : String(error)}`))
      .finally(() => {
        if (this.lines.get(id) === next) this.lines.delete(id);
      });
    this.lines.set(id, next);
  }

  private async project(id: string): Promise<void> {
    if ((await this.projects.count({ where: { id, deletedAt: null } })) === 0) throw notFound('project', 'id');
  }
}

const rowOf = ({ id, product, piecesKey, state, seconds, spentMs, fault, updatedAt }: NestJobModel): NestJobRow => ({
  id,
  product,
  key: piecesKey,
  state,
  seconds,
  spentMs,
  fault,
  updatedAt: updatedAt.toISOString(),
});
