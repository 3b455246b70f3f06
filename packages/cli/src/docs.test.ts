/** The documents say what the code says: pages that are cited exist, checks and sums are all listed. */
import { describe, expect, test } from '@jest/globals';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { listSums, plan, readProjectFile, writeProjectText } from '@keen/core';

const ROOT = fileURLToPath(new URL('../../..', import.meta.url));
const read = (path: string): string => readFileSync(join(ROOT, path), 'utf8');
function filesOf(folder: string, kind: RegExp): string[] {
  return readdirSync(join(ROOT, folder), { withFileTypes: true }).flatMap((entry) => {
    if (['node_modules', 'dist', 'test-results'].includes(entry.name)) return [];
    const path = `${folder}/${entry.name}`;
    return entry.isDirectory() ? filesOf(path, kind) : kind.test(entry.name) ? [path] : [];
  });
}

test('every page of docs that the code cites is there', () => {
  const cited = ['packages', 'scripts', 'e2e'].flatMap((folder) =>
    filesOf(folder, /\.(ts|tsx|mjs)$/).flatMap((path) => [...read(path).matchAll(/docs\/[\w/.-]+\.(?:md|json)/g)].map(([page]) => page)),
  );
  expect(cited.length).toBeGreaterThan(40);
  expect([...new Set(cited)].filter((page) => !existsSync(join(ROOT, page)))).toEqual([]);
});

test('every link between the documents leads somewhere', () => {
  const documents = ['README.md', 'CONTRIBUTING.md', ...filesOf('docs', /\.md$/)];
  const broken = documents.flatMap((path) =>
    [...read(path).matchAll(/\]\(([^)#\s]+)\)/g)]
      .map(([, target]) => join(dirname(path), target!))
      .filter((target) => !existsSync(join(ROOT, target)))
      .map((target) => `${path}: ${relative('.', target)}`),
  );
  expect(broken).toEqual([]);
});

describe('lists that must be whole', () => {
  test('docs/checks.md has a row for every check', () => {
    const ids = [...read('packages/core/src/checks/finding.ts').matchAll(/readonly check: '([\w-]+)'/g)].map(([, id]) => id!);
    const rows = read('docs/checks.md');
    expect(ids.length).toBeGreaterThan(25);
    expect(ids.filter((id) => !new RegExp(`\\| [^|]*\\b${id}\\b`).test(rows))).toEqual([]);
  });
  test('docs/sums.md has a row for every sum, with its keys', () => {
    const rows = read('docs/sums.md');
    for (const { name, keys } of listSums()) {
      const row = rows.split('\n').find((line) => line.startsWith(`| ${name} `)) ?? '';
      for (const key of keys) expect(row).toContain(`\`${key.replaceAll('|', '/')}\``);
    }
  });
  test('docs/formulas/README.md leads to every page', () => {
    const index = read('docs/formulas/README.md');
    for (const page of filesOf('docs/formulas', /\.md$/)) if (!page.endsWith('README.md')) expect(index).toContain(`(${page.split('/').at(-1)})`);
  });
});

test('the blocks of docs/format/project.md are a file that opens, is planned, and is written again the same', () => {
  const file: Record<string, any> = {};
  const blocks = [...read('docs/format/project.md').matchAll(/```json ?([\w.]*)\n([^`]+)```/g)];
  for (const [, path, text] of blocks) {
    const keys = path!.split('.').filter(Boolean);
    let at = file;
    for (const key of keys) at = at[key] ??= {};
    Object.assign(at, JSON.parse(text!));
  }
  expect(blocks.map(([, path]) => path)).toEqual(['', 'design', 'design.build', 'design.wall', 'design.units', 'workshop', 'workshop.shop']);
  const opened = readProjectFile(JSON.stringify(file));
  if (!opened.ok) throw new Error(`${opened.problem.where}: ${opened.problem.message}; accepted: ${opened.problem.accepted}`);
  const { design, record, workshop } = opened.value;
  const made = plan(design, record, workshop);
  expect(made.byId.get('shelf')!.cabinet.outside.width.value).toBe(24 * 25.4e6);
  expect(made.parts.map(({ mark }) => mark)).toContain('A4');
  const written = writeProjectText(opened.value);
  const again = readProjectFile(written);
  expect(again.ok && writeProjectText(again.value)).toBe(written);
  // Nothing of it is lost on the way; lengths stay as they were typed.
  const sorted = (value: unknown): unknown =>
    Array.isArray(value)
      ? value.map(sorted)
      : typeof value === 'object' && value !== null
        ? Object.fromEntries(
            Object.entries(value)
              .sort(([a], [b]) => (a < b ? -1 : 1))
              .map(([key, each]) => [key, sorted(each)]),
          )
        : value;
  expect(sorted(JSON.parse(written))).toEqual(sorted(file));
});
