/**
 * A private MariaDB: its own folder, its own port, loopback only. Never the system's instance.
 * The product runs it with every commit flushed; `fast` gives that up and is for throwaway tests.
 */
import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import mysql from 'mysql2/promise';

const LEAST_FREE_MB = 400;
const START_MS = 60_000;
/** Names of the application's database and user. */
export const DATABASE = 'keen';
const USER = 'keen';

const asRoot = process.getuid?.() === 0;
const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** @returns {Promise<number>} a port nobody listens on */
export const freePort = () =>
  new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });

/** @returns {Promise<boolean>} whether nobody listens on the port */
export const isFree = (port) =>
  new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(false));
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(true)));
  });

/**
 * Starts (or takes over) the database of a folder.
 * @param {{ folder: string, fast?: boolean, onExit?: () => void }} options
 * @returns {Promise<{ port: number, user: string, password: string, socket: string, pid: number, stop(): Promise<void> }>}
 */
export async function startMariaDb({ folder, fast = false, onExit = () => {} }) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  requireSpace(folder);
  const data = join(folder, 'mysql');
  const settingsFile = join(folder, 'database.json');
  const socket = socketPath(folder);
  const temporary = join(folder, 'mysql.tmp');
  const fresh = !existsSync(join(data, 'mysql'));
  mkdirSync(temporary, { recursive: true, mode: 0o700 });
  if (fresh) install(data, temporary);
  const settings = readSettings(settingsFile);

  const running = runningPid(join(folder, 'mysql.pid'), data);
  if (running && settings.port) {
    await ready(socket, () => true);
    return handle({ ...settings, socket, pid: running });
  }

  const port = settings.port && (await isFree(settings.port)) ? settings.port : await freePort();
  writeSettings(settingsFile, { ...settings, port });
  const child = spawn('/usr/sbin/mariadbd', serverArguments({ data, temporary, folder, socket, port, fast }), { stdio: 'ignore', detached: true });
  let exited = false;
  child.once('exit', () => {
    exited = true;
    onExit();
  });
  child.once('error', () => (exited = true));
  await ready(socket, () => !exited, join(folder, 'mysql.log'));
  if (fresh || !settings.ready) await createUser(socket, settings.password);
  writeSettings(settingsFile, { ...settings, port, ready: true });
  return handle({ ...settings, port, socket, pid: child.pid });
}

function handle({ port, password, socket, pid }) {
  return {
    port,
    user: USER,
    password,
    socket,
    pid,
    async stop() {
      try {
        process.kill(pid, 'SIGTERM');
      } catch {
        return;
      }
      for (let waited = 0; waited < 30_000 && isAlive(pid); waited += 100) await wait(100);
      if (isAlive(pid)) process.kill(pid, 'SIGKILL');
    },
  };
}

function requireSpace(folder) {
  const { bavail, bsize } = statfsSync(folder);
  const free = Math.floor((bavail * bsize) / 1e6);
  if (free < LEAST_FREE_MB)
    throw new Error(`The disk is nearly full: ${free} MB are free where ${folder} stands, ${LEAST_FREE_MB} MB are needed. Nothing was started.`);
}

/** A socket's path may have 107 characters at most. */
function socketPath(folder) {
  const own = join(folder, 'mysql.sock');
  return own.length <= 100 ? own : join(tmpdir(), `keen-${createHash('sha256').update(folder).digest('hex').slice(0, 12)}.sock`);
}

/** `temporary`: a folder of its own, for a starting database sweeps it: in a shared one it would take away what another is writing. */
function install(data, temporary) {
  // A half-made folder of an earlier try that was cut off holds nothing yet.
  rmSync(data, { recursive: true, force: true });
  const args = [
    '--no-defaults',
    `--datadir=${data}`,
    `--tmpdir=${temporary}`,
    '--auth-root-authentication-method=normal',
    '--skip-test-db',
    ...(asRoot ? ['--user=root'] : []),
  ];
  const { status, stderr, stdout, error } = spawnSync('mariadb-install-db', args, { encoding: 'utf8' });
  if (status !== 0) {
    rmSync(data, { recursive: true, force: true });
    throw new Error(`The database folder could not be made:\n${error?.message ?? ''}${stdout ?? ''}${stderr ?? ''}`);
  }
}

