/** What must hold of any hanging, over random boxes on random walls. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { HangingChoice } from '../model/specs/spec-base.ts';
import { entered } from '../length/entered.ts';
import { arbitraryBox } from '../test/arbitrary-box.ts';
import { aloneBox, boxOf } from '../test/print-room.ts';
import type { Wall, WallFixing } from '../model/wall.ts';
import type { CabinetPlan } from '../planner/plan.ts';
import { analyzeHanging, analyzeHangingAt, type HangingAnalysis } from './hang.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';

/** Studs the box can reach, from its left end in mm: two to four, no two in one place. */
const studs = fc.uniqueArray(fc.integer({ min: 40, max: 1300 }), { minLength: 2, maxLength: 4, selector: (at) => Math.round(at / 30) });
const reached = (at: readonly number[], { cabinet }: CabinetPlan): number[] =>
  at.filter((mm) => mm > 30 && mm < cabinet.outside.width.value / 1e6 - 30).sort((a, b) => a - b);
const onStuds = ({ hangInput }: CabinetPlan, studsMm: readonly number[], ground: Partial<Wall> = {}) => ({
  ...hangInput,
  studsMm,
  wall: { ...hangInput.wall, ...ground },
});
/** Timber, sound and light metal studs, rated and unrated plugs, rated anchors. */
const { wall: timber } = aloneBox(boxOf()).hangInput;
const fixed = (more: Partial<WallFixing>): WallFixing => ({ ...timber.fixing, ...more });
const grounds = fc.constantFrom<Partial<Wall>>(
  {},
  { structure: 'metal-studs', fixing: fixed({ metal: entered('1.2 mm') }) },
  { structure: 'metal-studs' },
  { structure: 'brick', fixing: fixed({ plug: '10mm', pullN: 3000, shearN: 4000 }) },
  { structure: 'hollow-block' },
  { fixing: fixed({ into: 'covering', pullN: 900, shearN: 1200 }) },
);
/** Whole cleats, brackets, a notched half, plates, straight through. */
const ways = fc.constantFrom<Partial<HangingChoice>>(
  {},
  { brackets: { count: 2, length: entered('40 mm') } },
  { brackets: { count: 3, length: entered('60 mm') } },
  { notch: { at: entered('90 mm'), length: entered('60 mm'), depth: entered('15 mm') } },
  { kind: 'plates', rail: entered('90 mm'), plate: { ratedKg: 25, proud: entered('3 mm') } },
  { kind: 'through', rail: entered('90 mm') },
);
const hungBy = (box: ShelfBox, way: Partial<HangingChoice>): ShelfBox => ({
  ...box,
  hanging: { ...box.hanging, kind: 'outside', wallRail: null, lowerCleat: null, ...way },
});
const usesOf = ({ links }: HangingAnalysis): Map<string, number> => new Map(links.map(({ id, use }) => [id, use.value]));
const RUNS = { numRuns: 60 };

test('more in it uses no link less: what stands far back may be missing when somebody opens the doors', () => {
  fc.assert(
    fc.property(
      arbitraryBox,
      studs,
      grounds,
      ways,
      fc.double({ min: 0, max: 3, noNaN: true }),
      fc.double({ min: 0.01, max: 2, noNaN: true }),
      (box, at, ground, way, factor, more) => {
        const made = aloneBox(hungBy(box, way));
        const input = onStuds(made, reached(at, made), ground);
        const [less, greater] = [usesOf(analyzeHangingAt(input, factor)), usesOf(analyzeHangingAt(input, factor + more))];
        for (const [id, use] of less) expect(greater.get(id)!).toBeGreaterThanOrEqual(use - 1e-9);
      },
    ),
    RUNS,
  );
});

