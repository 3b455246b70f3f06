/** The label printer's stand-in: jobs over HTTP, one label after the other onto PDF files; it runs out of paper and jams. README.md says the protocol. */
import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';

const EACH_MS = 30;
const MAX_BYTES = 20_000_000;
/** Jobs a printer that is switched off remembers. */
const MAX_REMEMBERED = 200;

interface Job {
  readonly id: string;
  readonly labels: number;
  printed: number;
}

export interface LabelPrinter {
  readonly server: Server;
  /** Labels that left it so far. */
  readonly printed: () => number;
}

/**
 * Starts listening on loopback; `port` 0 takes a free one. With a folder the printer remembers its jobs there when it is switched off, and
 * writes each into it when it is printed.
 */
export function startLabelPrinterStandIn(port: number, folder: string | null): Promise<LabelPrinter> {
  const memory = new PrinterMemory(folder);
  const jobs = memory.jobs;
  let paper = 40;
  let jammed = false;
  let offline = false;
  let printed = 0;
  const state = (): string => (jammed ? 'jammed' : paper === 0 ? 'out-of-paper' : 'ready');
  const timer = setInterval(() => {
    if (jammed || offline || paper === 0) return;
    const next = [...jobs.values()].find((job) => job.printed < job.labels);
    if (!next) return;
    paper--;
    printed++;
    next.printed++;
    memory.counted(next);
  }, EACH_MS);
  timer.unref();
  const say = (response: ServerResponse, status: number, body: object): void => {
    response.writeHead(status, { 'Content-Type': 'application/json' });
    response.end(JSON.stringify(body));
  };
  const jobOf = (id: string): object | null => {
    const job = jobs.get(id);
    return job ? { id, labels: job.labels, printed: job.printed, printer: state() } : null;
  };
  const server = createServer((request, response) => {
    void (async () => {
      const url = new URL(request.url ?? '/', 'http://printer');
      if (request.method === 'POST' && url.pathname === '/fault') {
        const how = String((JSON.parse((await bodyOf(request)).toString()) as { how?: unknown }).how);
        [offline, jammed] = [how === 'offline', how === 'jammed'];
        return say(response, 200, { armed: how });
      }
      // Offline it answers nobody but whoever switches it on again.
      if (offline) return void request.socket.destroy();
      if (request.method === 'GET' && url.pathname === '/status') return say(response, 200, { name: 'label printer, stand-in', paper, state: state() });
      if (request.method === 'POST' && url.pathname === '/paper') {
        paper += Number((JSON.parse((await bodyOf(request)).toString()) as { labels?: unknown }).labels) || 0;
        return say(response, 200, { paper });
      }
      if (request.method === 'POST' && url.pathname === '/jobs') {
        const [id, labels] = [url.searchParams.get('id') ?? '', Number(url.searchParams.get('labels'))];
        const document = await bodyOf(request);
        if (id === '' || !Number.isInteger(labels) || labels < 1 || !document.subarray(0, 5).equals(Buffer.from('%PDF-')))
          return say(response, 400, { error: 'that is no job', accepted: 'id, labels and a PDF' });
        // The same id again is the same job: nothing is printed twice.
        if (!jobs.has(id)) {
          memory.accepted({ id, labels, printed: 0 }, document);
        }
        return say(response, 202, jobOf(id)!);
      }
      const job = request.method === 'GET' && url.pathname.startsWith('/jobs/') ? jobOf(decodeURIComponent(url.pathname.slice(6))) : null;
      if (job) return say(response, 200, job);
      say(response, 404, { error: 'not here', accepted: 'GET /status, POST /jobs, GET /jobs/:id, POST /paper, POST /fault' });
    })().catch(() => request.socket.destroy());
  });
  server.once('close', () => clearInterval(timer));
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve({ server, printed: () => printed }));
  });
}

/** Jobs and their documents, in a folder where there is one. */
class PrinterMemory {
  readonly jobs = new Map<string, Job>();
  private readonly documents = new Map<string, Buffer>();

  constructor(private readonly folder: string | null) {
    if (!folder) return;
    mkdirSync(join(folder, 'queue'), { recursive: true });
    if (existsSync(this.listPath())) for (const job of JSON.parse(readFileSync(this.listPath(), 'utf8')) as Job[]) this.jobs.set(job.id, job);
  }

  accepted(job: Job, document: Buffer): void {
    this.jobs.set(job.id, job);
    if (this.folder) writeFileSync(this.documentPath(job), document);
    else this.documents.set(job.id, document);
    this.keep();
  }

  /** Called before the next label: what is counted is printed, and never again. */
  counted(job: Job): void {
    this.keep();
    if (job.printed < job.labels) return;
    if (!this.folder) return void this.documents.delete(job.id);
    if (existsSync(this.documentPath(job))) renameSync(this.documentPath(job), join(this.folder, `labels-${plain(job.id)}.pdf`));
    rmSync(this.documentPath(job), { force: true });
  }

  private keep(): void {
    if (!this.folder) return;
    writeFileSync(`${this.listPath()}.new`, JSON.stringify([...this.jobs.values()].slice(-MAX_REMEMBERED)));
    renameSync(`${this.listPath()}.new`, this.listPath());
  }

  private listPath = (): string => join(this.folder!, 'queue', 'jobs.json');
  private documentPath = ({ id }: Job): string => join(this.folder!, 'queue', `${plain(id)}.pdf`);
}

const plain = (id: string): string => id.replace(/[^\w-]/g, '');

async function bodyOf(request: IncomingMessage): Promise<Buffer> {
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of request as AsyncIterable<Buffer>) {
    size += chunk.length;
    if (size > MAX_BYTES) throw new Error('too large');
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}
