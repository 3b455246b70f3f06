/** A child process that is started again when it ends by itself, later and later while it does not last. */
import { spawn } from 'node:child_process';

const DELAYS_MS = [300, 1000, 2000, 5000, 15_000, 30_000];
/** A child that was ready and ran on for this long has recovered. */
const LASTED_MS = 1000;
const KILL_AFTER_MS = 8000;

/**
 * Runs a child until `stop`.
 * @param {{ name: string, command: string, args: string[], env: () => object, cwd: string,
 *   onMessage?: (message: unknown) => void, maxFirstTries?: number, onGivenUp?: (why: string) => void }} options
 *   `env` is asked at each start. `maxFirstTries`: how often a child may end before it has sent its first message; then it is given up. Without it, never.
 * @returns {{ stop(): Promise<void> }}
 */
export function keepRunning({ name, command, args, env, cwd, onMessage = () => {}, maxFirstTries = Infinity, onGivenUp = () => {} }) {
  let child;
  let timer;
  let failures = 0;
  let hasStarted = false;
  let readyMs = Infinity;
  let isStopped = false;
  const start = () => {
    readyMs = Infinity;
    child = spawn(command, args, { cwd, env: env(), stdio: ['ignore', 'inherit', 'inherit', 'ipc'] });
    child.on('message', (message) => {
      hasStarted = true;
      readyMs = Math.min(readyMs, performance.now());
      onMessage(message);
    });
    child.on('error', () => {});
    child.once('exit', (code, signal) => {
      child = undefined;
      if (isStopped) return;
      failures = performance.now() - readyMs > LASTED_MS ? 0 : failures + 1;
      const how = signal ?? `exit ${code}`;
      if (!hasStarted && failures >= maxFirstTries) return onGivenUp(how);
      const delay = DELAYS_MS[Math.min(failures, DELAYS_MS.length - 1)];
      console.error(`The ${name} ended unexpectedly (${how}); starting it again${delay > 2000 ? ` in ${delay / 1000} s` : ''}.`);
      timer = setTimeout(start, delay);
    });
  };
  start();
  return {
    async stop() {
      isStopped = true;
      clearTimeout(timer);
      const left = child;
      if (!left) return;
      const gone = new Promise((done) => left.once('exit', done));
      left.kill('SIGTERM');
      const late = setTimeout(() => left.kill('SIGKILL'), KILL_AFTER_MS);
      await gone;
      clearTimeout(late);
    },
  };
}
