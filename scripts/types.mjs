/** Type-checks every workspace; the first that fails ends it. */
import { spawnSync } from 'node:child_process';

for (const project of ['packages/core', 'packages/cli', 'packages/server', 'packages/web', 'e2e', 'scripts']) {
  const { status } = spawnSync(process.execPath, ['node_modules/typescript/bin/tsc', '-p', project], { stdio: 'inherit' });
  if (status !== 0) process.exit(1);
}
