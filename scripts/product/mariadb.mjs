/**
 * A private MariaDB: its own folder, its own port, loopback only, never as root. Never the system's instance.
 * The product runs it with every commit flushed; `fast` gives that up and is for throwaway tests.
 */
import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { chownSync, existsSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { databaseAccount, databaseFolder, prepareDataFolder, CannotStart } from './data-folder.mjs';

const START_MS = 60_000;
const WATCH_MS = 500;
/** Names of the application's database and user. */
export const DATABASE = 'keen';
const USER = 'keen';
const HOSTS = ['127.0.0.1', 'localhost'];

/** From the first on: a log of another size would be written out anew at the first start. */
const LOG_FILE_SIZE = '--innodb-log-file-size=16M';

const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** @returns {Promise<number>} a port nobody listens on */
export const freePort = (host = '127.0.0.1') =>
  new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, host, () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });

/** @returns {Promise<boolean>} whether nobody listens on the port */
export const isFree = (port, host = '127.0.0.1') =>
  new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(false));
    server.listen(port, host, () => server.close(() => resolve(true)));
  });

const pathsOf = (folder) => ({
  data: join(folder, 'mysql'),
  temporary: join(folder, 'mysql.tmp'),
  run: join(folder, 'mysql.run'),
  pid: join(folder, 'mysql.run', 'mysql.pid'),
  log: join(folder, 'mysql.run', 'mysql.log'),
  init: join(folder, 'mysql.run', 'init.sql'),
  settings: join(folder, 'database.json'),
  /** Where earlier programs had it. */
  oldPid: join(folder, 'mysql.pid'),
});

/**
 * Starts (or takes over) the database of a folder. Passwords that are missing or damaged are made anew.
 * @param {{ folder: string, fast?: boolean, onExit?: () => void, say?: (words: string) => void }} options
 * @returns {Promise<{ port: number, user: string, password: string, adminPassword: string, socket: string, pid: number, stop(): Promise<void> }>}
 * @throws CannotStart
 */
export async function startMariaDb({ folder, fast = false, onExit = () => {}, say = () => {} }) {
  prepareDataFolder(folder, say);
  const paths = pathsOf(folder);
  const socket = socketPath(paths.run);
  const known = readSettings(paths.settings);
  const isNew = !existsSync(join(paths.data, 'mysql'));
  const running = runningPid(paths.pid, paths.data) ?? runningPid(paths.oldPid, paths.data);
  if (running && known?.adminPassword && known.port) {
    await ready(socket, () => isAlive(running));
    return handle({ ...known, socket, pid: running }, onExit, true);
  }
  // One that was left over and cannot be signed in to is ended; its data is on the disk.
  if (running) await endProcess(running);
  if (!known && !isNew) say(`${paths.settings} was missing or damaged. The database has new passwords.`);

  for (const path of [paths.temporary, paths.run]) databaseFolder(path);
  if (isNew) install(paths);
  databaseFolder(paths.data);
  const settings = { password: secret(), adminPassword: secret(), ...known };
  const port = settings.port && (await isFree(settings.port)) ? settings.port : await freePort();
  writeSettings(paths.settings, { ...settings, port });
  writeInit(paths.init, settings);
  const child = spawn('/usr/sbin/mariadbd', serverArguments({ paths, socket, port, fast }), { stdio: 'ignore', detached: true });
  let exited = false;
  child.once('exit', () => (exited = true));
  child.once('error', () => (exited = true));
  await ready(socket, () => !exited, paths.log);
  rmSync(paths.init, { force: true });
  const made = handle({ ...settings, port, socket, pid: child.pid }, onExit, false);
  child.once('exit', made.ended);
  if (exited) made.ended();
  return made;
}

/** `watched`: it is no child of ours, so its end has to be looked for. */
function handle({ port, password, adminPassword, socket, pid }, onExit, watched) {
  let isStopping = false;
  let hasEnded = false;
  const ended = () => {
    clearInterval(watch);
    if (hasEnded || isStopping) return;
    hasEnded = true;
    onExit();
  };
  const watch = watched ? setInterval(() => !isAlive(pid) && ended(), WATCH_MS) : undefined;
  watch?.unref();
  return {
    port,
    user: USER,
    password,
    adminPassword,
    socket,
    pid,
    ended,
    async stop() {
      isStopping = true;
      clearInterval(watch);
      await endProcess(pid);
    },
  };
}

