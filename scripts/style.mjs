/**
 * All that can be said of the code without running it: types, lint, the map of the core, format. As many at a time as there are cores, for
 * each of them keeps one busy; all of them are heard, and each is printed when it is done.
 *   node scripts/style.mjs
 */
import { spawn } from 'node:child_process';
import { availableParallelism } from 'node:os';

const node = (...words) => [process.execPath, ...words];
const lint = (...folders) => node('node_modules/eslint/bin/eslint.js', '--max-warnings', '0', ...folders);
const types = (...projects) => node('scripts/types.mjs', ...projects);

/** The longest first: the last to end is then a short one. */
const CHECKS = [
  ['lint of the web', lint('packages/web')],
  ['lint of the core', lint('packages/core')],
  ['types of the web', types('packages/web')],
  ['lint of the rest', lint('.', '--ignore-pattern', 'packages/web', '--ignore-pattern', 'packages/core')],
  ['types of the rest', types('packages/cli', 'packages/server', 'e2e', 'scripts')],
  ['format', node('node_modules/prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.')],
  ['map of the core', node('node_modules/dependency-cruiser/bin/dependency-cruise.mjs', '--config', '.dependency-cruiser.cjs', 'packages')],
];

const run = ([command, ...words]) =>
  new Promise((resolve) => {
    const child = spawn(command, words);
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
    child.on('close', (code) => resolve({ passed: code === 0, said }));
  });

let failed = false;
async function check([name, command]) {
  const start = performance.now();
  const { passed, said } = await run(command);
  failed ||= !passed;
  console.log(`${passed ? 'fine' : 'WRONG'}  ${name} (${Math.round((performance.now() - start) / 1000)} s)`);
  if (said.trim() !== '') console.log(said.trim());
}

// Whoever uses core or exchange reads their declarations, types and lint alike: they are made first.
await check(['types of core and exchange', types('packages/core', 'packages/exchange')]);
const waiting = [...CHECKS];
const worker = async () => {
  for (let next = waiting.shift(); next; next = waiting.shift()) await check(next);
};
await Promise.all(Array.from({ length: availableParallelism() }, worker));
process.exit(failed ? 1 : 0);
