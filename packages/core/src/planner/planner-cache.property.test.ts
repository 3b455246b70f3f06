/** The planner keeps what an edit leaves alone: whatever is edited, in any order, its plan is the one made from nothing. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered, enteredFromNm, type Entered } from '../length/entered.ts';
import { applyEdit, valueAt } from '../model/edit.ts';
import type { Design } from '../model/design.ts';
import type { NewFact, RecordEntry } from '../model/record.ts';
import type { Workshop } from '../model/workshop.ts';
import type { ProjectFile } from '../formats/project-file.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';
import backWall from '../../../../examples/print-room-back.carcass.json' with { type: 'json' };
import { familyOf } from '../cabinets/families.ts';
import { planJson } from '../formats/plan-json.ts';
import { readProject } from '../formats/project-file.ts';
import type { HangInput } from '../hang/hang-input.ts';
import { furnishedRoom, printRoom, typed } from '../test/print-room.ts';
import { createPlanner, plan, type Plan } from './plan.ts';

/** Panels and connections once more under other names. */
const AGAIN = new Set(['byId', 'asGuest', 'asHost']);

/** All a plan says, as text. */
const textOf = (made: Plan): string =>
  JSON.stringify([made.cabinets, made.unplanned, made.rails, made.parts, made.findings], (key, value: unknown) => {
    if (AGAIN.has(key)) return undefined;
    if (key === 'hangInput') {
      const { studsMm, neighbours, railFault, wall } = value as HangInput;
      return { studsMm, neighbours, railFault, wall };
    }
    return value instanceof Map ? [...value] : value instanceof Set ? [...value] : value === Infinity ? 'Infinity' : value;
  });

const isEntered = (value: unknown): value is Entered => typeof value === 'object' && value !== null && 'nm' in value && 'text' in value;

/** Paths to every length, number, switch and name of a document. */
function leavesOf(node: unknown, path: readonly string[] = []): (readonly string[])[] {
  if (isEntered(node) || typeof node === 'number' || typeof node === 'boolean') return [path];
  if (typeof node === 'string') return path.at(-1) === 'name' ? [path] : [];
  if (typeof node !== 'object' || node === null || Array.isArray(node)) return [];
  return Object.entries(node).flatMap(([key, value]) => leavesOf(value, [...path, key]));
}

function changed(value: unknown, by: number): unknown {
  if (isEntered(value)) return enteredFromNm(Math.round((value.nm * (1 + by / 20)) / 1e5) * 1e5);
  if (typeof value === 'boolean') return !value;
  return typeof value === 'number' ? Math.max(0, value + by) : `${String(value)} ${by}`;
}

type Change = (project: ProjectFile, pick: number, by: number) => ProjectFile;

const FACTS: readonly NewFact[] = [
  { kind: 'note', note: { text: 'the door sticks', photos: [], nextTime: false } },
  { kind: 'thickness', reading: { product: 'birch-18', value: entered('17.6 mm') } },
  { kind: 'as-cut', asCut: { panel: 'ink/shelf/s1', length: entered('640 mm') } },
  { kind: 'opening', opening: { space: 'ink/bottom', width: entered('661 mm') } },
  { kind: 'hung', hung: { unit: 'ink', asked: entered('1400 mm'), came: entered('1398 mm'), allowed: entered('0 mm') } },
  { kind: 'step', done: { step: 'ink/glue/back', kind: 'glue' } },
  { kind: 'test-cut', testCut: { cutter: 'stack', thick: entered('18 mm'), came: entered('18.3 mm') } },
];