test('more screws use no link more', () => {
  const screws = fc.record({ upper: fc.integer({ min: 1, max: 3 }), lower: fc.integer({ min: 0, max: 2 }), cabinet: fc.integer({ min: 2, max: 8 }) });
  const more = fc.constantFrom('upper' as const, 'lower' as const, 'cabinet' as const);
  const screwed = (box: ShelfBox, { upper, lower, cabinet }: { upper: number; lower: number; cabinet: number }): ShelfBox => ({
    ...box,
    hanging: {
      ...box.hanging,
      wallScrew: { ...box.hanging.wallScrew, upper, lower },
      cabinetScrew: { ...box.hanging.cabinetScrew, count: cabinet },
    },
  });
  fc.assert(
    fc.property(arbitraryBox, studs, grounds, ways, screws, more, (plain, at, ground, way, few, which) => {
      const box = hungBy(plain, way);
      const made = aloneBox(screwed(box, few));
      const studsMm = reached(at, made);
      const [less, greater] = [made, aloneBox(screwed(box, { ...few, [which]: few[which] + 1 }))].map((each) =>
        usesOf(analyzeHanging(onStuds(each, studsMm, ground))),
      );
      for (const [id, use] of less!) expect(greater!.get(id)!).toBeLessThanOrEqual(use + 1e-9);
    }),
    RUNS,
  );
});

test('the other way round: a door hinged at the other side and studs mirrored give the same, mirrored', () => {
  fc.assert(
    fc.property(arbitraryBox, studs, ways, (plain, at, way) => {
      // A notch is where it is: mirrored it would be elsewhere.
      const box = hungBy(plain, { ...way, notch: null });
      const [left, right] = (['door-left', 'door-right'] as const).map((front) => aloneBox({ ...box, front }));
      const wide = left!.cabinet.outside.width.value / 1e6;
      const studsMm = reached(at, left!);
      fc.pre(studsMm.length >= 2);
      const one = analyzeHanging(onStuds(left!, studsMm));
      const other = analyzeHanging(onStuds(right!, studsMm.map((mm) => wide - mm).reverse()));
      const shares = ({ studs: used }: HangingAnalysis): number[] => used.map(({ share }) => share.value);
      shares(one).forEach((share, n) => expect(shares(other).at(-1 - n)!).toBeCloseTo(share, 6));
      expect(other.state).toBe(one.state);
      expect(other.links[0]!.use.value / one.links[0]!.use.value).toBeCloseTo(1, 9);
    }),
    RUNS,
  );
});

test('a box typed in inches and the same in millimetres: the same verdict, link by link', () => {
  const parts = fc.tuple(fc.integer({ min: 32 * 12, max: 32 * 40 }), fc.integer({ min: 32 * 18, max: 32 * 40 }), fc.integer({ min: 32 * 6, max: 32 * 16 }));
  fc.assert(
    fc.property(arbitraryBox, parts, studs, (box, sizes, at) => {
      const [width, height, depth] = sizes.map((each) => entered(`${each}/32 in`));
      const [widthMm, heightMm, depthMm] = [width!, height!, depth!].map(({ nm }) => entered(`${nm / 1e6} mm`));
      const inches = aloneBox({ ...box, width: width!, height: height!, depth: depth! });
      const metric = aloneBox({ ...box, width: widthMm!, height: heightMm!, depth: depthMm! });
      const studsMm = reached(at, inches);
      const [one, other] = [inches, metric].map((each) => analyzeHanging(onStuds(each, studsMm)));
      expect(other!.state).toBe(one!.state);
      expect(usesOf(other!)).toEqual(usesOf(one!));
    }),
    RUNS,
  );
});

test('each way of sharing gives the studs all of the weight, no more and no less', () => {
  fc.assert(
    fc.property(arbitraryBox, studs, (box, at) => {
      const made = aloneBox(box);
      const { studs: used, weight } = analyzeHanging(onStuds(made, reached(at, made)));
      // A stud too near the end of the wall cleat takes no screw.
      fc.pre(used.length > 0);
      for (const way of ['share-simple', 'share-continuous', 'share-rigid']) {
        const shares = used.map(({ share }) => share.terms.find(({ label }) => label.key === way)?.value);
        if (shares.includes(undefined)) continue;
        expect(shares.reduce<number>((sum, share) => sum + share!, 0)).toBeCloseTo(weight.value, 6);
      }
    }),
    RUNS,
  );
});
