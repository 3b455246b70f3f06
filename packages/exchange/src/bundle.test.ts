/** A project with pictures in an archive: out and in again the same, read by another program, and spoiled. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, test } from '@jest/globals';
import { readProjectFile, writeProjectText, type Outcome, type ProjectFile, type RecordEntry } from '@keen/core';
import * as fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import Papa from 'papaparse';
import { bundleZip, readBundle } from './bundle.ts';
import { spoiled } from './test/spoiled.ts';

const folder = mkdtempSync(join(tmpdir(), 'keen-bundle-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const valueOf = <T>(read: Outcome<T>): T => {
  if (!read.ok) throw new Error(read.problem.message);
  return read.value;
};
const example = valueOf(readProjectFile(readFileSync(new URL('../../../examples/ink-cupboard.carcass.json', import.meta.url), 'utf8')));
const note: RecordEntry = {
  id: 'note-with-photo',
  at: '2026-03-01T10:00:00.000Z',
  kind: 'note',
  note: { text: 'The back is proud by a hair, "again"', photos: ['photo-0001', 'photo-0002'], nextTime: false },
};
const project: ProjectFile = { ...example, record: [...example.record, note] };
const photos = new Map([
  ['photo-0001', Uint8Array.from([0xff, 0xd8, 1, 2, 3])],
  ['photo-0002', Uint8Array.from([0xff, 0xd8, 9])],
]);
const good = bundleZip({ project, photos });

test('out and in again: the same project, the same pictures; another program reads it too', () => {
  const again = valueOf(readBundle(good));
  expect(writeProjectText(again.project)).toBe(writeProjectText(project));
  expect([...again.photos]).toEqual([...photos]);
  const file = join(folder, 'bundle.zip');
  writeFileSync(file, good);
  const text = execFileSync(
    'python3',
    [
      '-c',
      'import sys,zipfile\nz=zipfile.ZipFile(sys.argv[1]); assert z.testzip() is None\nprint("\\n".join(z.namelist()))\nprint(z.read("log.csv").decode())',
      file,
    ],
    { encoding: 'utf8' },
  );
  expect(text.split('\n').slice(0, 4).sort()).toEqual(['log.csv', 'photos/photo-0001.jpg', 'photos/photo-0002.jpg', 'project.carcass.json']);
  const log = Papa.parse<Record<string, string>>(text.split('\n').slice(4).join('\n'), { header: true }).data;
  expect(log.find((row) => row['pictures'] === 'photo-0001, photo-0002')!['what']).toContain('The back is proud by a hair, "again"');
});

test.each<[string, () => Uint8Array, string]>([
  ['no project in it', () => zipSync({ 'other.json': strToU8('{}') }), 'no-project'],
  ['a picture of a note missing', () => bundleZip({ project, photos: new Map([...photos].slice(1)) }), 'missing-picture'],
  ['a project of nonsense', () => zipSync({ 'project.carcass.json': strToU8('{"format":"x"}') }), 'not-a-project'],
  ['JSON a thousand deep', () => zipSync({ 'project.carcass.json': strToU8('['.repeat(1000)) }), 'too-deep'],
  ['a bomb', () => zipSync({ 'project.carcass.json': new Uint8Array(300_000_000) }), 'unfolds'],
  ['the same file twice', () => twice(), 'unfolds'],
])('%s is refused in words', (_, make, code) => {
  const read = readBundle(make());
  expect(read.ok ? 'read' : read.problem.code).toBe(code);
});

/** Two files of one name: which one is meant nobody can tell. */
function twice(): Uint8Array {
  const one = zipSync({ 'project.carcass.json': strToU8('{}') }, { level: 0 });
  const local = one.subarray(0, one.length - 22 - (46 + 'project.carcass.json'.length));
  return Uint8Array.from([...local, ...one]);
}

test('spoiled bundles: what is read is whole, the rest is refused in words', () => {
  fc.assert(
    fc.property(spoiled(good), (bytes) => {
      const read = readBundle(bytes);
      if (!read.ok) {
        for (const words of Object.values(read.problem)) expect(words).not.toBe('');
        return;
      }
      const written = writeProjectText(read.value.project);
      expect(writeProjectText(valueOf(readProjectFile(written)))).toBe(written);
    }),
    { numRuns: 300 },
  );
});
