import { expect, test } from '@jest/globals';
import { applyEdit } from '../model/edit.ts';
import { entered } from '../length/entered.ts';
import { furnishedRoom } from '../test/print-room.ts';
import { changeWords } from './change-words.ts';

const { design } = furnishedRoom();
const said = (...edits: Parameters<typeof applyEdit>[1]): string[] => changeWords(design, applyEdit(design, edits), 'mm').changes.map(({ says }) => says);

test.each<[string, Parameters<typeof applyEdit>[1], string[]]>([
  ['a width', [{ path: ['units', 'ink', 'width'], value: entered('650 mm') }], ['Ink cupboard: outside width 700 mm → 650 mm.']],
  ['a choice', [{ path: ['units', 'ink', 'fit'], value: 'loose' }], ['Ink cupboard: fit push → loose.']],
  ['a cabinet that went', [{ path: ['units', 'type'], value: undefined }], ['Type-case box went.']],
  ['a switch of the project', [{ path: ['children'], value: !design.children }], [`Children can reach it ${design.children ? 'yes → no' : 'no → yes'}.`]],
  ['how it is built', [{ path: ['build', 'glue'], value: 'hide' }], ['How it is built, glue yellow → hide.']],
  ['nothing', [], []],
])('%s', (_, edits, words) => expect(said(...edits)).toEqual(words));

test('a shelf that came is told once, under its cabinet', () => {
  const { shelves } = design.units['ink'] as unknown as { shelves: Record<string, object> };
  const rows = changeWords(
    design,
    applyEdit(design, [{ path: ['units', 'ink', 'shelves'], value: { ...shelves, s9: { ...Object.values(shelves)[0], id: 's9' } } }]),
    'mm',
  );
  expect(rows.changes).toHaveLength(1);
  expect(rows.changes[0]).toMatchObject({ unit: 'ink', says: expect.stringMatching(/came/) });
});

test('many changes are counted after the first ones', () => {
  const items = Object.fromEntries(Array.from({ length: 5 }, (_, n) => [`x${n}`, { ...Object.values(design.items)[0]!, id: `x${n}` }]));
  expect(said({ path: ['items'], value: { ...design.items, ...items } })).toEqual(['What is held: 5 changes.']);
});
