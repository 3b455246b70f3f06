/** Starts, stops and copies: each row of the table in docs/operations.md, on the product as it is started. */
import { spawn, type ChildProcessWithoutNullStreams } from 'node:child_process';
import { once } from 'node:events';
import { chmodSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { networkInterfaces, tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@playwright/test';
import mysql from 'mysql2/promise';
import { startProduct, untilUp, type Product } from '../product.ts';
import { freshProject, stored } from './support.ts';

test.describe.configure({ timeout: 180_000 });
const ROOT = fileURLToPath(new URL('../..', import.meta.url));

interface Said {
  readonly code: number | null;
  readonly text: string;
}
/** A command in a process of its own, so that this one goes on answering. */
async function runs(script: string, ...args: string[]): Promise<Said> {
  return ends(spawn(process.execPath, [script, ...args], { cwd: ROOT }));
}
async function ends(child: ChildProcessWithoutNullStreams): Promise<Said> {
  let text = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk: Buffer) => (text += chunk.toString()));
  const [code] = (await once(child, 'exit')) as [number | null];
  return { code, text };
}
const start = (...args: string[]): Promise<Said> => runs('scripts/start.mjs', ...args);
const backup = (...args: string[]): Promise<Said> => runs('scripts/backup.mjs', ...args);
const freePort = async (host = '127.0.0.1'): Promise<number> => {
  const probe = createServer().listen(0, host);
  await once(probe, 'listening');
  const { port } = probe.address() as { port: number };
  probe.close();
  return port;
};
const settingsOf = (folder: string): { port: number; adminPassword: string } => JSON.parse(readFileSync(join(folder, 'database.json'), 'utf8'));
const inDatabase = async (folder: string, sql: string): Promise<void> => {
  const { port, adminPassword } = settingsOf(folder);
  const connection = await mysql.createConnection({
    socketPath: join(folder, 'mysql.run', 'mysql.sock'),
    user: 'root',
    password: adminPassword,
    database: 'keen',
  });
  expect(port).toBeGreaterThan(0);
  await connection.query(sql);
  await connection.end();
};
const until = async (what: () => boolean | Promise<boolean>, ms = 60_000): Promise<void> => {
  await expect.poll(what, { timeout: ms, intervals: [100] }).toBe(true);
};
const supervisorOf = (product: Product): number => (JSON.parse(readFileSync(join(product.folder, 'running.json'), 'utf8')) as { pid: number }).pid;
const childrenOf = (pid: number, script: string): number[] =>
  readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8')
    .trim()
    .split(' ')
    .filter((child) => commandOf(child).includes(script))
    .map(Number);
/** Empty for a process that ended since it was listed. */
const commandOf = (pid: string): string => {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8');
  } catch {
    return '';
  }
};
const isAlive = (pid: number): boolean => {
  try {
    return !/^State:\s+Z/m.test(readFileSync(`/proc/${pid}/status`, 'utf8'));
  } catch {
    return false;
  }
};

test('a second supervisor on the folder of a first is turned away with its address, and ends nothing of it', async () => {
  const product = await startProduct();
  try {
    const second = await start('--port', String(await freePort()), '--data', product.folder);
    expect(second.code).toBe(1);
    expect(second.text).toContain(`already running on the data folder ${product.folder} at ${product.url}`);
    expect((await fetch(`${product.url}/api/health`)).status).toBe(200);
    // The database has an account of its own, with rights on its own schema.
    const [, account] = /^Uid:\s+(\d+)/m.exec(readFileSync(`/proc/${product.databasePid()}/status`, 'utf8'))!;
    if (process.getuid?.() === 0) expect(Number(account)).not.toBe(0);
  } finally {
    await product.stop();
  }
});