function serverArguments({ data, temporary, folder, socket, port, fast }) {
  return [
    '--no-defaults',
    ...(asRoot ? ['--user=root'] : []),
    `--datadir=${data}`,
    `--tmpdir=${temporary}`,
    `--socket=${socket}`,
    `--pid-file=${join(folder, 'mysql.pid')}`,
    `--log-error=${join(folder, 'mysql.log')}`,
    '--bind-address=127.0.0.1',
    `--port=${port}`,
    '--skip-name-resolve',
    '--character-set-server=utf8mb4',
    '--collation-server=utf8mb4_unicode_ci',
    '--max-allowed-packet=32M',
    '--innodb-buffer-pool-size=64M',
    '--innodb-log-file-size=16M',
    '--performance-schema=OFF',
    // What was answered as saved must be on the disk.
    ...(fast ? ['--innodb-flush-log-at-trx-commit=0', '--innodb-doublewrite=0'] : ['--innodb-flush-log-at-trx-commit=1', '--innodb-doublewrite=1']),
  ];
}

function readSettings(file) {
  if (existsSync(file)) {
    try {
      return JSON.parse(readFileSync(file, 'utf8'));
    } catch {
      throw new Error(`${file} is damaged. It holds the password of the database in the same folder.`);
    }
  }
  const settings = { password: randomBytes(18).toString('base64url') };
  writeSettings(file, settings);
  return settings;
}

const writeSettings = (file, settings) => writeFileSync(file, JSON.stringify(settings), { mode: 0o600 });

function isAlive(pid) {
  try {
    process.kill(pid, 0);
    // A child that has ended but was not waited for yet is no longer alive.
    return !/^State:\s+Z/m.test(readFileSync(`/proc/${pid}/status`, 'utf8'));
  } catch {
    return false;
  }
}

/** The process that already runs this very folder, left over from a supervisor that was killed. */
function runningPid(pidFile, data) {
  if (!existsSync(pidFile)) return undefined;
  const pid = Number(readFileSync(pidFile, 'utf8'));
  if (!pid || !isAlive(pid)) return undefined;
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(`--datadir=${data}`) ? pid : undefined;
  } catch {
    return undefined;
  }
}

async function ready(socket, alive, log) {
  for (let waited = 0; waited < START_MS; waited += 100) {
    if (!alive()) break;
    const { status } = spawnSync('mariadb-admin', ['--no-defaults', '-S', socket, '--connect-timeout=2', 'ping'], { stdio: 'ignore' });
    if (status === 0) return;
    await wait(100);
  }
  const tail = log && existsSync(log) ? readFileSync(log, 'utf8').split('\n').slice(-12).join('\n') : '';
  throw new Error(`The database did not start.\n${tail}`);
}

/** The application's user for loopback, and no way in for anyone else. */
async function createUser(socket, password) {
  const connection = await mysql.createConnection({ socketPath: socket, user: 'root' });
  try {
    await connection.query(`create database if not exists ${DATABASE} character set utf8mb4 collate utf8mb4_unicode_ci`);
    for (const host of ['127.0.0.1', 'localhost']) {
      await connection.query(`create or replace user '${USER}'@'${host}' identified by ?`, [password]);
      await connection.query(`grant all on *.* to '${USER}'@'${host}'`);
    }
    await connection.query(`delete from mysql.global_priv where User = '' or (User = 'root' and Host <> 'localhost')`);
    await connection.query('flush privileges');
    await connection.query(`alter user 'root'@'localhost' identified by ?`, [password]);
  } finally {
    await connection.end();
  }
}
