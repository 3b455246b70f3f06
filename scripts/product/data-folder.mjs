/** The folder a product keeps its data in. What is wrong with it is said in words with the way out, and mended where it can be. */
import { execFileSync } from 'node:child_process';
import { accessSync, chmodSync, chownSync, constants, mkdirSync, rmSync, statfsSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

const MIN_FREE_MB = 400;
const isRoot = process.getuid?.() === 0;

/** Something a person has to see to before the product can run: said without a stack. */
export class CannotStart extends Error {}

/**
 * The account the database runs under: null for our own. As the administrator it gets one of its own, for a database that is broken
 * into should own nothing else.
 * @returns {{ name: string, uid: number, gid: number } | null}
 */
export function databaseAccount() {
  if (!isRoot) return null;
  for (const name of ['mysql', 'nobody']) {
    try {
      const id = (flag) => Number(execFileSync('id', [flag, name], { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] }));
      return { name, uid: id('-u'), gid: id('-g') };
    } catch {
      // The next one.
    }
  }
  throw new CannotStart("The database may not run as root, and there is no account 'mysql' here. Install the Debian package mariadb-server.");
}

/** Makes the folder, closes it to other accounts, and checks that it can be used. @throws CannotStart */
export function prepareDataFolder(folder, say = () => {}) {
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
  } catch (error) {
    throw new CannotStart(`The data folder ${folder} cannot be made: ${reason(error)}. Choose another one with --data DIR.`);
  }
  requireWritable(folder);
  close(folder, say);
  requireRoom(folder);
}

function requireWritable(folder) {
  const probe = join(folder, `.probe-${process.pid}`);
  try {
    writeFileSync(probe, '');
    rmSync(probe);
  } catch (error) {
    throw new CannotStart(
      `The data folder ${folder} cannot be written: ${reason(error)}. Give it to this user (chown, chmod u+w), or choose another one with --data DIR.`,
    );
  }
}

/** The folder holds passwords and certificates: other accounts of the machine have no business in it. */
function close(folder, say) {
  const account = databaseAccount();
  const wanted = account ? 0o710 : 0o700;
  const { mode, gid } = statSync(folder);
  try {
    if (account && gid !== account.gid) chownSync(folder, 0, account.gid);
    if ((mode & 0o777) !== wanted) {
      chmodSync(folder, wanted);
      if (mode & 0o007) say(`The data folder ${folder} was open to other accounts of this machine. It is closed now.`);
    }
  } catch (error) {
    throw new CannotStart(
      `The data folder ${folder} is open to other accounts and cannot be closed: ${reason(error)}. Use a folder of your own with --data DIR.`,
    );
  }
  if (account) requireReachable(folder, account);
}

/** As the administrator the database has another account, which must be able to walk to its own folder. */
function requireReachable(folder, { name, gid }) {
  for (let at = dirname(folder); at !== dirname(at); at = dirname(at)) {
    const { mode, gid: own } = statSync(at);
    if (!(mode & 0o001) && !(mode & 0o010 && own === gid))
      throw new CannotStart(
        `The database runs as '${name}' here, never as root, and '${name}' cannot enter ${at}. Allow it (chmod o+x ${at}), or choose another folder with --data DIR.`,
      );
  }
}

/** @throws CannotStart where the disk is nearly full */
export function requireRoom(folder, minMb = MIN_FREE_MB) {
  const free = freeMb(folder);
  if (free < minMb) throw new CannotStart(`The disk is nearly full: ${free} MB are free where ${folder} stands, ${minMb} MB are needed. Nothing was started.`);
}

/** Free space of the disk a folder stands on, MB. */
export function freeMb(folder) {
  const { bavail, bsize } = statfsSync(folder);
  return Math.floor((bavail * bsize) / 1e6);
}

/** Makes a folder the database may use, and gives it what is in it already. */
export function databaseFolder(path) {
  const account = databaseAccount();
  mkdirSync(path, { recursive: true, mode: 0o700 });
  if (account && statSync(path).uid !== account.uid) execFileSync('chown', ['-R', `${account.uid}:${account.gid}`, path]);
}

export function isReadable(path) {
  try {
    accessSync(path, constants.R_OK);
    return true;
  } catch {
    return false;
  }
}

const REASONS = {
  EACCES: 'this user may not',
  EPERM: 'this user may not',
  EROFS: 'its disk is read-only',
  ENOTDIR: 'there is a file in its way',
  EEXIST: 'there is a file of that name',
  ENOSPC: 'the disk is full',
};
const reason = (error) => REASONS[error.code] ?? error.message;
