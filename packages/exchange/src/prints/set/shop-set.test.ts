/** The shop set: nothing on it is cut or covered, and what it says is what the plan says, read by another program. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, describe, expect, test } from '@jest/globals';
import { plan, readProjectFile, tapeText, toMm, type ProjectFile } from '@keen/core';
import { picturesPdf } from '../pictures-pdf.ts';
import type { PaperId } from '../paper.ts';
import type { SheetPicture } from '../sheet-picture.ts';
import { boxOf, type Box } from './canvas.ts';
import { shopSet, type SetProgress } from './shop-set.ts';

const EXAMPLES = fileURLToPath(new URL('../../../../../examples/', import.meta.url));

function example(name: string): ProjectFile {
  const read = readProjectFile(readFileSync(join(EXAMPLES, `${name}.carcass.json`), 'utf8'));
  if (!read.ok) throw new Error(read.problem.message);
  return read.value;
}

const setOf = (name: string, paper: PaperId, display: 'in' | 'mm', units: readonly string[] = []): SheetPicture[] =>
  shopSet({ project: example(name), units, paper, display, revision: 'revision 3' });

/** Of what is printed, what the reader's eye would call one word on another, mm. */
const TOUCHING_MM = 0.05;

const crossed = (a: Box, b: Box): boolean =>
  a.x + TOUCHING_MM < b.x + b.width && b.x + TOUCHING_MM < a.x + a.width && a.y + TOUCHING_MM < b.y + b.height && b.y + TOUCHING_MM < a.y + a.height;

/** Every pair of words that stand on one another, and every word that runs off its page. */
function faults(pages: readonly SheetPicture[]): string[] {
  return pages.flatMap(({ patches, width, height, title }, index) => {
    const words = patches.flatMap((patch) => patch.words).map((word) => ({ text: word.text, box: boxOf(word) }));
    const where = `page ${index + 1}, ${title}`;
    const off = words
      .filter(({ box }) => box.x < 9.9 || box.y < 9 || box.x + box.width > width - 9.9 || box.y + box.height > height - 9.9)
      .map(({ text }) => `${where}: '${text}' runs off`);
    const on = words.flatMap((a, n) => words.slice(n + 1).flatMap((b) => (crossed(a.box, b.box) ? [`${where}: '${a.text}' on '${b.text}'`] : [])));
    // Lines too, but those that are cut at the window of a drawing.
    const lines = patches.filter(({ clip }) => clip === null).flatMap(({ strokes }) => strokes.flatMap(({ points }) => points));
    const out = lines.filter(({ x, y }) => x < 9.5 || y < 9 || x > width - 9.5 || y > height - 9).length;
    return [...off, ...on, ...(out > 0 ? [`${where}: ${out} corners of lines off the page`] : [])];
  });
}

describe('no text is cut or stands on another', () => {
  const cases: readonly (readonly [string, PaperId, 'in' | 'mm'])[] = [
    ['print-room', 'a4', 'in'],
    ['print-room', 'tabloid', 'mm'],
    ['print-room-back', 'letter', 'mm'],
    ['print-room-back', 'a3', 'in'],
    ['type-store', 'a4', 'mm'],
  ];
  test.each(cases)('%s on %s, in %s', (name, paper, display) => {
    expect(faults(setOf(name, paper, display))).toEqual([]);
  });
});

