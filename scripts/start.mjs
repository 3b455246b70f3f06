/**
 * The supervisor behind bin/start: data folder, database, build, server, simulated devices, and an orderly end. Whatever dies is started
 * again, later and later while it does not last; Ctrl-C ends everything cleanly; if this process is killed outright, the next start
 * takes over what is left. docs/operations.md lists every state of a start with its words and its outcome.
 */
import { spawn, spawnSync } from 'node:child_process';
import { networkInterfaces } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import mysql from 'mysql2/promise';
import { build } from './build.mjs';
import { keepRunning } from './product/child.mjs';
import { CannotStart, prepareDataFolder } from './product/data-folder.mjs';
import { lockFolder, tryLock } from './product/folder-lock.mjs';
import { DATABASE, freePort, isFree, startMariaDb } from './product/mariadb.mjs';
import { keepNightly, makeKept } from './product/nightly.mjs';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');
const PORT = 8420;
const DIST = join(ROOT, 'packages/server/dist');
const SERVER = join(DIST, 'main.js');
/** How long an old server may take to leave its port. */
const PORT_FREES_MS = 10_000;
/** A database that ran this long had recovered. */
const LASTED_MS = 3000;
const DATABASE_DELAYS_MS = [300, 1000, 5000, 15_000, 30_000];

/** The simulated devices: what each is called, and the variable that says where it listens. */
const DEVICES = [
  { name: 'stud scanner', script: 'stud-scanner.js', variable: 'KEEN_SCANNER_PORT' },
  { name: 'caliper', script: 'caliper.js', variable: 'KEEN_CALIPER_PORT' },
  { name: 'scale', script: 'scale.js', variable: 'KEEN_SCALE_PORT' },
  { name: 'label printer', script: 'label-printer.js', variable: 'KEEN_PRINTER_PORT' },
  { name: 'merchant', script: 'merchant.js', variable: 'KEEN_MERCHANT_PORT' },
];

function readArguments(args) {
  const options = { port: PORT, data: join(ROOT, '.data'), resetDemo: false, dev: false, demo: false, share: null };
  for (let i = 0; i < args.length; i++) {
    if (args[i] === '--reset-demo') options.resetDemo = true;
    else if (args[i] === '--dev') options.dev = true;
    else if (args[i] === '--demo') options.demo = true;
    else if (args[i] === '--share') options.share = args[i + 1] && !args[i + 1].startsWith('--') ? args[++i] : '';
    else if (args[i] === '--data' && args[i + 1]) options.data = resolve(args[++i]);
    else if (args[i] === '--port' && /^\d+$/.test(args[i + 1] ?? '') && Number(args[i + 1]) > 0 && Number(args[i + 1]) < 65536)
      options.port = Number(args[++i]);
    else throw new CannotStart(`'${args[i]}' cannot be used here. Accepted: --port N, --data DIR, --share [ADDRESS], --reset-demo, --demo, --dev`);
  }
  return options;
}

const say = (words) => console.log(words);
const wait = (ms) => new Promise((done) => setTimeout(done, ms));

let options;
let lock;
let database;
let isEnding = false;
let databaseFailures = 0;
let stopNightly = () => {};
const children = [];
/** By variable: where each device listens. */
const devicePorts = {};

/** Addresses other machines of the network reach this one at. */
const lanAddresses = () =>
  Object.values(networkInterfaces())
    .flat()
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);

/** Where the desk is shared: the address that was asked for, or the only one there is. A port that is taken gives way to a free one. */
async function shareAt() {
  if (options.share === null) return null;
  const all = lanAddresses();
  const host = options.share === '' ? all[0] : options.share;
  if (host === undefined) throw new CannotStart('This machine has no address on a network. Start without --share, or connect it first.');
  if (!all.includes(host)) throw new CannotStart(`'${host}' is no address of this machine. Accepted: ${all.join(', ') || 'none at the moment'}`);
  if (options.share === '' && all.length > 1) say(`Sharing at ${host}; others would be ${all.slice(1).join(', ')}: --share ADDRESS`);
  const port = options.port + 1;
  if (await isFree(port, host)) return { host, port };
  const other = await freePort(host);
  say(`Port ${port} at ${host} is taken by another program; phones and tablets use ${other} instead.`);
  return { host, port: other };
}