test('a supervisor that is killed outright leaves nothing that keeps the next start out; a database taken over is watched', async () => {
  const first = await startProduct();
  const id = await freshProject((file) => (file['design'].name = 'Kept'), first.url);
  const [server] = childrenOf(supervisorOf(first), 'dist/main.js');
  // An open page must not keep the old server beside a new one.
  const line = await fetch(`${first.url}/api/projects/${id}/live`);
  process.kill(supervisorOf(first), 'SIGKILL');
  await until(() => !isAlive(server!), 15_000);
  await line.body?.cancel().catch(() => {});
  const second = await startProduct(first.folder);
  try {
    expect((await stored(id, second.url))['document'].name).toBe('Kept');
    const before = second.databasePid();
    process.kill(before, 'SIGKILL');
    await until(() => second.databasePid() !== before);
    await untilUp(second.url);
    expect((await stored(id, second.url))['document'].name).toBe('Kept');
  } finally {
    await second.stop();
  }
});

test('a simulated device that is killed again and again does not end the product', async () => {
  const product = await startProduct();
  try {
    // One that was killed is listed until its parent has heard of its end.
    let killed = 0;
    for (let round = 0; round <= 3; round++) {
      let running: number | undefined;
      await until(() => (running = childrenOf(supervisorOf(product), 'dist/scale.js').find((pid) => pid !== killed)) !== undefined);
      if (round < 3) process.kill((killed = running!), 'SIGKILL');
    }
    expect((await fetch(`${product.url}/api/health`)).status).toBe(200);
  } finally {
    await product.stop();
  }
});

test('an ordered end is over in seconds with pages open, and leaves no process', async () => {
  const product = await startProduct();
  const pids = [product.databasePid(), product.serverPid(), supervisorOf(product)];
  const line = await fetch(`${product.url}/api/projects/print-room/live`);
  const startedMs = performance.now();
  await product.stop();
  expect(performance.now() - startedMs).toBeLessThan(12_000);
  expect(pids.map(isAlive)).toEqual([false, false, false]);
  await line.body?.cancel().catch(() => {});
});

test('a folder that was open to others is closed, passwords that are damaged are made anew, a taken port for phones gives way: each is said', async () => {
  const first = await startProduct();
  const id = await freshProject((file) => (file['design'].name = 'Kept'), first.url);
  await first.stop('keep');
  chmodSync(first.folder, 0o755);
  writeFileSync(join(first.folder, 'database.json'), '{"password":"half');
  const host = Object.values(networkInterfaces())
    .flat()
    .find((each) => each && each.family === 'IPv4' && !each.internal)?.address;
  const second = await startProduct(first.folder, host ? ['--share', host] : []);
  try {
    expect(statSync(first.folder).mode & 0o007).toBe(0);
    expect(second.said()).toContain('was open to other accounts of this machine. It is closed now.');
    expect(second.said()).toContain('was missing or damaged. The database has new passwords.');
    expect((await stored(id, second.url))['document'].name).toBe('Kept');
  } finally {
    await second.stop('keep');
  }
  rmSync(join(first.folder, 'database.json'));
  const third = await startProduct(first.folder);
  expect((await stored(id, third.url))['document'].name).toBe('Kept');
  await third.stop();
});

test('a port for phones that is taken gives way to a free one', async () => {
  const host = Object.values(networkInterfaces())
    .flat()
    .find((each) => each && each.family === 'IPv4' && !each.internal)!.address;
  const [folder, port] = [mkdtempSync(join(tmpdir(), 'keen-e2e-')), await freePort()];
  const other = createServer().listen(port + 1, host);
  await once(other, 'listening');
  const child = spawn(process.execPath, ['scripts/start.mjs', '--port', String(port), '--data', folder, '--share', host], { cwd: ROOT });
  let text = '';
  child.stdout.on('data', (chunk: Buffer) => (text += chunk.toString()));
  await until(() => text.includes('Phones and tablets'), 90_000);
  expect(text).toContain(`Port ${port + 1} at ${host} is taken by another program; phones and tablets use`);
  child.kill('SIGTERM');
  await once(child, 'exit');
  other.close();
  rmSync(folder, { recursive: true, force: true });
});