async function endProcess(pid) {
  try {
    process.kill(pid, 'SIGTERM');
  } catch {
    return;
  }
  for (let waited = 0; waited < 30_000 && isAlive(pid); waited += 50) await wait(50);
  if (isAlive(pid)) process.kill(pid, 'SIGKILL');
}

/** A socket's path may have 107 characters at most. */
function socketPath(run) {
  const own = join(run, 'mysql.sock');
  return own.length <= 100 ? own : join(tmpdir(), `keen-${createHash('sha256').update(run).digest('hex').slice(0, 12)}.sock`);
}

const asAccount = () => {
  const account = databaseAccount();
  return account ? [`--user=${account.name}`] : [];
};

/** `temporary`: a folder of its own, for a starting database sweeps it: in a shared one it would take away what another is writing. */
function install({ data, temporary }) {
  // A half-made folder of an earlier try that was cut off holds nothing yet.
  rmSync(data, { recursive: true, force: true });
  databaseFolder(data);
  const args = [
    '--no-defaults',
    `--datadir=${data}`,
    `--tmpdir=${temporary}`,
    LOG_FILE_SIZE,
    '--auth-root-authentication-method=normal',
    '--skip-test-db',
    ...asAccount(),
  ];
  const { status, stderr, stdout, error } = spawnSync('mariadb-install-db', args, { encoding: 'utf8' });
  if (status !== 0) {
    rmSync(data, { recursive: true, force: true });
    throw new CannotStart(`The database folder could not be made:\n${error?.message ?? ''}${stdout ?? ''}${stderr ?? ''}`);
  }
}

function serverArguments({ paths, socket, port, fast }) {
  return [
    '--no-defaults',
    ...asAccount(),
    `--datadir=${paths.data}`,
    `--tmpdir=${paths.temporary}`,
    `--socket=${socket}`,
    `--pid-file=${paths.pid}`,
    `--log-error=${paths.log}`,
    `--init-file=${paths.init}`,
    '--bind-address=127.0.0.1',
    `--port=${port}`,
    '--skip-name-resolve',
    '--local-infile=0',
    '--character-set-server=utf8mb4',
    '--collation-server=utf8mb4_nopad_bin',
    '--max-allowed-packet=32M',
    '--innodb-buffer-pool-size=64M',
    LOG_FILE_SIZE,
    '--performance-schema=OFF',
    // What was answered as saved must be on the disk.
    ...(fast ? ['--innodb-flush-log-at-trx-commit=0', '--innodb-doublewrite=0'] : ['--innodb-flush-log-at-trx-commit=1', '--innodb-doublewrite=1']),
  ];
}

const secret = () => randomBytes(18).toString('base64url');

/** Null where there are none, or none that can be used. */
function readSettings(file) {
  try {
    const { password, adminPassword, port } = JSON.parse(readFileSync(file, 'utf8'));
    return typeof password === 'string' && password !== ''
      ? { password, ...(adminPassword ? { adminPassword } : {}), ...(Number.isInteger(port) ? { port } : {}) }
      : null;
  } catch {
    return null;
  }
}

/** Beside it first: a start that is cut off leaves the old one or the new one, never half of one. */
function writeSettings(file, settings) {
  writeFileSync(`${file}.new`, JSON.stringify(settings), { mode: 0o600 });
  renameSync(`${file}.new`, file);
}

/**
 * What the database runs by itself before it listens: the accounts as they should be, whatever was there before. The application's user
 * has rights on its own schema and no other.
 */
function writeInit(file, { password, adminPassword }) {
  const lines = [
    `create database if not exists ${DATABASE} character set utf8mb4 collate utf8mb4_nopad_bin`,
    ...HOSTS.flatMap((host) => [
      `create or replace user '${USER}'@'${host}' identified by '${password}'`,
      `grant all privileges on ${DATABASE}.* to '${USER}'@'${host}'`,
    ]),
    "delete from mysql.global_priv where User = '' or (User = 'root' and Host <> 'localhost')",
    'flush privileges',
    `alter user 'root'@'localhost' identified by '${adminPassword}'`,
  ];
  writeFileSync(file, lines.map((line) => `${line};\n`).join(''), { mode: 0o600 });
  const account = databaseAccount();
  if (account) chownSync(file, account.uid, account.gid);
}

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
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(`--datadir=${data}\0`) ? pid : undefined;
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
  throw new CannotStart(`The database did not start.\n${tail}`);
}