const environment = (port) => ({
  ...process.env,
  NODE_ENV: 'production',
  KEEN_PORT: String(port),
  KEEN_DB_PORT: String(database.port),
  KEEN_DB_NAME: DATABASE,
  KEEN_DB_USER: database.user,
  KEEN_DB_PASSWORD: database.password,
  KEEN_EXAMPLES: join(ROOT, 'examples'),
  KEEN_DATA: options.data,
  KEEN_FAULT_SWITCHES: options.demo ? '1' : '',
  ...devicePorts,
});

/** Runs a command of the server to its end. */
const runServer = (flag) =>
  new Promise((done, failed) => {
    const child = spawn(process.execPath, [SERVER, flag], { env: environment(options.port), stdio: ['ignore', 'inherit', 'inherit', 'ipc'] });
    let problem = null;
    child.on('message', (message) => (problem = message?.problem ?? problem));
    child.once('exit', (code) => (code === 0 ? done() : failed(new CannotStart(problem ?? `The server could not ${flag.slice(2)} (exit ${code}).`))));
  });

async function openDatabase() {
  const startedMs = performance.now();
  database = await startMariaDb({
    folder: options.data,
    say,
    onExit: () => {
      if (isEnding) return;
      databaseFailures = performance.now() - startedMs > LASTED_MS ? 0 : databaseFailures + 1;
      reopenDatabase(DATABASE_DELAYS_MS[Math.min(databaseFailures, DATABASE_DELAYS_MS.length - 1)]);
    },
  });
}

/** Never gives up: what keeps it from starting may be over in a moment, a disk that was full for instance. */
function reopenDatabase(delayMs) {
  database = { ...database, isDown: true };
  console.error('The database ended unexpectedly; starting it again.');
  setTimeout(() => {
    if (isEnding) return;
    openDatabase().catch((error) => {
      console.error(error.message);
      reopenDatabase(DATABASE_DELAYS_MS.at(-1));
    });
  }, delayMs);
}

/** Before the tables change, a copy; a database of a newer program is left alone (the server says so). */
async function copyBeforeUpgrade() {
  const { stdout, status } = spawnSync(process.execPath, [SERVER, '--migrations'], { encoding: 'utf8' });
  if (status !== 0) throw new CannotStart('The server does not say which upgrades it knows. Build it again: npm run build');
  const known = JSON.parse(stdout);
  const done = await migrationsDone();
  if (done.length === 0 || done.some((name) => !known.includes(name)) || known.every((name) => done.includes(name))) return;
  say('This program is newer than the data: making a copy before the upgrade ...');
  say(`The copy is ${await makeKept({ folder: options.data, label: 'before-upgrade', database })}`);
}

async function migrationsDone() {
  const { port, user, password } = database;
  const connection = await mysql.createConnection({ host: '127.0.0.1', port, user, password, database: DATABASE });
  try {
    const [rows] = await connection.query('select name from migrations').catch(() => [[]]);
    return rows.map(({ name }) => name);
  } finally {
    await connection.end();
  }
}

async function end(code) {
  if (isEnding) return;
  isEnding = true;
  stopNightly();
  await Promise.all(children.map((child) => child.stop()));
  await database?.stop?.();
  lock?.release();
  process.exit(code);
}

function fail(error) {
  console.error(error instanceof CannotStart ? error.message : (error.stack ?? error));
  void end(1);
}

