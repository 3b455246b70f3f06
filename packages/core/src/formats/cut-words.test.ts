/** A cut as it is read at the saw: what to set, what comes off, what to mind. */
import { describe, expect, test } from '@jest/globals';
import type { CutStep } from '../sawing/pieces.ts';
import { sequenceOf } from '../sawing/sequence.ts';
import { mm } from '../length/length.ts';
import { search } from '../nesting/search.ts';
import { handHeldShop, defaultShop } from '../stock/shop.ts';
import { job, part, sheet } from '../test/nest-job.ts';
import { cutWords, type CutWords } from './cut-words.ts';
import type { Shop } from '../model/shop.ts';

/** The cuts of a few parts out of one sheet, in words. */
function wordsOf(
  shop: Shop,
  parts = [part('side', 820, 280, 2, { grain: 'length' }), part('strip', 700, 20)],
  size: readonly [number, number] = [2440, 1220],
  trim = 5,
): { step: CutStep; words: CutWords }[] {
  const problem = job([sheet('S', size[0], size[1], { grain: 'length' })], parts, 3.2, trim);
  const stepper = search(problem);
  stepper.step(40);
  const sheets = stepper.plan().sheets.map((nested) => ({ problem, kind: problem.sheets[0]!, nested, thick: mm(18), kgPerM2: 12 }));
  const context = { markOf: (id: string) => `mark of ${id}`, unit: 'mm' as const, sheets: sheets.length };
  return sequenceOf(sheets, shop).steps.map((step) => ({ step, words: cutWords(step, context) }));
}

describe('at a saw bench', () => {
  const all = wordsOf(defaultShop());

  test('every cut says a machine with its setting, what stays and what falls', () => {
    for (const { words } of all) {
      expect(words.set).toMatch(/^(Table saw|Circular saw on a guide|Miter saw)[,:]/);
      expect([words.what, words.stays, words.falls].every((text) => text.length > 8)).toBe(true);
    }
  });

  test('an edge is trimmed before anything is measured from it, and that is what it says', () => {
    expect(all[0]!.step.purpose).toBe('trim');
    expect(all[0]!.words).toMatchObject({
      what: expect.stringMatching(/^Trim the (long|short) near edge of the sheet, 2440 × 1220 mm: the cut is measured from it\.$/),
      falls: 'the edge, as narrow as it is',
    });
    expect(all[0]!.words.set).toContain('just enough off to leave a clean straight edge');
  });

  test('a part that comes off is named by its mark, to be written on it', () => {
    const off = all.filter(({ step }) => step.near.part === 'side' || step.far?.part === 'side');
    expect(off).toHaveLength(2);
    for (const { step, words } of off)
      expect(step.near.part === 'side' ? words.stays : words.falls).toBe('mark of side, 820 × 280 mm: a part, write its mark on it');
  });

  test('a thin strip falls free, and one is told where to stand', () => {
    const thin = all.filter(({ step }) => step.way?.hazard === 'thin-falls');
    expect(thin.length).toBeGreaterThan(0);
    for (const { words } of thin) expect(words.cautions.join()).toMatch(/strip of .* mm falls free on the side away from the fence: stand beside it/);
  });

  test('a piece too short to hold near a blade is clamped', () => {
    const [cut] = wordsOf(defaultShop(), [part('block', 140, 90)], [280, 200], 0);
    expect(cut!.step.way!.hazard).toBe('short-piece');
    expect(cut!.words.cautions.join()).toMatch(/^The piece is only 280 mm long: clamp it down/);
  });

  test('a whole sheet is told with its weight', () => {
    // 2.44 × 1.22 m of 12 kg/m².
    expect(all[0]!.words.cautions.join()).toContain('36 kg');
  });
});

test('with a saw on a guide it is the line from the edge that is set', () => {
  const cuts = wordsOf(handHeldShop(), [part('side', 820, 280)], [1200, 600]).filter(({ step }) => step.purpose !== 'trim');
  expect(cuts.length).toBeGreaterThan(0);
  for (const { words } of cuts) expect(words.set).toMatch(/^Circular saw on a guide: the line .* from the near (long edge|end)$/);
});

test('where no saw makes it, that is said in place of a setting', () => {
  const { 'hand-drill': drill } = defaultShop().machines;
  const [first] = wordsOf({ ...defaultShop(), machines: { 'hand-drill': drill! } }, [part('side', 820, 280)], [1200, 600], 0);
  expect(first!.words.set).toBe('No saw in the shop makes this cut');
});

test('of several sheets each cut says which', () => {
  const many = wordsOf(defaultShop(), [part('side', 2300, 1100, 2)]);
  expect(new Set(many.map(({ words }) => /sheet \d/.exec(words.what)?.[0]))).toEqual(new Set(['sheet 1', 'sheet 2']));
});