const CHANGES: readonly Change[] = [
  (project, pick, by) => {
    const leaves = leavesOf(project.design);
    const path = leaves[pick % leaves.length]!;
    return { ...project, design: applyEdit(project.design, [{ path, value: changed(valueAt(project.design, path), by) }]) };
  },
  (project, pick, by) => {
    const specs = leavesOf(project.design.units, ['units']);
    const path = specs[pick % specs.length]!;
    return { ...project, design: applyEdit(project.design, [{ path, value: changed(valueAt(project.design, path), by) }]) };
  },
  (project, pick) => {
    const entry: RecordEntry = { id: `new-${project.record.length}-${pick}`, at: '2026-03-01T10:00:00Z', ...FACTS[pick % FACTS.length]! };
    return { ...project, record: [...project.record, entry] };
  },
  (project, pick) => {
    const withdraws = project.record[pick % Math.max(1, project.record.length)]?.id ?? 'none';
    return { ...project, record: [...project.record, { id: `back-${project.record.length}`, at: '2026-03-01T10:00:00Z', kind: 'withdrawn', withdraws }] };
  },
  (project, pick, by) => {
    // The workshop is set at a path as a design is.
    const holder = { units: project.workshop } as unknown as Design;
    const leaves = leavesOf(holder.units, ['units']);
    const path = leaves[pick % leaves.length]!;
    const next = applyEdit(holder, [{ path, value: changed(valueAt(holder, path), by) }]);
    return { ...project, workshop: next.units as unknown as Workshop };
  },
];

const anyChanges = fc.array(fc.tuple(fc.nat(CHANGES.length - 1), fc.nat(100_000), fc.integer({ min: -3, max: 3 })), { minLength: 1, maxLength: 6 });

describe.each([
  ['the print room', printRoom, 40],
  ['the same with all that is in it', furnishedRoom, 12],
] as const)('%s', (_name, start, numRuns) => {
  test('planned edit by edit and planned from nothing are one plan', () => {
    fc.assert(
      fc.property(anyChanges, (changes) => {
        const planner = createPlanner();
        let project = start();
        planner.plan(project.design, project.record, project.workshop);
        for (const [which, pick, by] of changes) project = CHANGES[which]!(project, pick, by);
        const { design, record, workshop } = project;
        expect(textOf(planner.plan(design, record, workshop))).toBe(textOf(plan(design, record, workshop)));
      }),
      { numRuns },
    );
  });
});

/** Values a field can be changed to: the other options of a choice, another length or number, the other way of a switch. */
function otherValues(spec: CabinetSpec, path: readonly string[], value: unknown): readonly unknown[] {
  const field = familyOf(spec).form.fields.find((each) => each.path.join('.') === path.join('.'));
  if (field?.kind === 'choice') return field.options.filter((option) => option !== value);
  return isEntered(value) || typeof value === 'number' || typeof value === 'boolean' ? [changed(value, 1)] : [];
}

describe('each field of a cabinet alone', () => {
  const rooms = [furnishedRoom(), readProject(backWall)];
  const specs = rooms.flatMap(({ design, record, workshop }) => Object.values(design.units).map((spec) => ({ design, record, workshop, spec })));
  const pocketed = specs[0]!.spec;
  const cases = [
    ...specs.map((each) => [each.spec.name, each] as const),
    [
      'with pocket screws',
      { ...specs[0]!, spec: { ...pocketed, assembly: { ...pocketed.assembly, by: 'pockets' as const, perJoint: 2, pocketsOn: 'hidden' as const } } },
    ] as const,
  ];

  test.each(cases)('%s: what it changes is seen', (_name, { design, record, workshop, spec }) => {
    const alone: Design = { ...design, units: { [spec.id]: spec } };
    const all = [...leavesOf(spec), ...familyOf(spec).form.fields.flatMap(({ kind, path }) => (kind === 'choice' ? [path] : []))];
    // One of each member; all of those the geometry does not read, and of its height, which pocket holes do.
    const paths = all.filter(([member], index) => member === 'place' || all.findIndex(([first]) => first === member) === index);
    const planner = createPlanner();
    for (const path of paths) {
      const at = ['units', spec.id, ...path];
      // A field of a part the cabinet does not have.
      if (valueAt(alone, at) === undefined) continue;
      for (const value of otherValues(spec, path, valueAt(alone, at)).slice(0, 1)) {
        const next = applyEdit(alone, [{ path: at, value }]);
        planner.plan(alone, record, workshop);
        const [kept, fresh] = [planner.plan(next, record, workshop), plan(next, record, workshop)].map((made) => JSON.stringify(planJson(made, next)));
        expect([path.join('.'), kept]).toEqual([path.join('.'), fresh]);
      }
    }
  });
});