async function start() {
  options = readArguments(process.argv.slice(2));
  prepareDataFolder(options.data, say);
  if (options.resetDemo) return resetDemo();
  lock = await lockFolder(options.data);
  await untilPortIsFree();
  const share = options.dev ? null : await shareAt();
  if (!options.dev) say('Building what has changed ...');
  build(options.dev ? ['server'] : ['server', 'web']);
  build(['cli']);
  await openDatabase();
  await copyBeforeUpgrade();
  await startDevices();
  stopNightly = keepNightly({
    folder: options.data,
    database: () => (database && !database.isDown ? database : undefined),
    say: (words) => console.error(words),
  });
  if (options.dev) return startDev();
  const address = `http://127.0.0.1:${options.port}`;
  let isReady = false;
  children.push(
    keepRunning({
      name: 'server',
      command: process.execPath,
      args: ['--enable-source-maps', SERVER],
      // As it is at each start: the database may have come back on another port.
      env: () => ({
        ...environment(options.port),
        KEEN_WEB_ROOT: join(ROOT, 'packages/web/dist'),
        ...(share ? { KEEN_SHARE_HOST: share.host, KEEN_SHARE_PORT: String(share.port) } : {}),
      }),
      cwd: ROOT,
      maxFirstTries: 3,
      onGivenUp: (how) => fail(new CannotStart(`The server ends as soon as it starts (${how}). What it wrote is above.`)),
      onMessage(message) {
        if (message?.problem) return isReady ? console.error(message.problem) : fail(new CannotStart(message.problem));
        lock.say(address);
        if (isReady) return;
        isReady = true;
        say(`Keen Carcass is ready at ${address}  (Ctrl-C ends it)`);
        if (share) say(`Phones and tablets: https://${share.host}:${share.port}  (the room shows a code for each)`);
      },
    }),
  );
}

/** A server that is ending frees its port in a moment; another program keeps it. */
async function untilPortIsFree() {
  for (let waited = 0; !(await isFree(options.port)); waited += 250) {
    const isOurs = await isOwn(options.port);
    // Nobody holds our folder, so a server of ours is either another folder's or about to end.
    if (isOurs && waited < PORT_FREES_MS && !(await livesOn(options.port, waited))) await wait(250);
    else if (isOurs)
      throw new CannotStart(`Keen Carcass is already running at http://127.0.0.1:${options.port}. Use --port N and --data DIR for a second one.`);
    else throw new CannotStart(`Port ${options.port} is taken by another program. Use --port N, for instance --port ${await freePort()}.`);
  }
}

/** A server that still answers after this long is one that stays. */
const livesOn = async (port, waitedMs) => waitedMs > 6000 && (await isOwn(port));

async function isOwn(port) {
  try {
    const answer = await fetch(`http://127.0.0.1:${port}/api/health`, { signal: AbortSignal.timeout(2000) });
    const { database: state, code } = await answer.json();
    return state === 'up' || code === 'database-down';
  } catch {
    return false;
  }
}

/** Brings the demo back, beside a product that runs or without one. */
async function resetDemo() {
  build(['server']);
  lock = await tryLock(options.data);
  await openDatabase();
  if (lock) await copyBeforeUpgrade();
  await runServer('--reset-demo');
  say('The demo is as it was on the first day.');
  // The database of a product that runs is its own to end.
  if (lock) return end(0);
  process.exit(0);
}

async function startDevices() {
  for (const { name, script, variable } of DEVICES) {
    devicePorts[variable] = String(await freePort());
    children.push(
      keepRunning({
        name: `${name} stand-in`,
        command: process.execPath,
        args: [join(DIST, script)],
        env: () => ({ ...process.env, ...devicePorts, KEEN_PRINTER_FOLDER: join(options.data, 'printed') }),
        cwd: ROOT,
      }),
    );
  }
}

/** Hot reload: the server from source, restarted on change; pages from Vite, which passes /api on. */
async function startDev() {
  const apiPort = await freePort();
  const page = `http://127.0.0.1:${options.port}`;
  children.push(
    keepRunning({
      name: 'server',
      command: process.execPath,
      args: ['--watch', '--import', '@swc-node/register/esm-register', 'src/main.ts'],
      env: () => ({ ...environment(apiPort), NODE_ENV: 'development', KEEN_ORIGINS: `${page},http://localhost:${options.port}` }),
      cwd: join(ROOT, 'packages/server'),
    }),
    keepRunning({
      name: 'page server',
      command: process.execPath,
      args: [join(ROOT, 'node_modules/vite/bin/vite.js'), '--host', '127.0.0.1', '--port', String(options.port), '--strictPort'],
      env: () => ({ ...process.env, KEEN_API: `http://127.0.0.1:${apiPort}` }),
      cwd: join(ROOT, 'packages/web'),
    }),
  );
  lock.say(page);
  say(`Keen Carcass with hot reload: ${page}  (Ctrl-C ends it)`);
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void end(0));
start().catch(fail);
