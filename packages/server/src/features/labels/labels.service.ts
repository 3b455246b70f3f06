/**
 * Labels as a sheet, or one by one on the label printer. Jobs for the printer are kept in the database and followed until every label
 * is printed: the printer may be off, run out of paper or be started anew meanwhile, and so may the server.
 */
import { Inject, Injectable, Logger, type BeforeApplicationShutdown, type OnApplicationBootstrap } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import type { Response } from 'express';
import { Op } from 'sequelize';
import { HeavyWorkService } from '../../heavy/heavy-work.service.ts';
import { notFound, ProblemException } from '../../problems/problem.exception.ts';
import { LabelJobModel } from './label-job.model.ts';
import type { LabelDto } from './labels.dto.ts';
import { PrinterLine, type PrinterJob, type PrinterState } from './printer-line.ts';

export const PRINTER_PORT = Symbol('where the label printer listens');
/** How often the printer is asked while something is to be printed. */
const FOLLOW_MS = 250;
const AWAY_MS = 2000;

export interface PrintJob {
  readonly id: string;
  readonly labels: number;
  readonly printed: number;
  readonly printer: PrinterState;
}

@Injectable()
export class LabelsService implements OnApplicationBootstrap, BeforeApplicationShutdown {
  private readonly log = new Logger('labels');
  private readonly printer: PrinterLine;
  private state: PrinterState = 'ready';
  private timer: NodeJS.Timeout | undefined;
  private following: Promise<void> | undefined;
  private isEnding = false;

  constructor(
    @Inject(PRINTER_PORT) port: number | undefined,
    @InjectModel(LabelJobModel) private readonly jobs: typeof LabelJobModel,
    private readonly heavy: HeavyWorkService,
  ) {
    this.printer = new PrinterLine(port);
  }

  onApplicationBootstrap(): void {
    if (this.printer.isConfigured) this.follow(0);
  }

  async beforeApplicationShutdown(): Promise<void> {
    this.isEnding = true;
    clearTimeout(this.timer);
    await this.following;
  }

  sheet(labels: readonly LabelDto[], until: Response): Promise<Uint8Array> {
    return this.heavy.run('labelSheet', labels, until);
  }

  /** Takes a job on; the same id again is the same job, so a click that was not answered can be made again. */
  async print(id: string, labels: readonly LabelDto[]): Promise<PrintJob> {
    if (!this.printer.isConfigured)
      throw new ProblemException(503, { code: 'printer', message: 'no label printer is set up here', where: 'label printer', accepted: 'the sheet of labels' });
    const row = { id, labels: JSON.stringify(labels), count: labels.length, printed: 0, attempt: 0, printedBefore: 0, createdAt: new Date(), doneAt: null };
    await this.jobs.bulkCreate([row], { ignoreDuplicates: true });
    await this.following;
    this.follow(0);
    await this.following;
    return this.job(id);
  }

  async job(id: string): Promise<PrintJob> {
    const job = await this.jobs.findByPk(id, { attributes: ['id', 'count', 'printed'] });
    if (!job) throw notFound('print job of that id', 'id');
    return { id, labels: job.count, printed: job.printed, printer: this.state };
  }

  addPaper(labels: number): Promise<void> {
    return this.printer.addPaper(labels);
  }

  /** Makes the stand-in fail on demand. */
  fail(how: string): Promise<void> {
    return this.printer.fail(how);
  }

  /** Forgets jobs that were printed more than `ageMs` ago. */
  sweep(ageMs: number): Promise<number> {
    return this.jobs.destroy({ where: { doneAt: { [Op.lt]: new Date(Date.now() - ageMs) } } });
  }

  /** Looks after the oldest job in a moment, and again while there is one. */
  private follow(ms: number): void {
    clearTimeout(this.timer);
    if (this.isEnding) return;
    const look = (): void => {
      this.following ??= this.advance()
        .catch((error: unknown) => {
          this.log.warn(error instanceof Error ? error.message : String(error));
          return true;
        })
        .then((isMore) => {
          this.following = undefined;
          if (isMore) this.follow(this.state === 'away' ? AWAY_MS : FOLLOW_MS);
        });
    };
    if (ms === 0) look();
    else (this.timer = setTimeout(look, ms)).unref();
  }

  /** Asks the printer about the oldest job, sends what it does not have, and keeps what it says. True while there are jobs. */
  private async advance(): Promise<boolean> {
    const job = await this.jobs.findOne({ where: { doneAt: null }, order: [['createdAt', 'ASC']] });
    if (!job) return false;
    const said = await this.ask(job).catch((error: unknown) => {
      if (error instanceof ProblemException) return null;
      throw error;
    });
    this.state = said?.printer ?? 'away';
    if (!said) return true;
    const printed = Math.min(job.count, Math.max(job.printed, job.printedBefore + said.printed));
    const isDone = printed === job.count;
    if (printed !== job.printed || isDone) await job.update({ printed, doneAt: isDone ? new Date() : null });
    return true;
  }

  private async ask(job: LabelJobModel): Promise<PrinterJob> {
    const known = await this.printer.find(nameOf(job));
    if (known) return known;
    // A printer that has forgotten a job it had begun gets the rest of it as a new one.
    if (job.printed > job.printedBefore) await job.update({ attempt: job.attempt + 1, printedBefore: job.printed });
    const rest = (JSON.parse(job.labels) as LabelDto[]).slice(job.printedBefore);
    return this.printer.send(nameOf(job), rest.length, await this.heavy.run('labelRoll', rest, null));
  }
}

/** What the printer knows a job by. */
const nameOf = ({ id, attempt }: LabelJobModel): string => (attempt === 0 ? id : `${id}-again-${attempt}`);
