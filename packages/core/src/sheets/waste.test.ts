/** What became of the sheets of a project, by the cuts that were made. */
import { describe, expect, test } from '@jest/globals';
import { search } from '../nesting/search.ts';
import { starterWorkshop } from '../stock/catalogue.ts';
import { job as problemOf, part, sheet } from '../test/nest-job.ts';
import { furnishedRoom } from '../test/print-room.ts';
import type { SheetJob } from './cutting.ts';
import type { Design } from '../model/design.ts';
import { keptLayout, partsOff, progressOf } from './layouts.ts';
import { wasteOf } from './waste.ts';
import type { NewFact, RecordEntry } from '../model/record.ts';

const workshop = starterWorkshop();
const parts = ['a', 'b', 'c'].map((id) => part(id, 800, 280, 1, { grain: 'length' }));
const job: SheetJob = { product: 'birch-18', problem: problemOf([sheet('birch-18', 2440, 1220, { grain: 'length', cost: 60 })], parts, 3.2, 5) };
const layout = keptLayout(job, search(job.problem, 1).plan(), 'l1', 0);
const design: Design = { ...furnishedRoom().design, layouts: { l1: layout } };

let count = 0;
const entry = (fact: NewFact): RecordEntry => ({ id: `e${count++}`, at: '2026-03-01T10:00:00Z', ...fact });
const progress = progressOf(layout, [], workshop);
const sawn = progress.sequence.steps.map(({ id }) => entry({ kind: 'sawn', sawn: { layout: 'l1', cuts: [id], parts: partsOff(progress, id) } }));
const became = (record: readonly RecordEntry[]) => wasteOf(design, record, workshop);

describe('waste', () => {
  test('of a sheet that is not cut up whole is not told', () => {
    expect(became([])).toEqual([]);
    expect(became(sawn.slice(0, -1))).toEqual([]);
  });

  test('is what is neither part nor worth keeping, and adds up to the sheet', () => {
    const [row, ...more] = became(sawn);
    expect(more).toEqual([]);
    // 2.44 · 1.22; three parts of 0.8 · 0.28
    expect(row).toMatchObject({ product: 'birch-18', sheets: 1, sheetsM2: { value: expect.closeTo(2.9768, 6) }, partsM2: { value: expect.closeTo(0.672, 3) } });
    expect(row!.partsM2.value + row!.keptM2.value + row!.wasteM2.value).toBeCloseTo(row!.sheetsM2.value, 9);
    expect(row!.wasteM2.value).toBe(row!.plannedM2.value);
    // Most of a sheet is left over, and much of that is worth keeping.
    expect(row!.keptM2.value).toBeGreaterThan(1);
  });

  test('grows by a part that was spoiled', () => {
    const [row] = became([...sawn, entry({ kind: 'spoiled', spoiled: { layout: 'l1', part: 'b' } })]);
    // One of 0.8 · 0.28 less that can be used, and as much more waste than was planned.
    expect(row!.partsM2.value).toBeCloseTo(0.448, 3);
    expect(row!.wasteM2.value - row!.plannedM2.value).toBeCloseTo(0.224, 3);
  });

  test('of a kind of sheet the workshop no longer has is left aside', () => {
    const { 'birch-18': _gone, ...products } = workshop.products;
    expect(wasteOf(design, sawn, { ...workshop, products })).toEqual([]);
  });
});
