/** A cupboard and its mirror image on a mirrored wall answer alike; more of the same contents never helps. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered } from '../length/entered.ts';
import { applyEdit, type EditStep } from '../model/edit.ts';
import { plan, type CabinetPlan } from '../planner/plan.ts';
import { mirrored } from '../proposals/rearrange.ts';
import { onWall } from '../test/check-case.ts';
import { ink, printRoom, typed } from '../test/print-room.ts';
import { analyzeHangingAt } from './hang.ts';

const { design, record, workshop } = printRoom();
const { stockOf } = plan(design, record, workshop);
const WIDTH = 700;
const LEFT = 895;

interface Lopsided {
  readonly left: number;
  readonly right: number;
  readonly divider: number;
  readonly kg: readonly [number, number];
  readonly studs: readonly number[];
}
const mm = (least: number, most: number) => fc.integer({ min: least, max: most });
const lopsided: fc.Arbitrary<Lopsided> = fc.record({
  left: mm(0, 160),
  right: mm(0, 160),
  divider: mm(120, 520),
  kg: fc.tuple(mm(0, 40), mm(0, 40)),
  studs: fc.uniqueArray(mm(0, 13), { minLength: 2, maxLength: 4 }).map((steps) => steps.map((step) => 20 + 50 * step)),
});

/** Studs that were probed, at these places from the cabinet's left end: both of any two count. */
const probed = (at: readonly number[]): EditStep[] => [
  onWall('studs.known', false),
  onWall(
    'studs.marks',
    Object.fromEntries(at.map((x, n) => [`m${n}`, { id: `m${n}`, regular: null, at: entered(`${LEFT + x} mm`), state: 'probed', gone: false }])),
  ),
];

const designOf = ({ left, right, divider, kg, studs }: Lopsided) =>
  applyEdit(design, [
    typed('hanging.leftInset', `${left} mm`),
    typed('hanging.rightInset', `${right} mm`),
    ink('shelves', {}),
    ink('dividers', { v1: { id: 'v1', order: 1, at: entered(`${divider} mm`), in: 'bottom', level: 0 } }),
    ink('contents', { bottom: { preset: 'tools', kg: kg[0] }, v1: { preset: 'tools', kg: kg[1] } }),
    ...probed(studs),
  ]);
const planned = (of: typeof design): CabinetPlan => plan(of, record, workshop).byId.get('ink')!;
/** Uses by kind, the most used first: the names of studs turn round with the wall. */
const uses = ({ hang }: CabinetPlan): (readonly [string, number])[] =>
  hang.links.map(({ kind, use }) => [kind, use.value] as const).sort((a, b) => (a[0] === b[0] ? b[1] - a[1] : a[0] < b[0] ? -1 : 1));
/** A back lies in its rabbets with all its play at one side, whichever way the cupboard is turned. */
const PLAY = 0.0005;

test('mirror images answer alike', () => {
  fc.assert(
    fc.property(lopsided, (each) => {
      const made = designOf(each);
      const twin = applyEdit(made, [...mirrored(made, 'ink', stockOf), ...probed(each.studs.map((x) => WIDTH - x))]);
      const [a, b] = [planned(made), planned(twin)];
      expect(b.hang.refusals.map(({ kind }) => kind)).toEqual(a.hang.refusals.map(({ kind }) => kind));
      const [right, left] = [uses(a), uses(b)];
      expect(left.map(([kind]) => kind)).toEqual(right.map(([kind]) => kind));
      right.forEach(([kind, use], n) => expect([kind, Math.abs(left[n]![1] - use) <= PLAY * use + 1e-6]).toEqual([kind, true]));
    }),
    { numRuns: 60 },
  );
});

/** The most used of each kind of link. */
const byKind = ({ links }: Pick<CabinetPlan['hang'], 'links'>): Map<string, number> => {
  const most = new Map<string, number>();
  for (const { kind, use } of links) most.set(kind, Math.max(use.value, most.get(kind) ?? 0));
  return most;
};
/** The worst filling is searched for along the places the center can come to, to within this share of the use. */
const SEARCHED = 1e-4;
const usesNoLess = (greater: Pick<CabinetPlan['hang'], 'links'>, less: Pick<CabinetPlan['hang'], 'links'>): void => {
  const grown = byKind(greater);
  for (const [kind, use] of byKind(less)) expect([kind, grown.get(kind)! >= use * (1 - SEARCHED)]).toEqual([kind, true]);
};

test('more of the same contents uses no link less', () => {
  fc.assert(
    fc.property(lopsided, mm(2, 30), (each, tenths) => {
      const { hangInput, hang } = planned(designOf(each));
      usesNoLess(analyzeHangingAt(hangInput, 1 + tenths / 10), hang);
    }),
    { numRuns: 60 },
  );
});

test('more in one bay alone clears no refusal and uses no link less', () => {
  fc.assert(
    fc.property(lopsided, mm(1, 40), fc.constantFrom(0, 1), (each, more, bay) => {
      const kg = each.kg.map((own, n) => (n === bay ? own + more : own)) as [number, number];
      const [less, greater] = [planned(designOf(each)), planned(designOf({ ...each, kg }))];
      usesNoLess(greater.hang, less.hang);
      const kinds = greater.hang.refusals.map(({ kind }) => kind);
      for (const { kind } of less.hang.refusals) expect(kinds).toContain(kind);
    }),
    { numRuns: 60 },
  );
});
