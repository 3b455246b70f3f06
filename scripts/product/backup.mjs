/**
 * Copies of a data folder in one file: the database in one consistent state, the pictures it names, the certificates. A copy is whole
 * or not there: it is written beside and renamed when it has been read back.
 *
 * The file is a tar archive, gzipped: manifest.json (what is in it, with SHA-256 sums), database.sql, photos/, share/.
 */
import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import {
  chmodSync,
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, dirname, join, resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import mysql from 'mysql2/promise';
import { CannotStart, freeMb, prepareDataFolder } from './data-folder.mjs';
import { tryLock } from './folder-lock.mjs';
import { DATABASE, startMariaDb } from './mariadb.mjs';

export const FORMAT = 'keen-carcass-backup';
const VERSION = 1;
/** Pictures may be deleted for good while they are copied: the database is read again then. */
const MAX_TRIES = 3;

/**
 * Makes a copy of a running or resting product.
 * @param {{ folder: string, to?: string, label?: string, database?: object }} options `database`: an open one (mariadb.mjs)
 * @returns {Promise<{ file: string, bytes: number, pictures: number }>}
 */
export async function makeBackup({ folder, to, label = 'backup', database }) {
  const file = resolve(to ?? join(folder, 'backups', `${label}-${stamp()}.keenbackup`));
  if (existsSync(file)) throw new CannotStart(`${file} is there already. Name another file.`);
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  return withDatabase(folder, database, async (own) => {
    requireRoomFor(folder, dirname(file));
    const stage = mkdtempSync(join(dirname(file), '.making-'));
    try {
      for (let tried = 1; ; tried++) {
        await dump(own, join(stage, 'database.sql'));
        const missing = await writeManifest(folder, stage, own);
        if (missing.length === 0) break;
        if (tried === MAX_TRIES) throw new CannotStart(`${missing.length} pictures are missing in ${folder}, the first is ${missing[0]}. No copy was made.`);
      }
      const { files } = JSON.parse(readFileSync(join(stage, 'manifest.json'), 'utf8'));
      const others = Object.keys(files).filter((name) => name !== 'database.sql');
      writeFileSync(join(stage, 'names'), others.map((name) => `${name}\0`).join(''));
      const archive = join(stage, 'archive');
      run('tar', ['-czf', archive, '-C', stage, 'manifest.json', 'database.sql', '-C', folder, '--null', '-T', join(stage, 'names')]);
      run('gzip', ['-t', archive]);
      renameSync(archive, file);
      return { file, bytes: statSync(file).size, pictures: others.filter((name) => name.startsWith('photos/')).length };
    } finally {
      rmSync(stage, { recursive: true, force: true });
    }
  });
}

/**
 * Reads a copy back into an empty folder. @throws CannotStart where the copy is damaged or the folder is not empty; nothing is left then
 * @returns {Promise<{ projects: number, pictures: number }>}
 */
export async function restoreBackup({ file, folder }) {
  if (existsSync(folder) && readdirSync(folder).length > 0)
    throw new CannotStart(`${folder} is not empty. A copy is restored into an empty folder only: name another one with --data DIR.`);
  const isNew = !existsSync(folder);
  prepareDataFolder(folder);
  const lock = await tryLock(folder);
  if (!lock) throw new CannotStart(`${folder} is in use.`);
  try {
    return await unpacked(file, folder, async (stage) => {
      for (const name of ['photos', 'share']) if (existsSync(join(stage, name))) renameSync(join(stage, name), join(folder, name));
      const database = await startMariaDb({ folder });
      try {
        await load(database, join(stage, 'database.sql'));
        return await contents(database);
      } finally {
        await database.stop();
      }
    });
  } catch (error) {
    for (const name of readdirSync(folder)) rmSync(join(folder, name), { recursive: true, force: true });
    if (isNew) rmSync(folder, { recursive: true, force: true });
    throw error;
  } finally {
    lock.release();
    rmSync(join(folder, 'lock'), { force: true });
  }
}

/**
 * Proves a copy: every sum is checked, and the database is loaded in a throwaway one that must know every picture.
 * @returns {Promise<{ made: string, projects: number, pictures: number }>} @throws CannotStart
 */
export async function verifyBackup({ file }) {
  const beside = mkdtempSync(join(tmpdir(), 'keen-checking-'));
  // The database's account has to walk through.
  chmodSync(beside, 0o711);
  try {
    return await unpacked(file, beside, async (stage, manifest) => {
      const database = await startMariaDb({ folder: join(beside, 'database'), fast: true });
      try {
        await load(database, join(stage, 'database.sql'));
        const { projects, pictures, owned } = await contents(database);
        const missing = owned.find((name) => !manifest.files[name]);
        if (missing) throw new CannotStart(`${file}: the picture ${missing} is missing.`);
        return { made: manifest.made, projects, pictures };
      } finally {
        await database.stop();
      }
    });
  } finally {
    rmSync(beside, { recursive: true, force: true });
  }
}

const stamp = () => new Date().toISOString().slice(0, 19).replaceAll(':', '-');

/** The open database; without one that of the folder, started for as long as it is needed where it rests. */
async function withDatabase(folder, database, use) {
  if (database) return use(database);
  if (!existsSync(join(folder, 'mysql', 'mysql'))) throw new CannotStart(`There is no data of Keen Carcass in ${folder}. Name its folder with --data DIR.`);
  const lock = await tryLock(folder);
  // While it runs it is signed in to; where it rests nobody else may start it meanwhile.
  const own = await startMariaDb({ folder });
  try {
    return await use(own);
  } finally {
    if (lock) await own.stop();
    lock?.release();
  }
}

/** A copy is about as large as what it copies. */
function requireRoomFor(folder, at) {
  const needed = ['mysql', 'photos', 'share'].reduce((sum, name) => sum + sizeOf(join(folder, name)), 0) / 1e6;
  const free = freeMb(at);
  if (free < needed + 200) throw new CannotStart(`A copy needs up to ${Math.ceil(needed)} MB, and ${free} MB are free at ${at}. No copy was made.`);
}

function sizeOf(path) {
  if (!existsSync(path)) return 0;
  const known = statSync(path);
  return known.isDirectory() ? readdirSync(path).reduce((sum, name) => sum + sizeOf(join(path, name)), 0) : known.size;
}

/** Runs `use` with a file that holds the password: on a command line every account of the machine could read it. */
async function withSecret({ user, password, socket }, at, use) {
  const file = join(at, `.my-${randomBytes(4).toString('hex')}.cnf`);
  writeFileSync(file, `[client]\nuser=${user}\npassword="${password}"\nsocket=${socket}\n`, { mode: 0o600 });
  try {
    return await use(`--defaults-file=${file}`);
  } finally {
    rmSync(file, { force: true });
  }
}

/** One consistent state, whatever is saved meanwhile. */
const dump = (database, to) =>
  withSecret(database, dirname(to), async (defaults) => {
    const child = spawn(
      'mariadb-dump',
      [defaults, '--single-transaction', '--quick', '--hex-blob', '--no-tablespaces', '--default-character-set=utf8mb4', DATABASE],
      {
        stdio: ['ignore', 'pipe', 'pipe'],
      },
    );
    let said = '';
    child.stderr.on('data', (chunk) => (said += chunk));
    const ended = new Promise((done) => child.once('close', done));
    await pipeline(child.stdout, createWriteStream(to, { mode: 0o600 }));
    const code = await ended;
    if (code !== 0) throw new CannotStart(`The database could not be copied: ${said.trim()}`);
  });

const load = (database, from) =>
  withSecret(database, dirname(from), async (defaults) => {
    const child = spawn('mariadb', [defaults, '--default-character-set=utf8mb4', DATABASE], { stdio: ['pipe', 'ignore', 'pipe'] });
    let said = '';
    child.stderr.on('data', (chunk) => (said += chunk));
    const ended = new Promise((done) => child.once('close', done));
    await pipeline(createReadStream(from), child.stdin).catch(() => {});
    const code = await ended;
    if (code !== 0) throw new CannotStart(`The copy of the database could not be loaded: ${said.trim()}`);
  });

/** Sums of everything that goes into the copy. Gives pictures the database names and the disk does not have. */
async function writeManifest(folder, stage, database) {
  const { owned, migrations } = await contents(database);
  const files = { 'database.sql': await sumOf(join(stage, 'database.sql')) };
  const missing = [];
  for (const name of owned) {
    if (existsSync(join(folder, name))) files[name] = await sumOf(join(folder, name));
    else if (!name.endsWith('.small.jpg')) missing.push(name);
  }
  for (const name of existsSync(join(folder, 'share')) ? readdirSync(join(folder, 'share')) : [])
    files[`share/${name}`] = await sumOf(join(folder, 'share', name));
  writeFileSync(join(stage, 'manifest.json'), JSON.stringify({ format: FORMAT, version: VERSION, made: new Date().toISOString(), migrations, files }));
  return missing;
}

async function contents({ port, user, password }) {
  const connection = await mysql.createConnection({ host: '127.0.0.1', port, user, password, database: DATABASE });
  try {
    const rows = async (sql) => (await connection.query(sql).catch(() => [[]]))[0];
    const photos = await rows('select project_id as project, id from photos');
    const [{ count: projects } = { count: 0 }] = await rows('select count(*) as count from projects');
    return {
      projects: Number(projects),
      pictures: photos.length,
      owned: photos.flatMap(({ project, id }) => [`photos/${project}/${id}.jpg`, `photos/${project}/${id}.small.jpg`]),
      migrations: (await rows('select name from migrations order by name')).map(({ name }) => name),
    };
  } finally {
    await connection.end();
  }
}

/** Unpacks a copy beside where it is wanted and checks every sum, then runs `use`. */
async function unpacked(file, beside, use) {
  if (!existsSync(file)) throw new CannotStart(`There is no ${file}.`);
  const stage = mkdtempSync(join(beside, '.unpacking-'));
  try {
    const { status } = spawnSync('tar', ['-xzf', resolve(file), '-C', stage, '--no-same-owner'], { stdio: 'ignore' });
    const manifest = status === 0 ? readManifest(join(stage, 'manifest.json')) : null;
    if (!manifest) throw new CannotStart(`${basename(file)} is damaged, or no copy of Keen Carcass. Nothing was changed.`);
    if (manifest.version > VERSION) throw new CannotStart(`${basename(file)} was made by a newer program. Nothing was changed.`);
    for (const [name, sum] of Object.entries(manifest.files))
      if (!existsSync(join(stage, name)) || (await sumOf(join(stage, name))) !== sum)
        throw new CannotStart(`${basename(file)} is damaged: ${name} is not what was copied. Nothing was changed.`);
    return await use(stage, manifest);
  } finally {
    rmSync(stage, { recursive: true, force: true });
  }
}

function readManifest(path) {
  try {
    const manifest = JSON.parse(readFileSync(path, 'utf8'));
    return manifest.format === FORMAT && typeof manifest.files === 'object' ? manifest : null;
  } catch {
    return null;
  }
}

async function sumOf(path) {
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(path)) hash.update(chunk);
  return hash.digest('hex');
}

function run(command, args) {
  const { status, stderr } = spawnSync(command, args, { encoding: 'utf8' });
  if (status !== 0) throw new CannotStart(`${command} failed: ${stderr.trim()}`);
}
