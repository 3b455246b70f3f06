/** Spoiled files of each kind that can be opened: each is refused in words or read right, none throws, hangs or comes in by half. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import * as fc from 'fast-check';
import type { Outcome } from '../problem/problem.ts';
import { mutationsOf } from '../test/mutated.ts';
import { readContents } from './contents-csv.ts';
import { guessColumns, readForeign, readForeignTable } from './foreign-table.ts';
import { productsCsv, productsTable } from './products-table.ts';
import { thingsTable } from './things-table.ts';
import { starterWorkshop } from '../stock/catalogue.ts';
import { readNestProblemText } from './nest-problem.ts';
import { readProjectFile, writeProjectText } from './project-file.ts';
import { readWorkshop, workshopCodec } from './workshop-codec.ts';

/** The endurance runs try a hundred thousand (docs/endurance.md). */
const RUNS = { numRuns: 300 };
const example = readFileSync(new URL('../../../../examples/print-room.carcass.json', import.meta.url), 'utf8');
const CONTENTS = 'what,count,width (mm),depth,height (in),kg each\nInk tin,12,95,95,4 1/2,1.02\n"Roller, large",3,30,25.5cm,14,\n';
const FOREIGN = 'Article;Qty;Width cm;Depth (mm);Height [in];Weight (lb)\r\nInk tin;12;9,5;95;4 1/2;2,25\r\nBrayer;3;3;25,5 cm;1\' 2";3 lb 4 oz\r\n';
const NEST = JSON.stringify({
  kerf: '3.2mm',
  sheets: [{ id: 'A', length: '2440mm', width: '1220mm', grain: 'length' }],
  parts: [{ id: 'side', length: '23 1/2in', width: '300mm', count: 9, grain: 'length' }],
});

let n = 0;
const options = { unit: 'mm' as const, order: 1, newId: () => `n${(n += 1)}` };
const saidInWords = (read: Outcome<unknown>): void => {
  if (read.ok) return;
  const { code, message, where, accepted } = read.problem;
  for (const words of [code, message, where, accepted]) expect(words).not.toBe('');
};

test('project files: what is read can be written and read again, the same', () => {
  fc.assert(
    fc.property(mutationsOf(example), (text) => {
      const read = readProjectFile(text);
      saidInWords(read);
      if (!read.ok) return;
      const written = writeProjectText(read.value);
      const again = readProjectFile(written);
      expect(again.ok && writeProjectText(again.value)).toBe(written);
    }),
    RUNS,
  );
});

test('contents of our own', () => {
  fc.assert(
    fc.property(mutationsOf(CONTENTS), (text) => saidInWords(readContents(text, { ...options, titled: true }))),
    RUNS,
  );
});

test('tables of others: each row a thing or a fault', () => {
  fc.assert(
    fc.property(mutationsOf(FOREIGN), (text) => {
      const table = readForeignTable(text);
      saidInWords(table);
      if (!table.ok) return;
      const read = readForeign(thingsTable(options), table.value, guessColumns(thingsTable(options), table.value));
      saidInWords(read);
      if (read.ok) expect(read.value.rows.length + read.value.faults.length).toBe(table.value.rows.length);
    }),
    RUNS,
  );
});

test('price lists: what comes in can stand in a workshop', () => {
  const workshop = starterWorkshop();
  const kind = productsTable('mm', workshop.products);
  fc.assert(
    fc.property(mutationsOf(productsCsv(workshop.products)), (text) => {
      const table = readForeignTable(text);
      saidInWords(table);
      if (!table.ok) return;
      const read = readForeign(kind, table.value, guessColumns(kind, table.value));
      saidInWords(read);
      if (!read.ok) return;
      const products = { ...workshop.products, ...Object.fromEntries(read.value.rows.map((product) => [product.id, product])) };
      const whole = { ...workshop, products };
      expect(readWorkshop(workshopCodec.write(whole))).toEqual(whole);
    }),
    RUNS,
  );
});

test('nesting problems', () => {
  fc.assert(
    fc.property(mutationsOf(NEST), (text) => saidInWords(readNestProblemText(text))),
    RUNS,
  );
});
