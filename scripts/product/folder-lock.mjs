/**
 * One supervisor for each data folder. The lock is the kernel's (flock): it ends with the process that holds it, however that ends, so
 * no start is ever kept out by a lock nobody holds. A small child holds it until its input is closed.
 */
import { spawn } from 'node:child_process';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { CannotStart } from './data-folder.mjs';

const TAKEN = 75;

/**
 * Locks a data folder. @throws CannotStart where another supervisor has it, with its address
 * @returns {Promise<{ say(address: string): void, release(): void }>}
 */
export async function lockFolder(folder) {
  const lock = await tryLock(folder);
  if (lock) return lock;
  const { address, pid } = whoRuns(folder) ?? {};
  throw new CannotStart(
    `Keen Carcass is already running on the data folder ${folder}${address ? ` at ${address}` : ''}${pid ? ` (process ${pid})` : ''}. Use that one, or --data DIR for a second one.`,
  );
}

/** The lock, or null where another supervisor has it. */
export function tryLock(folder) {
  const whose = join(folder, 'running.json');
  // A group of its own: Ctrl-C in a terminal must not let go of the folder before the database has ended.
  const child = spawn('flock', ['--nonblock', '--conflict-exit-code', String(TAKEN), join(folder, 'lock'), 'sh', '-c', 'echo held; exec cat'], {
    stdio: ['pipe', 'pipe', 'ignore'],
    detached: true,
  });
  child.stdin.on('error', () => {});
  return new Promise((resolve, reject) => {
    child.once('error', (error) =>
      reject(new CannotStart(`The data folder ${folder} cannot be locked: ${error.message}. The command flock (package util-linux) is needed.`)),
    );
    child.once('exit', (code) => (code === TAKEN ? resolve(null) : reject(new CannotStart(`The data folder ${folder} cannot be locked (exit ${code}).`))));
    child.stdout.once('data', () => {
      child.removeAllListeners('exit');
      // A child that holds a lock is no reason to stay; one that has not said yet whether it does is: this process would end without a word.
      child.unref();
      child.stdout.unref?.();
      child.stdin.unref?.();
      resolve({
        say: (address) => writeFileSync(whose, JSON.stringify({ pid: process.pid, address }), { mode: 0o600 }),
        release() {
          rmSync(whose, { force: true });
          child.stdin.end();
        },
      });
    });
  });
}

function whoRuns(folder) {
  try {
    return JSON.parse(readFileSync(join(folder, 'running.json'), 'utf8'));
  } catch {
    return null;
  }
}