const folder = mkdtempSync(join(tmpdir(), 'keen-set-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** What another program reads of a PDF, page by page. */
function readPages(pdf: Uint8Array, name: string): string[] {
  const file = join(folder, `${name}.pdf`);
  writeFileSync(file, pdf);
  return execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8', maxBuffer: 64e6 }).split('\f').slice(0, -1);
}

describe('what is on it', () => {
  const project = example('print-room');
  const made = plan(project.design, project.record, project.workshop);
  const heard: SetProgress[] = [];
  const pages = shopSet({ project, units: [], paper: 'a4', display: 'mm', revision: 'revision 3' }, (progress) => heard.push(progress));

  test('every page says which of how many it is, of what, in which state; all parts with their sizes are in the cut list', async () => {
    const read = readPages(await picturesPdf(pages, project.design.name), 'all');
    expect(read.length).toBe(pages.length);
    read.forEach((text, index) => {
      expect(text).toContain(`page ${index + 1} of ${pages.length}`);
      expect(text).toContain(project.design.name);
      expect(text).toContain('revision 3');
    });
    const list = read.filter((text) => /^\s*cut list/.test(text)).join('\n');
    for (const { mark, count, length, width } of made.parts) {
      const row = list.split('\n').find((line) => new RegExp(`^\\s*${mark.replace('.', '\\.')}\\s`).test(line));
      expect(`${mark}: ${row}`).toMatch(new RegExp(`\\s${count}\\s.*\\s${tapeText(length.value, 'mm')}\\s.*${tapeText(width.value, 'mm')}`));
    }
    const words = read.join('\n');
    for (const { letter, name } of made.cabinets) expect(words).toContain(`${letter} ${name}: hanging`);
  });

  test('the font goes with it, and names in other scripts are read as they were typed', async () => {
    const named = { ...project, design: { ...project.design, name: 'Шкаф № 3, Ω, šuplík ½, Κουτί' } };
    const set = shopSet({ project: named, units: ['ink'], paper: 'a4', display: 'mm', revision: 'revision 3' });
    const read = readPages(await picturesPdf(set.slice(0, 2), named.design.name), 'scripts');
    for (const page of read) expect(page).toContain(named.design.name);
    const fonts = execFileSync('pdffonts', [join(folder, 'scripts.pdf')], { encoding: 'utf8' })
      .trim()
      .split('\n')
      .slice(2);
    expect(fonts).toHaveLength(2);
    // Embedded, and with what says which letters its glyphs are.
    for (const font of fonts) expect(font).toMatch(/\syes\s+(yes|no)\s+yes\s/);
  });

  test('contents lead to where the chapters are', async () => {
    const read = readPages(await picturesPdf(pages, 'set'), 'contents');
    const listed = [...read[0]!.matchAll(/(shopping list|cut list|setups|the build, step by step)\s+(\d+)/g)];
    expect(listed.map(([, title]) => title)).toEqual(['shopping list', 'cut list', 'setups', 'the build, step by step']);
    for (const [, title, page] of listed) expect(read[Number(page) - 1]).toMatch(new RegExp(`^\\s*${title}`));
  });

  test('says what it is at, from the first to the last', () => {
    expect(heard.map(({ done }) => done)).toEqual(heard.map((_, index) => index));
    expect(new Set(heard.map(({ of }) => of))).toEqual(new Set([heard.length]));
    expect(heard.map(({ doing }) => doing)).toContain('A Ink cupboard');
  });

  test('a front is to the scale it names', () => {
    const page = pages.find(({ title }) => title === 'A Ink cupboard: front')!;
    const words = page.patches.flatMap((patch) => patch.words).find(({ text }) => /^front.*1 : /.test(text))!;
    const times = Number(/1 : ([\d.]+)$/.exec(words.text)![1]);
    const side = made.cabinets[0]!.cabinet.panels.find(({ role }) => role === 'side')!;
    const high = toMm(side.length.value) / times;
    const outlines = page.patches.flatMap((patch) => patch.strokes).filter(({ closed, fill }) => closed && fill === 1);
    const heights = outlines.map(({ points }) => Math.max(...points.map(({ y }) => y)) - Math.min(...points.map(({ y }) => y)));
    expect(heights.some((each) => Math.abs(each - high) < 0.01)).toBe(true);
  });

  test('of one cabinet: its own pages, parts and steps', () => {
    const [first] = made.cabinets;
    const own = shopSet({ project, units: [first!.id], paper: 'letter', display: 'in', revision: 'r' });
    const titles = own.map(({ title }) => title);
    expect(titles.some((title) => title.startsWith('B '))).toBe(false);
    const list = own.filter(({ title }) => title === 'cut list').flatMap(({ patches }) => patches.flatMap(({ words }) => words.map(({ text }) => text)));
    for (const { mark, unit } of made.parts) expect(`${mark} ${list.includes(mark)}`).toBe(`${mark} ${unit === first!.id}`);
    expect(() => shopSet({ project, units: ['nobody'], paper: 'a4', display: 'mm', revision: 'r' })).toThrow("no cabinet 'nobody'");
  });
});
