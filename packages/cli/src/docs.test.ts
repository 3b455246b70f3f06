/** The documents say what the code says: pages that are cited exist, checks and sums are all listed. */
import { describe, expect, test } from '@jest/globals';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { listSums } from '@keen/core';

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
