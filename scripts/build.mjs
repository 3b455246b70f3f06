/** Builds what is stale: node scripts/build.mjs [cli] [server] [web]; all without arguments. */
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');
const ROLLDOWN = [join(ROOT, 'node_modules/rolldown/bin/cli.mjs'), '-c', 'rolldown.config.mjs'];

const TARGETS = {
  cli: { made: 'packages/cli/dist/keen.js', from: ['packages/core/src', 'packages/exchange/src', 'packages/cli'], run: ROLLDOWN },
  server: { made: 'packages/server/dist/main.js', from: ['packages/core/src', 'packages/exchange/src', 'packages/server'], run: ROLLDOWN },
  web: {
    made: 'packages/web/dist/index.html',
    from: ['packages/core/src', 'packages/exchange/src', 'packages/web'],
    run: [join(ROOT, 'node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'warn'],
  },
};

function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(path)
    .filter((name) => name !== 'dist' && name !== 'node_modules')
    .reduce((latest, name) => Math.max(latest, newest(join(path, name))), 0);
}

/** Builds the targets whose sources are newer than what was made of them. Throws when one fails. */
export function build(names = Object.keys(TARGETS)) {
  for (const name of names) {
    const target = TARGETS[name];
    if (!target) throw new Error(`there is nothing to build called '${name}'`);
    const made = join(ROOT, target.made);
    const sources = Math.max(...[...target.from, 'package-lock.json'].map((path) => newest(join(ROOT, path))));
    if (existsSync(made) && statSync(made).mtimeMs > sources) continue;
    const { status, stdout, stderr } = spawnSync(process.execPath, target.run, {
      cwd: join(ROOT, 'packages', name),
      encoding: 'utf8',
      env: { ...process.env, NODE_ENV: 'production' },
    });
    if (status !== 0) throw new Error(`building ${name} failed:\n${stdout}${stderr}`);
  }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  try {
    build(process.argv.length > 2 ? process.argv.slice(2) : undefined);
  } catch (error) {
    console.error(error.message);
    process.exitCode = 1;
  }
}
