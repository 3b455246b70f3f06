/** The line to the label printer, in the words of its protocol (devices/README.md). */
import { ProblemException } from '../../problems/problem.exception.ts';

const TIMEOUT_MS = 2500;

export type PrinterState = 'ready' | 'out-of-paper' | 'jammed' | 'away';

/** What the printer knows of a job. */
export interface PrinterJob {
  readonly printed: number;
  readonly printer: Exclude<PrinterState, 'away'>;
}

export class PrinterLine {
  constructor(private readonly port: number | undefined) {}

  get isConfigured(): boolean {
    return this.port !== undefined;
  }

  /** Null where the printer does not know the job. Throws 503 where it does not answer. */
  async find(id: string): Promise<PrinterJob | null> {
    return this.call<PrinterJob>(`jobs/${encodeURIComponent(id)}`);
  }

  async send(id: string, labels: number, pdf: Uint8Array): Promise<PrinterJob> {
    const job = await this.call<PrinterJob>(`jobs?id=${encodeURIComponent(id)}&labels=${labels}`, { method: 'POST', body: Buffer.from(pdf) });
    if (!job) throw away();
    return job;
  }

  async addPaper(labels: number): Promise<void> {
    await this.call('paper', { method: 'POST', body: JSON.stringify({ labels }) });
  }

  /** Makes the stand-in fail on demand. */
  async fail(how: string): Promise<void> {
    await this.call('fault', { method: 'POST', body: JSON.stringify({ how }) });
  }

  private async call<T>(path: string, init: RequestInit = {}): Promise<T | null> {
    if (this.port === undefined) throw away();
    let answer: Response;
    try {
      answer = await fetch(`http://127.0.0.1:${this.port}/${path}`, { ...init, signal: AbortSignal.timeout(TIMEOUT_MS) });
    } catch {
      throw away();
    }
    if (answer.status === 404) return null;
    if (!answer.ok) throw away();
    return (await answer.json()) as T;
  }
}

const away = (): ProblemException =>
  new ProblemException(503, {
    code: 'printer',
    message: 'the label printer does not answer',
    where: 'label printer',
    accepted: 'switch it on; or print the sheet of labels',
  });
