/** The label printer's stand-in: jobs over HTTP, one label after the other onto PDF files; it runs out of paper and jams. README.md tells the protocol. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';

const EACH_MS = 30;
const MOST_BYTES = 20_000_000;

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

/** Starts listening on loopback; `port` 0 takes a free one. Jobs are written into `folder` when they are through. */
export function startLabelPrinterStandIn(port: number, folder: string | null): Promise<LabelPrinter> {
  const jobs = new Map<string, Job>();
  const documents = new Map<string, Buffer>();
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
    if (next.printed === next.labels && folder) writeFileSync(join(folder, `labels-${next.id.replace(/[^\w-]/g, '')}.pdf`), documents.get(next.id)!);
    if (next.printed === next.labels) documents.delete(next.id);
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
          jobs.set(id, { id, labels, printed: 0 });
          documents.set(id, document);
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

async function bodyOf(request: IncomingMessage): Promise<Buffer> {
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of request as AsyncIterable<Buffer>) {
    size += chunk.length;
    if (size > MOST_BYTES) throw new Error('too large');
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}
