/** Labels as a sheet, or one by one on the label printer. Where the printer's stand-in listens, a real one could. */
import { Inject, Injectable } from '@nestjs/common';
import { notFound, ProblemException } from '../../problems/problem.exception.ts';
import { labelRoll, labelSheet } from './label-pdf.ts';
import type { LabelDto } from './labels.dto.ts';

export const PRINTER_PORT = Symbol('where the label printer listens');
const PATIENCE_MS = 2500;

export interface PrintJob {
  readonly id: string;
  readonly labels: number;
  readonly printed: number;
  readonly printer: 'ready' | 'out-of-paper' | 'jammed';
}

@Injectable()
export class LabelsService {
  constructor(@Inject(PRINTER_PORT) private readonly port: number | undefined) {}

  sheet(labels: readonly LabelDto[]): Promise<Uint8Array> {
    return labelSheet(labels);
  }

  /** Sends a job; the same id again is the same job, so a click that was not answered can be made again. */
  async print(id: string, labels: readonly LabelDto[]): Promise<PrintJob> {
    const body = Buffer.from(await labelRoll(labels));
    return this.call<PrintJob>(`jobs?id=${encodeURIComponent(id)}&labels=${labels.length}`, { method: 'POST', body });
  }

  async job(id: string): Promise<PrintJob> {
    return this.call<PrintJob>(`jobs/${encodeURIComponent(id)}`);
  }

  async paper(labels: number): Promise<void> {
    await this.call('paper', { method: 'POST', body: JSON.stringify({ labels }) });
  }

  /** Faults of the stand-in on demand. */
  async fail(how: string): Promise<void> {
    await this.call('fault', { method: 'POST', body: JSON.stringify({ how }) });
  }

  private async call<T>(path: string, init: RequestInit = {}): Promise<T> {
    if (this.port === undefined) throw away();
    let answer: Response;
    try {
      answer = await fetch(`http://127.0.0.1:${this.port}/${path}`, { ...init, signal: AbortSignal.timeout(PATIENCE_MS) });
    } catch {
      throw away();
    }
    if (answer.status === 404) throw notFound('print job of that id', 'id');
    if (!answer.ok) throw away();
    return (await answer.json()) as T;
  }
}

const away = (): ProblemException =>
  new ProblemException(503, {
    code: 'printer',
    message: 'the label printer does not answer',
    where: 'label printer',
    accepted: 'switch it on and print again: nothing is printed twice; or print the sheet of labels',
  });