test('a data folder that cannot be one is said in words', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'keen-e2e-'));
  writeFileSync(join(folder, 'file'), 'x');
  const { code, text } = await start('--data', join(folder, 'file'));
  expect([code, text]).toEqual([1, expect.stringMatching(/The data folder .* cannot be (made|written): .*Choose another one with --data DIR|--data DIR/)]);
  expect(text).not.toMatch(/at .*\.mjs:\d+/);
  rmSync(folder, { recursive: true });
});

/** A start on a machine that is not as it should be: `broken` is run first in every process of it. */
const startOn = (broken: string, ...args: string[]): Promise<Said> =>
  ends(
    spawn(process.execPath, ['scripts/start.mjs', ...args], {
      cwd: ROOT,
      env: { ...process.env, NODE_OPTIONS: `--import=data:text/javascript,${encodeURIComponent(broken)}` },
    }),
  );
const replaced = (library: string, name: string, by: string): string =>
  `import own from 'node:${library}'; import { syncBuiltinESMExports } from 'node:module'; own.${name} = ${by}; syncBuiltinESMExports();`;

test('a disk that is nearly full starts nothing', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'keen-e2e-'));
  const full = replaced('fs', 'statfsSync', '() => ({ bavail: 399, bsize: 1e6 })');
  expect(await startOn(full, '--data', folder)).toEqual({
    code: 1,
    text: `The disk is nearly full: 399 MB are free where ${folder} stands, 400 MB are needed. Nothing was started.\n`,
  });
  expect(readdirSync(folder)).toEqual([]);
  rmSync(folder, { recursive: true });
});

test('a folder the account of the database cannot enter is named, with what would let it', async () => {
  test.skip(process.getuid?.() !== 0, 'the database has an account of its own only where the administrator starts it');
  const closed = mkdtempSync(join(tmpdir(), 'keen-e2e-'));
  const { code, text } = await start('--data', join(closed, 'data'));
  expect([code, text]).toEqual([1, expect.stringMatching(/never as root, and '\w+' cannot enter .*Allow it \(chmod o\+x/)]);
  expect(text).toContain(`chmod o+x ${closed})`);
  expect(readdirSync(join(closed, 'data'))).toEqual([]);
  rmSync(closed, { recursive: true });
});

test('an address that is none of this machine, or no network at all, is no place to share', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'keen-e2e-'));
  chmodSync(folder, 0o711);
  const args = ['--port', String(await freePort()), '--data', join(folder, 'data'), '--share'];
  const foreign = await start(...args, '203.0.113.9');
  expect([foreign.code, foreign.text]).toEqual([1, expect.stringContaining("'203.0.113.9' is no address of this machine. Accepted: ")]);
  const alone = await startOn(replaced('os', 'networkInterfaces', '() => ({})'), ...args);
  expect([alone.code, alone.text]).toEqual([1, expect.stringContaining('This machine has no address on a network. Start without --share')]);
  expect(existsSync(join(folder, 'data', 'mysql'))).toBe(false);
  rmSync(folder, { recursive: true });
});

test('a server that never gets ready is given up after three tries, and takes its database with it', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'keen-e2e-'));
  chmodSync(folder, 0o711);
  const data = join(folder, 'data');
  const broken = "if (process.argv[1]?.endsWith('dist/main.js') && process.argv.length === 2) process.exit(7)";
  const { code, text } = await startOn(broken, '--port', String(await freePort()), '--data', data);
  expect([code, text]).toEqual([1, expect.stringContaining('The server ends as soon as it starts (exit 7).')]);
  expect(text.match(/The server ended unexpectedly/g)).toHaveLength(2);
  expect(existsSync(join(data, 'mysql.run', 'mysql.pid'))).toBe(false);
  rmSync(folder, { recursive: true });
});

