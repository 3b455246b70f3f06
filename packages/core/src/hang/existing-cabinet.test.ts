/** A cabinet that worries someone: each fault by itself is the link that goes first, and its repair is told and helps. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mm } from '../length/length.ts';
import { evaluate } from '../explained/explained-value.ts';
import { assessExisting, MISMATCHED_TIP, type ExistingCabinet } from './existing-cabinet.ts';

const sound: ExistingCabinet = {
  height: mm(700),
  depth: mm(280),
  emptyKg: 14,
  contentsKg: 25,
  floorKg: 12,
  covering: mm(12.5),
  studs: 2,
  perStud: 2,
  fixing: 'wood-screws',
  screw: '#10',
  screwLength: mm(80),
  cleat: 'birch-plywood',
  thickness: mm(18),
  shortFace: mm(65),
  wallBevelDeg: 45,
  cabinetBevelDeg: 45,
  upsideDown: false,
  spacer: true,
  locked: false,
  heldBy: 'screws',
  heldIn: 'rail',
  heldCount: 8,
  backMm: mm(6),
  bottom: 'between',
  bottomBy: 'dado',
  bottomCount: 0,
  glueOnFinish: false,
  lidHand: mm(0),
  lidTouch: mm(0),
};

test('a sound one has every link under its limit, and nothing is refused', () => {
  const { links, refusals } = assessExisting(sound);
  expect(refusals).toEqual([]);
  for (const { id, use, limit } of links) expect(`${id} ${use.value <= limit}`).toBe(`${id} true`);
});

describe('one fault', () => {
  test.each<[string, Partial<ExistingCabinet>, string, string]>([
    ['a cleat in the thin back alone', { heldIn: 'back' }, 'cabinet-half', 'rail-inside'],
    ['a cleat stapled on', { heldBy: 'staples' }, 'cabinet-half', 'rail-inside'],
    ['nails in the studs', { fixing: 'nails' }, 'wall-screws', 'wood-screws'],
    ['the bottom nailed under the sides', { bottom: 'under', bottomBy: 'nails', bottomCount: 6 }, 'bottom', 'screws-across'],
    ['the bottom glued on varnish', { bottomBy: 'butt-glue', glueOnFinish: true }, 'bottom', 'bare-wood'],
    ['a lid that levers on the ceiling', { lidHand: mm(420), lidTouch: mm(15) }, 'lid', 'lid-stop'],
  ])('%s goes first, and its repair helps', (_name, fault, first, repair) => {
    const worry = { ...sound, ...fault };
    const { links, repairs } = assessExisting(worry);
    expect(links[0]!.id).toBe(first);
    const told = repairs.find(({ id }) => id === repair);
    expect(told).toBeDefined();
    const after = assessExisting({ ...worry, ...told!.change }).links;
    expect(after.find(({ id }) => id === first)?.use.value ?? 0).toBeLessThan(links[0]!.use.value);
  });
  test.each<[string, Partial<ExistingCabinet>, string, string]>([
    ['wallboard alone', { studs: 0 }, 'no-stud', 'into-two-studs'],
    ['drywall screws', { fixing: 'drywall-screws' }, 'drywall-screws', 'wood-screws'],
    ['a cleat of MDF', { cleat: 'mdf' }, 'cleat-material', 'plywood-cleat'],
    ['short screws', { screwLength: mm(40) }, 'short-screw', 'wood-screws'],
    ['a hook that opens downwards', { upsideDown: true }, 'upside-down', 'same-bevel'],
    ['no spacer', { spacer: false }, 'no-spacer', 'spacer'],
  ])('%s is refused, and its repair takes that away', (_name, fault, reason, repair) => {
    const worry = { ...sound, ...fault };
    const { refusals, repairs } = assessExisting(worry);
    expect(refusals).toContain(reason);
    const told = repairs.find(({ id }) => id === repair)!;
    expect(assessExisting({ ...worry, ...told.change }).refusals).not.toContain(reason);
  });
});

test('bevels that do not match: the limit of docs/formulas/existing-cabinet.md', () => {
  expect(evaluate(MISMATCHED_TIP, { e: 215, t: 18, h: 620, θ: 40 }).value).toBeCloseTo(0.408, 3);
  const tipOf = (existing: ExistingCabinet): number => assessExisting(existing).links.find(({ id }) => id === 'tip')!.use.value;
  expect(tipOf({ ...sound, cabinetBevelDeg: 40 })).toBeGreaterThan(tipOf({ ...sound, wallBevelDeg: 40, cabinetBevelDeg: 40 }));
});

test('more in it never uses a link of it less; more screws never one more', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 80 }),
      fc.integer({ min: 1, max: 40 }),
      fc.integer({ min: 1, max: 3 }),
      fc.constantFrom<Partial<ExistingCabinet>>({}, { heldBy: 'nails' }, { bottomBy: 'screws', bottomCount: 4 }, { fixing: 'nails' }, { studs: 1 }),
      (contentsKg, more, perStud, fault) => {
        const worry = { ...sound, ...fault, contentsKg, perStud };
        const uses = (of: ExistingCabinet) => new Map(assessExisting(of).links.map(({ id, use }) => [id, use.value]));
        const [now, loaded, screwed] = [uses(worry), uses({ ...worry, contentsKg: contentsKg + more }), uses({ ...worry, perStud: perStud + 1 })];
        for (const [id, use] of now) {
          expect(loaded.get(id)!).toBeGreaterThanOrEqual(use - 1e-9);
          expect(screwed.get(id)!).toBeLessThanOrEqual(use + 1e-9);
        }
      },
    ),
  );
});
