/**
 * What changed in everything the product says, between a commit and the working tree:
 *   npm run compare -- [COMMIT, HEAD where none is named] [--projects 300] [--keep FOLDER]
 * A commit that only moves code changes nothing; exit 1 where anything differs.
 */
import { spawn, spawnSync } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join, relative } from 'node:path';
import { fileURLToPath, URL } from 'node:url';
import { parseArgs } from 'node:util';
import { rolldown } from 'rolldown';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));
/** Differences that are shown line by line, of each kind of file. */
const SHOWN = 3;

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { projects: { type: 'string', default: '300' }, keep: { type: 'string' } },
});
const [commit = 'HEAD'] = positionals;
if (!/^[1-9]\d{0,5}$/.test(values.projects)) throw new Error(`--projects must be a whole number from 1; got '${values.projects}'`);

function git(...words) {
  const { status, stdout, stderr } = spawnSync('git', words, { cwd: ROOT, encoding: 'utf8' });
  if (status !== 0) throw new Error(`git ${words.join(' ')}: ${stderr.trim()}`);
  return stdout;
}

/** Bundles a tree's own writer with that tree's own packages, so that what is linked in node_modules does not count. */
async function bundled(tree) {
  const bundle = await rolldown({
    input: join(tree, 'scripts/compare/write-all.ts'),
    platform: 'node',
    cwd: tree,
    resolve: { alias: { '@keen/core': join(tree, 'packages/core/src/index.ts'), '@keen/exchange': join(tree, 'packages/exchange/src/index.ts') } },
    external: (id) => /^[^./]/.test(id) && !id.startsWith('@keen/'),
  });
  const file = join(tree, 'scripts/.compare-bundle.mjs');
  await bundle.write({ file, format: 'esm', codeSplitting: false });
  return file;
}

const written = (script, folder) =>
  new Promise((done, failed) => {
    const child = spawn(process.execPath, [script, folder, values.projects], { stdio: ['ignore', 'inherit', 'inherit'] });
    child.once('error', failed);
    child.once('close', (code) => (code === 0 ? done() : failed(new Error(`${script} ended with ${code}`))));
  });

function filesIn(folder, below = folder) {
  return readdirSync(below, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesIn(folder, join(below, entry.name)) : [relative(folder, join(below, entry.name))],
  );
}

/** The first line two texts differ in, both ways. */
function firstDifference(before, after) {
  const [old, now] = [before.split('\n'), after.split('\n')];
  const at = old.findIndex((line, index) => line !== now[index]);
  const line = at < 0 ? old.length : at;
  return `line ${line + 1}\n      - ${(old[line] ?? '(nothing)').trim()}\n      + ${(now[line] ?? '(nothing)').trim()}`;
}

function report(before, after) {
  const names = [...new Set([...filesIn(before), ...filesIn(after)])].sort();
  const read = (folder, name) => (existsSync(join(folder, name)) ? readFileSync(join(folder, name), 'utf8') : '(no such file)');
  const differing = new Map();
  for (const name of names) {
    const [old, now] = [read(before, name), read(after, name)];
    if (old === now) continue;
    const kind = basename(name);
    differing.set(kind, [...(differing.get(kind) ?? []), `${name}, ${firstDifference(old, now)}`]);
  }
  for (const [kind, rows] of differing) {
    console.log(`${kind}: ${rows.length} differ`);
    for (const row of rows.slice(0, SHOWN)) console.log(`    ${row}`);
  }
  const count = [...differing.values()].reduce((sum, rows) => sum + rows.length, 0);
  console.log(count === 0 ? `${names.length} files, all the same` : `${count} of ${names.length} files differ`);
  return count;
}

const folder = values.keep ?? mkdtempSync(join(tmpdir(), 'keen-compare-'));
const tree = join(mkdtempSync(join(tmpdir(), 'keen-compare-tree-')), 'tree');
const bundles = [];
let count;
try {
  git('worktree', 'add', '--detach', tree, commit);
  symlinkSync(join(ROOT, 'node_modules'), join(tree, 'node_modules'));
  // A commit from before this script is written out by the script as it is now.
  if (!existsSync(join(tree, 'scripts/compare/write-all.ts'))) cpSync(join(ROOT, 'scripts/compare'), join(tree, 'scripts/compare'), { recursive: true });
  for (const each of [tree, ROOT]) bundles.push(await bundled(each));
  await Promise.all([written(bundles[0], join(folder, 'before')), written(bundles[1], join(folder, 'after'))]);
  count = report(join(folder, 'before'), join(folder, 'after'));
} finally {
  for (const file of bundles) rmSync(file, { force: true });
  git('worktree', 'remove', '--force', tree);
  if (values.keep === undefined) rmSync(folder, { recursive: true, force: true });
}
process.exit(count === 0 ? 0 : 1);
