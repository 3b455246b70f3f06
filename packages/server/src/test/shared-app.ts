/** The application with its second listener open on the network, and requests that come that way. */
import { mkdtempSync, readFileSync } from 'node:fs';
import type { OutgoingHttpHeaders } from 'node:http';
import { Agent, request as secure, type Server } from 'node:https';
import { createServer } from 'node:net';
import { networkInterfaces, tmpdir } from 'node:os';
import { join } from 'node:path';
import { checkServerIdentity } from 'node:tls';
import { openToLan } from '../lan.ts';
import { testApp, type TestApp } from './app.ts';

export interface LanAnswer {
  readonly status: number;
  readonly body: Record<string, unknown>;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly cookie: string | undefined;
}

export interface SharedApp {
  readonly app: TestApp;
  readonly dataFolder: string;
  readonly host: string;
  readonly port: number;
  readonly server: Server;
  /** Over the network, trusting the desk's authority and nothing else. A stream is left as soon as it has begun. */
  overLan(method: string, path: string, more?: { readonly body?: object; readonly headers?: OutgoingHttpHeaders }): Promise<LanAnswer>;
  /** A code for the next device. */
  offered(): Promise<string>;
  /** Pairs a device and gives the cookie it sends from then on. */
  paired(name?: string): Promise<string>;
  close(): Promise<void>;
}

const freePort = (): Promise<number> =>
  new Promise((done) => {
    const probe = createServer().listen(0, () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => done(port));
    });
  });

/** Throws where this machine has no address on a network. */
export async function sharedApp(): Promise<SharedApp> {
  const host = Object.values(networkInterfaces())
    .flat()
    .find((each) => each && each.family === 'IPv4' && !each.internal)?.address;
  if (!host) throw new Error('this machine has no address on a network to be tried through');
  const dataFolder = mkdtempSync(join(tmpdir(), 'keen-share-'));
  const port = await freePort();
  const app = await testApp({ dataFolder, share: { host, port } });
  const server = (await openToLan(app.nest, { dataFolder, share: { host, port } }))!;
  // Making keys blocks this process for seconds: an idle connection may not run out meanwhile, or the next request is sent into its end.
  server.keepAliveTimeout = 0;
  const agent = new Agent({ keepAlive: true, maxSockets: 8 });
  const ca = readFileSync(join(dataFolder, 'share', 'authority.crt'));
  const overLan: SharedApp['overLan'] = (method, path, { body, headers = {} } = {}) =>
    new Promise((done, failed) => {
      const text = body ? JSON.stringify(body) : '';
      const sent = secure(
        {
          host,
          port,
          method,
          path,
          agent,
          // A request under another name still goes to this desk: its certificate is checked for the address.
          checkServerIdentity: (_name, cert) => checkServerIdentity(host, cert),
          ca,
          headers: { ...(text ? { 'Content-Type': 'application/json', 'Content-Length': Buffer.byteLength(text) } : {}), ...headers },
        },
        (answer) => {
          const chunks: Buffer[] = [];
          const give = (): void => {
            const read = Buffer.concat(chunks).toString();
            done({
              status: answer.statusCode!,
              body: read.startsWith('{') ? (JSON.parse(read) as Record<string, unknown>) : { text: read },
              headers: answer.headers,
              cookie: answer.headers['set-cookie']?.[0],
            });
          };
          if (answer.headers['content-type']?.includes('event-stream')) {
            give();
            return void answer.destroy();
          }
          answer.on('data', (chunk: Buffer) => chunks.push(chunk));
          answer.on('end', give);
        },
      );
      sent.on('error', failed);
      sent.end(text);
    });
  const offered = async (): Promise<string> => (await app.api.post('/api/sharing/code').expect(201)).body.code as string;
  return {
    app,
    dataFolder,
    host,
    port,
    server,
    overLan,
    offered,
    async paired(name = 'phone') {
      const { status, cookie } = await overLan('POST', '/api/sharing/pair', { body: { code: await offered(), name } });
      if (status !== 200 || !cookie) throw new Error(`pairing was answered with ${status}`);
      return cookie.split(';')[0]!;
    },
    async close() {
      agent.destroy();
      server.closeAllConnections();
      server.close();
      await app.close();
    },
  };
}