test('pocket holes change sides with the height a cabinet hangs at: its geometry is made anew', () => {
  const { design, record, workshop } = printRoom();
  const pocketed = applyEdit(design, [
    { path: ['units', 'ink', 'assembly', 'by'], value: 'pockets' },
    { path: ['units', 'ink', 'assembly', 'perJoint'], value: 2 },
    { path: ['units', 'ink', 'bottom', 'joint'], value: 'butt' },
  ]);
  const planner = createPlanner();
  const pockets = (up: string): string[] =>
    planner
      .plan(applyEdit(pocketed, [{ path: ['units', 'ink', 'place', 'up'], value: entered(up) }]), record, workshop)
      .parts.filter(({ unit }) => unit === 'ink')
      .flatMap(({ id, features }) => features.filter(({ purpose }) => purpose === 'pocket').map(({ face }) => `${id} ${face}`));
  const [low, high] = [pockets('200 mm'), pockets('2400 mm')];
  expect(low.length).toBeGreaterThan(0);
  expect(high).toHaveLength(low.length);
  expect(high).not.toEqual(low);
});

describe('what a change leaves alone', () => {
  const { design, record, workshop } = printRoom();
  const planner = createPlanner();
  const again = (next: Partial<ProjectFile>): Plan => {
    planner.plan(design, record, workshop);
    return planner.plan(next.design ?? design, next.record ?? record, next.workshop ?? workshop);
  };
  const entry = (fact: NewFact): RecordEntry[] => [...record, { id: 'added', at: '2026-03-01T10:00:00Z', ...fact }];
  const priced = (price: number): Workshop => ({
    ...workshop,
    products: { ...workshop.products, 'birch-18': { ...workshop.products['birch-18']!, price } },
  });

  test('nothing at all: the same plan', () => expect(again({})).toBe(planner.plan(design, record, workshop)));
  test('a note, a price, a currency: every cabinet', () => {
    const { cabinets } = again({});
    for (const next of [{ record: entry(FACTS[0]!) }, { workshop: priced(99) }, { workshop: { ...workshop, currency: 'crowns' } }, { record: [...record] }])
      again(next).cabinets.forEach((each, index) => expect(each).toBe(cabinets[index]));
  });
  test('a price where a part is cut wrong: all but what the part costs again', () => {
    const short = entry({ kind: 'as-cut', asCut: { panel: 'ink/shelf/s1', length: entered('500 mm') } });
    const pieces = {};
    const costs = (price: number): unknown[] =>
      planner
        .plan(design, short, { ...priced(price), pieces })
        .byId.get('ink')!
        .findings.flatMap(({ fixes }) => fixes.flatMap(({ label }) => (label.key === 'remake-part' ? [label.number] : [])));
    const cheap = costs(10) as number[];
    expect(cheap).toHaveLength(1);
    expect((costs(1000) as number[])[0]! / cheap[0]!).toBeCloseTo(100, 0);
  });
  test('a load: geometry and cut list', () => {
    const before = again({}).byId.get('ink')!;
    const loaded = again({ design: applyEdit(design, [{ path: ['units', 'ink', 'topLoaded'], value: true }]) }).byId.get('ink')!;
    expect(loaded.cabinet).toBe(before.cabinet);
    expect(loaded.parts).toBe(before.parts);
  });
  test('a part that was cut: the other cabinets', () => {
    const before = again({});
    const cut = again({ record: entry(FACTS[2]!) });
    expect(cut.byId.get('ink')).not.toBe(before.byId.get('ink'));
    expect(cut.byId.get('type')).toBe(before.byId.get('type'));
  });
  test('a width: the geometry of the others', () => {
    const before = again({});
    const wider = again({ design: applyEdit(design, [typed('width', '710 mm')]) });
    expect(wider.byId.get('type')!.cabinet).toBe(before.byId.get('type')!.cabinet);
    expect(wider.byId.get('ink')).not.toBe(before.byId.get('ink'));
  });
});
