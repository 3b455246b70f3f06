/**
 * Type-checks every workspace, or those that are named; the first that fails ends it. Core and exchange come first: the
 * others read the declarations they write, so that sources are checked once and not once for each of them.
 *   node scripts/types.mjs [FOLDER ...]
 */
import { spawnSync } from 'node:child_process';

const ALL = ['packages/core', 'packages/exchange', 'packages/cli', 'packages/server', 'packages/web', 'e2e', 'scripts'];

const named = process.argv.slice(2);
for (const project of named.length > 0 ? named : ALL) {
  const { status } = spawnSync(process.execPath, ['node_modules/typescript/bin/tsc', '-p', project], { stdio: 'inherit' });
  if (status !== 0) process.exit(1);
}
