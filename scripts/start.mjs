/**
 * The supervisor behind bin/start: database, build, server, and an orderly end. A server or database
 * that dies is started again and said; Ctrl-C ends everything cleanly; if this process is killed
 * outright, the next start takes over what is left.
 */
import { spawn } from 'node:child_process';
import { dirname, join, resolve } from 'node:path';
import { networkInterfaces } from 'node:os';
import { fileURLToPath } from 'node:url';
import { build } from './build.mjs';
import { DATABASE, freePort, isFree, startMariaDb } from './mariadb.mjs';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');
const PORT = 8420;
const SERVER = join(ROOT, 'packages/server/dist/main.js');
const SCANNER = join(ROOT, 'packages/server/dist/stud-scanner.js');
const MERCHANT = join(ROOT, 'packages/server/dist/merchant.js');
const PRINTER = join(ROOT, 'packages/server/dist/label-printer.js');
const CALIPER = join(ROOT, 'packages/server/dist/caliper.js');
const SCALE = join(ROOT, 'packages/server/dist/scale.js');

function readArguments(args) {
  const options = { port: PORT, data: join(ROOT, '.data'), resetDemo: false, dev: false, share: null };
  for (let i = 0; i < args.length; i++) {
    if (args[i] === '--reset-demo') options.resetDemo = true;
    else if (args[i] === '--dev') options.dev = true;
    else if (args[i] === '--share') options.share = args[i + 1] && !args[i + 1].startsWith('--') ? args[++i] : '';
    else if (args[i] === '--data' && args[i + 1]) options.data = resolve(args[++i]);
    else if (args[i] === '--port' && /^\d+$/.test(args[i + 1] ?? '') && Number(args[i + 1]) > 0 && Number(args[i + 1]) < 65536)
      options.port = Number(args[++i]);
    else throw new Error(`'${args[i]}' cannot be used here. Accepted: --port N, --data DIR, --share [ADDRESS], --reset-demo, --dev`);
  }
  return options;
}

const options = readArguments(process.argv.slice(2));
/** Addresses other machines of the network reach this one at. */
const lanAddresses = () =>
  Object.values(networkInterfaces())
    .flat()
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);

/** Where the desk is shared: the address that was asked for, or the only one there is. */
function shareAt() {
  if (options.share === null) return null;
  const all = lanAddresses();
  const host = options.share === '' ? all[0] : options.share;
  if (host === undefined) throw new Error('This machine has no address on a network. Start without --share, or connect it first.');
  if (!all.includes(host)) throw new Error(`'${host}' is no address of this machine. Accepted: ${all.join(', ') || 'none at the moment'}`);
  if (options.share === '' && all.length > 1) console.log(`Sharing at ${host}; others would be ${all.slice(1).join(', ')}: --share ADDRESS`);
  return { host, port: options.port + 1 };
}
let ending = false;
let database;
let scannerPort;
let caliperPort;
let scalePort;
let printerPort;
let merchantPort;
const children = new Set();

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
  KEEN_SCANNER_PORT: scannerPort ? String(scannerPort) : '',
  KEEN_CALIPER_PORT: caliperPort ? String(caliperPort) : '',
  KEEN_SCALE_PORT: scalePort ? String(scalePort) : '',
  KEEN_PRINTER_PORT: printerPort ? String(printerPort) : '',
  KEEN_MERCHANT_PORT: merchantPort ? String(merchantPort) : '',
});

/** Runs a command of the server to its end. */
const runServer = (flag) =>
  new Promise((done, failed) => {
    const child = spawn(process.execPath, [SERVER, flag], { env: environment(options.port), stdio: ['ignore', 'inherit', 'inherit'] });
    child.once('exit', (code) => (code === 0 ? done() : failed(new Error(`The server could not ${flag.slice(2)} (exit ${code}).`))));
  });

async function openDatabase() {
  database = await startMariaDb({
    folder: options.data,
    onExit: () => {
      if (ending) return;
      console.error('The database ended unexpectedly; starting it again.');
      setTimeout(() => openDatabase().catch(fail), 300);
    },
  });
  return database;
}

function keepRunning(name, command, args, env, cwd, onMessage) {
  const started = Date.now();
  const child = spawn(command, args, { cwd, env, stdio: ['ignore', 'inherit', 'inherit', 'ipc'] });
  children.add(child);
  child.on('message', onMessage);
  child.once('exit', (code, signal) => {
    children.delete(child);
    if (ending) return;
    if (Date.now() - started < 2000) return fail(new Error(`The ${name} ends as soon as it starts (${signal ?? `exit ${code}`}).`));
    console.error(`The ${name} ended unexpectedly (${signal ?? `exit ${code}`}); starting it again.`);
    setTimeout(() => keepRunning(name, command, args, env, cwd, onMessage), 300);
  });
}

