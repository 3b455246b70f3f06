/** Contents as a table: out and in again, pasted from a spreadsheet, and every kind of nonsense. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { furnishedRoom } from '../test/print-room.ts';
import { arbitraryItem } from '../test/things.ts';
import { entered } from '../length/entered.ts';
import { contentsCsv, readContents } from './contents-csv.ts';
import { NOT_WORKED_OUT } from './table-rows.ts';
import type { Item } from '../model/item.ts';

const options = (unit: 'mm' | 'in' = 'mm') => {
  let n = 0;
  return { unit, order: 1, newId: () => `n${n++}` };
};
const read = (text: string, unit: 'mm' | 'in' = 'mm') => readContents(text, options(unit));
const problemOf = (text: string) => {
  const answer = read(text);
  return answer.ok ? undefined : answer.problem;
};
/** What a table keeps of an item: all but its id, its order, its places and the text of its lengths. */
const kept = ({ id: _id, order: _order, homes: _homes, ...item }: Item) =>
  JSON.parse(JSON.stringify(item, (_key, value: unknown) => (typeof value === 'object' && value !== null && 'nm' in value ? value.nm : value))) as unknown;

describe('out and in again', () => {
  test.each(['mm', 'in'] as const)('everything the print room holds comes back the same, in %s', (unit) => {
    const { items } = furnishedRoom().design;
    const answer = read(contentsCsv(items, unit), unit === 'mm' ? 'in' : 'mm');
    if (!answer.ok) throw new Error(JSON.stringify(answer.problem));
    const order = Object.values(items).sort((a, b) => a.order - b.order);
    expect(answer.value.items.map(kept)).toEqual(order.map(kept));
  });

  test('any item comes back, whatever its name', () => {
    fc.assert(
      fc.property(arbitraryItem('a'), fc.string({ minLength: 1, maxLength: 30 }), (item, name) => {
        const safe = name.replace(/[\r\n\u2028\u2029]/g, ' ').trim() || 'x';
        const answer = read(contentsCsv({ a: { ...item, name: safe } }, 'mm'));
        expect(answer.ok && answer.value.items.map(kept)).toEqual([kept({ ...item, name: safe })]);
      }),
    );
  });
});

describe('for a spreadsheet', () => {
  test('it says that it is UTF-8, and sizes and weights are plain numbers, in inches too', () => {
    const tin: Item = {
      ...Object.values(furnishedRoom().design.items)[0]!,
      name: 'Tin ½ full',
      width: entered('4 1/2 in'),
      height: entered('100 mm'),
      kg: 0.75,
    };
    const text = contentsCsv({ tin }, 'in');
    expect(text.startsWith('\uFEFFwhat,')).toBe(true);
    const row = text.split('\r\n')[1]!.split(',');
    expect([row[0], row[3], row[6]]).toEqual(['Tin ½ full', '4.5', '0.75']);
    // No decimal of an inch is a hundred millimeters: it stays as it was typed.
    expect(row[5]).toBe('100 mm');
  });

  test('a formula whose answer was not saved is told, not read as nothing', () => {
    const answer = readContents(`what,width,depth,height\ntin,3,4,${NOT_WORKED_OUT}`, { ...options(), titled: true });
    expect(answer).toMatchObject({ ok: false, problem: { message: NOT_WORKED_OUT, where: 'row 2, height' } });
  });
});

describe('pasted', () => {
  test('tabs without titles fill the columns from the first', () => {
    const answer = read('brayer\troll\t2\t60\t60\t260\nmallet\ttool\t1\t90\t2 1/2in\t27cm');
    expect(answer.ok && answer.value.items.map(({ name, kind, count, width, depth, height }) => [name, kind, count, width.nm, depth.nm, height.nm])).toEqual([
      ['brayer', 'roll', 2, 60e6, 60e6, 260e6],
      ['mallet', 'tool', 1, 90e6, 63.5e6, 270e6],
    ]);
  });
  test('titles may come in any order, with their own unit, and leave columns out', () => {
    const answer = read('height (in),what,count\n6 1/2,tin,3');
    expect(answer.ok && answer.value.items.map(({ name, height, count, width }) => [name, height.nm, count, width.nm])).toEqual([['tin', 165.1e6, 3, 100e6]]);
  });
  test('an outline is a few numbers', () => {
    const answer = read('what,outline\nfolder,0:22; 150:25; 190:6');
    expect(answer.ok && answer.value.items[0]!.profile.map(({ at, width }) => [at.nm, width.nm])).toEqual([
      [0, 22e6],
      [150e6, 25e6],
      [190e6, 6e6],
    ]);
  });
});

describe('nonsense is refused, with its place, and nothing is read', () => {
  test.each<[string, string, string, string]>([
    ['an empty file', '', 'empty', 'contents'],
    ['a count in words', 'what,count\ntin,many', 'cell', 'row 2, count'],
    ['half a tin', 'what,count\ntin,1.5', 'cell', 'row 2, count'],
    ['no name', 'what,count\n,2', 'cell', 'row 2, what'],
    ['a length without sense', 'what,width\ntin,wide', 'length', 'row 2, width'],
    ['a length of nothing', 'what,width\ntin,0', 'cell', 'row 2, width'],
    ['an unknown kind', 'what,kind\ntin,sphere', 'cell', 'row 2, kind'],
    ['an unknown column', 'what,colour\ntin,red', 'title', 'row 1, cell 2'],
    ['a column twice', 'what,count,count\ntin,1,2', 'title', 'row 1'],
    ['too many cells', `what,count\ntin,1,2,3`, 'too-many-cells', 'row 2'],
    ['an outline that goes back down', 'what,outline\nx,10:20; 5:20', 'cell', 'row 2, outline'],
    ['a quote that does not end', 'what,count\n"tin,1', 'csv', 'row 2'],
    ['mass below nothing', 'what,kg each\ntin,-1', 'cell', 'row 2, kg each'],
  ])('%s', (_name, text, code, where) => {
    const problem = problemOf(text);
    expect(problem?.where).toBe(where);
    expect(problem?.accepted).not.toBe('');
    if (code !== 'length') expect(problem?.code).toBe(code);
  });

  test('a file without titles that are known, or without rows under them, is refused; cells that are pasted are not', () => {
    const options = { unit: 'mm' as const, order: 0, newId: () => 'x' };
    expect(readContents('tin\tblock', options).ok).toBe(true);
    expect(readContents('tin\tblock', { ...options, titled: true })).toMatchObject({ ok: false, problem: { code: 'title' } });
    expect(readContents('what,width,depth,height', { ...options, titled: true })).toMatchObject({ ok: false, problem: { code: 'empty' } });
    expect(readContents('what,width,depth,height\ntin,3,4,5', { ...options, titled: true }).ok).toBe(true);
    // What shelves are made by is not made up.
    expect(readContents('what,width,depth\ntin,3,4', { ...options, titled: true })).toMatchObject({
      ok: false,
      problem: { code: 'no-column', message: 'there is no column ‘height’' },
    });
  });

  test('more rows than a table may have', () => {
    expect(problemOf(`what\tcount\n${'tin\t1\n'.repeat(1001)}`)?.accepted).toBe('at most 1000');
  });

  test('any text at all is read or refused, never thrown on', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        const answer = read(text);
        expect(typeof answer.ok).toBe('boolean');
      }),
    );
  });
});
