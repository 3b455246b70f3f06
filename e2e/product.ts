/** A running product of its own: supervisor, server and database on free ports and in a throwaway folder, with the product's own settings. */
import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = fileURLToPath(new URL('..', import.meta.url));

export interface Product {
  readonly url: string;
  readonly folder: string;
  /** Process ids as they are now: both change when the supervisor starts one again. */
  readonly serverPid: () => number;
  readonly databasePid: () => number;
  /** Everything the supervisor has said so far. */
  readonly said: () => string;
  /** Ends it and removes its folder; `keep` leaves the folder for a second start. */
  readonly stop: (keep?: 'keep') => Promise<void>;
}

const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });

const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Resolves when the server says that a save would succeed; throws after `ms`. */
export async function untilUp(url: string, ms = 60_000): Promise<void> {
  for (let waited = 0; waited < ms; waited += 200) {
    try {
      if ((await fetch(`${url}/api/health`)).ok) return;
    } catch {
      // Not yet.
    }
    await wait(200);
  }
  throw new Error(`${url} did not come up in ${ms / 1000} s`);
}

/** A port that was free when it was looked for may be another's a moment later, where several products start at once. */
const TRIES = 3;

/** `inFolder`: where an earlier one left its data; `more`: further words of the start command; `environment`: added to this process's own. */
export async function startProduct(inFolder?: string, more: readonly string[] = [], environment: NodeJS.ProcessEnv = {}): Promise<Product> {
  const folder = inFolder ?? (await mkdtemp(join(tmpdir(), 'keen-e2e-')));
  for (let tried = 1; ; tried++) {
    try {
      return await startOnce(folder, more, environment);
    } catch (error) {
      if (tried === TRIES || !String(error).includes('EADDRINUSE')) throw error;
    }
  }
}

async function startOnce(folder: string, more: readonly string[], environment: NodeJS.ProcessEnv): Promise<Product> {
  const port = await freePort();
  let text = '';
  const supervisor = spawn(process.execPath, ['scripts/start.mjs', '--demo', '--port', String(port), '--data', folder, ...more], {
    cwd: ROOT,
    env: { ...process.env, ...environment },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  for (const stream of [supervisor.stdout, supervisor.stderr]) stream.on('data', (chunk: Buffer) => (text += chunk.toString()));
  const url = `http://127.0.0.1:${port}`;
  const ended = new Promise<never>((_resolve, reject) => supervisor.once('exit', () => reject(new Error(`the product ended:\n${text}`))));
  ended.catch(() => {});
  await Promise.race([untilUp(url), ended]);
  return {
    url,
    folder,
    serverPid: () => childOf(supervisor, 'packages/server/dist/main.js'),
    databasePid: () => Number(readFileSync(join(folder, 'mysql.run', 'mysql.pid'), 'utf8')),
    said: () => text,
    async stop(keep) {
      if (supervisor.exitCode === null) {
        const gone = new Promise((resolve) => supervisor.once('exit', resolve));
        supervisor.kill('SIGTERM');
        await gone;
      }
      if (!keep) await rm(folder, { recursive: true, force: true });
    },
  };
}

/** The child of the supervisor that runs a script, from /proc. */
function childOf(supervisor: ChildProcess, script: string): number {
  const children = readFileSync(`/proc/${supervisor.pid}/task/${supervisor.pid}/children`, 'utf8').trim().split(' ').map(Number);
  const child = children.find((pid) => readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(script));
  if (!child) throw new Error(`the supervisor runs no ${script}`);
  return child;
}