async function end(code) {
  if (ending) return;
  ending = true;
  const left = [...children];
  for (const child of left) child.kill('SIGTERM');
  await Promise.race([Promise.all(left.map((child) => new Promise((done) => child.once('exit', done)))), new Promise((done) => setTimeout(done, 8000))]);
  await database?.stop();
  process.exit(code);
}

function fail(error) {
  console.error(error.message);
  void end(1);
}

async function start() {
  const taken = !(await isFree(options.port));
  if (taken && !options.resetDemo) {
    const own = await isOwn(options.port);
    throw new Error(
      own
        ? `Keen Carcass is already running at http://127.0.0.1:${options.port}. Use --port N and --data DIR for a second one.`
        : `Port ${options.port} is taken by another program. Use --port N, for instance --port ${await freePort()}.`,
    );
  }
  if (!options.dev) console.log('Building what has changed ...');
  build(options.dev ? ['server'] : ['server', 'web']);
  build(['cli']);
  await openDatabase();
  await runServer(options.resetDemo ? '--reset-demo' : '--seed');
  if (options.resetDemo) console.log('The demo is as it was on the first day.');
  if (taken) {
    console.log(`Keen Carcass is running at http://127.0.0.1:${options.port}.`);
    process.exit(0);
  }
  scannerPort = await freePort();
  keepRunning('stud scanner stand-in', process.execPath, [SCANNER], { ...process.env, KEEN_SCANNER_PORT: String(scannerPort) }, ROOT, () => {});
  caliperPort = await freePort();
  keepRunning('caliper stand-in', process.execPath, [CALIPER], { ...process.env, KEEN_CALIPER_PORT: String(caliperPort) }, ROOT, () => {});
  scalePort = await freePort();
  keepRunning('scale stand-in', process.execPath, [SCALE], { ...process.env, KEEN_SCALE_PORT: String(scalePort) }, ROOT, () => {});
  printerPort = await freePort();
  const printed = { ...process.env, KEEN_PRINTER_PORT: String(printerPort), KEEN_PRINTER_FOLDER: join(options.data, 'printed') };
  keepRunning('label printer stand-in', process.execPath, [PRINTER], printed, ROOT, () => {});
  merchantPort = await freePort();
  keepRunning('merchant stand-in', process.execPath, [MERCHANT], { ...process.env, KEEN_MERCHANT_PORT: String(merchantPort) }, ROOT, () => {});
  if (options.dev) return startDev();
  const share = shareAt();
  const address = `http://127.0.0.1:${options.port}`;
  keepRunning(
    'server',
    process.execPath,
    ['--enable-source-maps', SERVER],
    {
      ...environment(options.port),
      KEEN_WEB_ROOT: join(ROOT, 'packages/web/dist'),
      ...(share ? { KEEN_SHARE_HOST: share.host, KEEN_SHARE_PORT: String(share.port) } : {}),
    },
    ROOT,
    () => {
      console.log(`Keen Carcass is ready at ${address}  (Ctrl-C ends it)`);
      if (share) console.log(`Phones and tablets: https://${share.host}:${share.port}  (the room shows a code for each)`);
    },
  );
}

/** Hot reload: the server from source, restarted on change; pages from Vite, which passes /api on. */
async function startDev() {
  const apiPort = await freePort();
  const page = `http://127.0.0.1:${options.port}`;
  const env = { ...environment(apiPort), NODE_ENV: 'development', KEEN_ORIGINS: `${page},http://localhost:${options.port}` };
  keepRunning(
    'server',
    process.execPath,
    ['--watch', '--import', '@swc-node/register/esm-register', 'src/main.ts'],
    env,
    join(ROOT, 'packages/server'),
    () => {},
  );
  keepRunning(
    'page server',
    process.execPath,
    [join(ROOT, 'node_modules/vite/bin/vite.js'), '--host', '127.0.0.1', '--port', String(options.port), '--strictPort'],
    { ...process.env, KEEN_API: `http://127.0.0.1:${apiPort}` },
    join(ROOT, 'packages/web'),
    () => {},
  );
  console.log(`Keen Carcass with hot reload: ${page}  (Ctrl-C ends it)`);
}

async function isOwn(port) {
  try {
    const answer = await fetch(`http://127.0.0.1:${port}/api/health`, { signal: AbortSignal.timeout(2000) });
    return (await answer.json()).database === 'up';
  } catch {
    return false;
  }
}

process.on('SIGINT', () => void end(0));
process.on('SIGTERM', () => void end(0));
process.on('SIGHUP', () => void end(0));
start().catch(fail);