test('data of a newer program is refused unchanged; data of an older one is copied before it is upgraded', async () => {
  const first = await startProduct();
  await inDatabase(first.folder, "insert into migrations (name) values ('9999-from-the-future')");
  await first.stop('keep');
  const newer = await start('--port', String(await freePort()), '--data', first.folder);
  expect([newer.code, newer.text]).toEqual([1, expect.stringContaining('last used by a newer program: it has had the upgrade 9999-from-the-future')]);
  expect(existsSync(join(first.folder, 'backups'))).toBe(false);

  // As the program before the last upgrade left it.
  const lock = await startProductDatabase(first.folder);
  await inDatabase(first.folder, "delete from migrations where name in ('9999-from-the-future', '0018-label-jobs')");
  await inDatabase(first.folder, 'drop table label_jobs');
  await lock();
  const second = await startProduct(first.folder);
  try {
    expect(second.said()).toContain('making a copy before the upgrade');
    const [copy] = readdirSync(join(first.folder, 'backups'));
    expect(copy).toMatch(/^before-upgrade-.*\.keenbackup$/);
    expect(await backup('verify', join(first.folder, 'backups', copy!))).toMatchObject({ code: 0, text: expect.stringContaining('is whole: 3 projects') });
  } finally {
    await second.stop();
  }
});

/** The database of a folder alone. */
async function startProductDatabase(folder: string): Promise<() => Promise<void>> {
  const { startMariaDb } = (await import('../../scripts/product/mariadb.mjs' as string)) as {
    startMariaDb: (of: object) => Promise<{ stop(): Promise<void> }>;
  };
  const database = await startMariaDb({ folder });
  return () => database.stop();
}

test('a copy made while it runs comes back in an empty folder with everything; a damaged one is refused', async () => {
  const product = await startProduct();
  const work = mkdtempSync(join(tmpdir(), 'keen-e2e-'));
  chmodSync(work, 0o711);
  const file = join(work, 'all.keenbackup');
  try {
    const id = await freshProject((file) => (file['design'].name = 'Everything'), product.url);
    const picture = readFileSync(join(ROOT, 'docs/screenshots/home.png'));
    expect((await fetch(`${product.url}/api/projects/${id}/photos/photo-0001`, { method: 'PUT', body: picture })).status).toBe(200);
    const made = await backup('backup', file, '--data', product.folder);
    expect([made.code, made.text]).toEqual([0, expect.stringMatching(/Copied to .*all\.keenbackup \([\d.]+ [kM]B, 2 picture files\)/)]);
    expect(await backup('verify', file)).toMatchObject({ code: 0, text: expect.stringContaining('1 picture') });
    const there = await backup('restore', file, '--data', product.folder);
    expect([there.code, there.text]).toEqual([1, expect.stringContaining('is not empty')]);

    const restored = join(work, 'restored');
    expect(await backup('restore', file, '--data', restored)).toMatchObject({ code: 0, text: expect.stringContaining('4 projects and 1 picture') });
    const second = await startProduct(restored);
    try {
      const [before, after] = await Promise.all([stored(id, product.url), stored(id, second.url)]);
      expect(after).toEqual(before);
      for (const path of [`projects/${id}/record`, `projects/${id}/revisions`, 'workshop', 'projects'])
        expect(await (await fetch(`${second.url}/api/${path}`)).json()).toEqual(await (await fetch(`${product.url}/api/${path}`)).json());
      const shown = await fetch(`${second.url}/api/projects/${id}/photos/photo-0001`);
      expect([shown.status, (await shown.arrayBuffer()).byteLength > 1000]).toEqual([200, true]);
    } finally {
      await second.stop('keep');
    }

    const bytes = readFileSync(file);
    bytes[Math.floor(bytes.length / 2)]! ^= 0xff;
    writeFileSync(join(work, 'bad.keenbackup'), bytes);
    for (const command of [
      ['verify', join(work, 'bad.keenbackup')],
      ['restore', join(work, 'bad.keenbackup'), '--data', join(work, 'other')],
    ]) {
      const { code, text } = await backup(...command);
      expect([code, text]).toEqual([1, expect.stringContaining('damaged')]);
    }
    expect(existsSync(join(work, 'other'))).toBe(false);
  } finally {
    await product.stop();
    rmSync(work, { recursive: true, force: true });
  }
});
