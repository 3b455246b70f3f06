import { expect, test } from '@jest/globals';
import { findingWords } from '../checks/words/findings.ts';
import { fixWords } from '../checks/words/fixes.ts';
import { search } from '../nesting/search.ts';
import { printRoom } from '../test/print-room.ts';
import { sheetJobs } from './cutting.ts';
import type { Design } from '../model/design.ts';
import { applyEdit, type Edit } from '../model/edit.ts';
import { offcutFirst } from './offcut-first.ts';
import { plan } from '../planner/plan.ts';

const { design, record, workshop } = printRoom();

/** The layout of the 18 mm sheets of a design, and the offcuts it leaves lying. */
function laid(of: Design, store = workshop) {
  const { parts } = plan(of, record, store);
  const job = sheetJobs(parts, store, { cutting: of.cutting, finished: new Set(), pins: of.pins }).find(({ product }) => product === 'birch-18')!;
  const stepper = search(job.problem);
  stepper.step(60);
  const nest = stepper.plan();
  return { nest, found: offcutFirst(job, nest, store, parts, of.pins) };
}

test('an offcut that is left lying is said with what it would give; the fix cuts that from it and no sheet more is bought', () => {
  const before = laid(design);
  expect(before.nest.sheets.map(({ sheet }) => sheet)).toEqual(['birch-18']);
  expect(before.found).toMatchObject([{ check: 'offcut-first', severity: 'look', piece: 'offcut 1' }]);
  const [finding] = before.found;
  expect(findingWords(finding!, 'mm').says).toMatch(/^Offcut 1, 880 mm by 410 mm, is in the store and would give A\d/);
  const [fix] = finding!.fixes;
  expect(fixWords(fix!.label, 'mm')).toMatch(/^Cut A\d from it$/);
  const after = laid(applyEdit(design, (fix as { edit: Edit }).edit));
  expect(after.found).toEqual([]);
  expect(after.nest.unplaced).toEqual([]);
  expect(after.nest.sheets.map(({ sheet }) => sheet).sort()).toEqual(['birch-18', 'offcut-1']);
  expect(after.nest.score.cost).toBe(before.nest.score.cost);
});

test('nothing is said of an offcut no part comes out of', () => {
  const small = { ...workshop.pieces['offcut-1']!, width: { text: '60 mm', nm: 60_000_000 as never } };
  expect(laid(design, { ...workshop, pieces: { 'offcut-1': small } }).found).toEqual([]);
});
