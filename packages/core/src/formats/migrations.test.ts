/** Files of older versions: read as what they meant, step by step. */
import { describe, expect, test } from '@jest/globals';
import old from '../test/version-1.carcass.json' with { type: 'json' };
import second from '../test/version-2.carcass.json' with { type: 'json' };
import third from '../test/version-3.carcass.json' with { type: 'json' };
import fourth from '../test/version-4.carcass.json' with { type: 'json' };
import fifth from '../test/version-5.carcass.json' with { type: 'json' };
import sixth from '../test/version-6.carcass.json' with { type: 'json' };
import seventh from '../test/version-7.carcass.json' with { type: 'json' };
import eighth from '../test/version-8.carcass.json' with { type: 'json' };
import ninth from '../test/version-9.carcass.json' with { type: 'json' };
import tenth from '../test/version-10.carcass.json' with { type: 'json' };
import { isShelfBox } from '../cabinets/families.ts';
import { plan } from '../planner/plan.ts';
import { studCentres, studGravity } from '../wall/studs.ts';
import { designCodec } from './design-codec.ts';
import { guideReach, ripCapacity, widestKerf } from '../stock/shop.ts';
import { toMm } from '../length/length.ts';
import { liftDesign, liftWorkshop } from './migrations.ts';
import { readProject, VERSION } from './project-file.ts';
import { readWorkshop, workshopCodec } from './workshop-codec.ts';

describe('version 1', () => {
  const { design, record, workshop } = readProject(old);

  test('its wall keeps its numbers under their new names', () => {
    const { wall } = design;
    expect(wall.covering.text).toBe('12.5 mm');
    expect(wall.structure).toBe('timber-wallboard');
    expect(studCentres(wall).slice(0, 3)).toEqual([230e6, 635e6, 1040e6]);
    expect(studGravity(wall)).toBe(0.36);
    expect(wall.things).toEqual({});
  });

  test('its cabinets hang as they did: the same parts, loads and verdict', () => {
    const { byId } = plan(design, record, workshop);
    const cabinetPlan = byId.get('ink')!;
    expect(cabinetPlan.hang.links.every(({ use, fineTo }) => use.value <= fineTo)).toBe(true);
    // 22 and 18 kg entered; 75 kg/m² on 664.4 × 273.8 mm.
    expect(cabinetPlan.contentsKg).toBeCloseTo(40 + (75 * 664.4 * 273.8) / 1e6, 3);
    expect(cabinetPlan.parts.map(({ mark }) => mark)).toContain('A1');
    expect(design.units['ink']!.hanging.wallRail).toBeNull();
  });

  test.each([
    [0.67, 0.67],
    [0.6, 0.55],
    [0.5, 0.5],
    [0.46, 0.36],
    [0.35, 0.36],
  ])('studs of gravity %d become a species that is not denser, or the lightest there is', (gravity, now) => {
    const file = structuredClone(old) as typeof old;
    file.design.wall.studs.gravity = gravity;
    expect(studGravity(readProject(file).design.wall)).toBe(now);
  });

  test('a design kept apart from its file is lifted alike, and one of today is left as it is', () => {
    expect(designCodec.read(liftDesign(old.design, 1), 'held')).toEqual(design);
    const today = designCodec.write(design);
    expect(liftDesign(today, VERSION)).toEqual(today);
  });

  test('nonsense in an old file is still refused where it stands', () => {
    expect(() => readProject({ ...old, design: { ...old.design, wall: 'none' } })).toThrow(/wall/);
    expect(() => readProject({ ...old, design: 7 })).toThrow(/design/);
  });
});

describe('version 2', () => {
  const { design, record, workshop } = readProject(second);

  test('its shelf box is the box it was: the same panels, marks and verdict, nothing added', () => {
    const spec = design.units['ink']!;
    expect(isShelfBox(spec) && Object.values(spec.shelves).map(({ in: space, level, fixing }) => [space, level, fixing])).toEqual([
      ['bottom', 0, 'fixed'],
      ['bottom', 0, 'fixed'],
    ]);
    const cabinetPlan = plan(design, record, workshop).byId.get('ink')!;
    expect(cabinetPlan.parts.map(({ mark, count }) => [mark, count])).toEqual([
      ['A1', 1],
      ['A2', 1],
      ['A3', 2],
      ['A4', 2],
      ['A5', 1],
      ['A6', 1],
      ['A7', 1],
      ['A8', 1],
    ]);
    expect(cabinetPlan.hang.state).toBe('fine');
  });
});

describe('version 3', () => {
  const { design, record, workshop } = readProject(third);

  test('the figures of its one saw are those of the saws it has now, and nobody is given a stack', () => {
    const { shop } = workshop;
    expect([widestKerf(shop), ripCapacity(shop), guideReach(shop), shop.trim.nm].map(toMm)).toEqual([3.2, 760, 1300, 5]);
    expect(shop.liftsKg).toBe(20);
    expect(shop.stack).toBeNull();
    expect(shop.machines['table-saw']!.stack).toBeNull();
  });

  test('its cupboard is cut as it was', () => {
    const cabinetPlan = plan(design, record, workshop).byId.get('ink')!;
    expect(cabinetPlan.parts.map(({ count }) => count).reduce((a, b) => a + b)).toBeGreaterThan(7);
    expect(cabinetPlan.hang.state).toBe('fine');
  });

  test('a workshop kept apart from its file is lifted alike, and one of today is left as it is', () => {
    expect(readWorkshop(liftWorkshop(third.workshop, 3))).toEqual(workshop);
    const today = workshopCodec.write(workshop);
    expect(liftWorkshop(today, VERSION)).toEqual(today);
  });
});

describe('version 4', () => {
  const { design, record, workshop } = readProject(fourth);

  test('its units keep scrap behind their edges, in an order nobody has changed, in a shop that repeats as was assumed of it', () => {
    expect(Object.values(design.units).map(({ slotExit }) => slotExit)).toEqual(['backed']);
    expect([design.setupOrder, design.cutFrom]).toEqual([[], []]);
    expect(Object.values(workshop.shop.repeats).map(({ nm }) => toMm(nm))).toEqual([0.03, 0.1, 0.15, 0.15, 0.3]);
  });

  test('its parts are the parts they were', () => {
    const sizes = plan(design, record, workshop)
      .byId.get('ink')!
      .parts.map(({ mark, count, width }) => [mark, count, toMm(width.value)]);
    expect(sizes.slice(0, 2)).toEqual([
      ['A1', 1, 280],
      ['A2', 1, 280],
    ]);
  });
});

describe('version 5', () => {
  const { design, record, workshop } = readProject(fifth);

  test('its sheets are cut whichever way serves, nothing is settled, and what is worth keeping is as was assumed', () => {
    expect([design.cutting, design.layouts]).toEqual([{ first: 'any', then: 'settings' }, {}]);
    expect([workshop.shop.car, toMm(workshop.shop.keep.length.nm), toMm(workshop.shop.keep.width.nm)]).toEqual([null, 400, 150]);
  });

  test('its parts are the parts they were, and a workshop kept apart from its file is lifted alike', () => {
    expect(plan(design, record, workshop).parts.length).toBeGreaterThan(5);
    expect(readWorkshop(liftWorkshop(fifth.workshop, 5))).toEqual(workshop);
    expect(designCodec.read(liftDesign(fifth.design, 5), 'held')).toEqual(design);
  });
});

describe('version 6', () => {
  const { design, record, workshop } = readProject(sixth);

  test('its offcuts are in the store as offcuts, nothing is kept for anyone, and no part is pinned', () => {
    expect(Object.values(workshop.pieces).map(({ id, kind, reserved }) => [id, kind, reserved])).toEqual(
      Object.keys(sixth.workshop.offcuts).map((id) => [id, 'offcut', undefined]),
    );
    expect(design.pins).toEqual({});
  });

  test('its parts are the parts they were, and what is kept apart from its file is lifted alike', () => {
    expect(plan(design, record, workshop).byId.get('ink')!.parts[0]).toMatchObject({ mark: 'A1', count: 1 });
    expect(readWorkshop(liftWorkshop(sixth.workshop, 6))).toEqual(workshop);
    expect(designCodec.read(liftDesign(sixth.design, 6), 'held')).toEqual(design);
  });
});

describe('version 7', () => {
  const { design, record, workshop } = readProject(seventh);

  test('its wall is timber with nothing else to fix to, nothing is under its units, and nobody has told how they settle', () => {
    expect(design.wall.fixing).toMatchObject({ into: 'ground', pullN: null, shearN: null });
    expect(Object.values(design.wall.looked).map(({ how, note }) => [how, note])).toEqual([['detector', '']]);
    expect(Object.values(design.units).map(({ over, hanging }) => [over, hanging.seats])).toEqual([['nothing', null]]);
    expect(design.earthquakes).toBe(false);
  });

  test('it hangs as it hung, and what is kept apart from its file is lifted alike', () => {
    expect(plan(design, record, workshop).byId.get('ink')!.hang).toMatchObject({ state: 'fine', refusals: [] });
    expect(designCodec.read(liftDesign(seventh.design, 7), 'held')).toEqual(design);
    expect(readWorkshop(liftWorkshop(seventh.workshop, 7))).toEqual(workshop);
  });
});

describe('version 8', () => {
  const { design, workshop } = readProject(eighth);

  test('gets two evenings and a Saturday, everything cut first, yellow glue', () => {
    expect(design.build).toMatchObject({ cut: 'first', units: 'together', glue: 'yellow', order: [], start: null });
    expect(Object.values(design.build.week).map(({ day, from, to, helper }) => [day, from / 60, to / 60, helper])).toEqual([
      [1, 19, 22, false],
      [3, 19, 22, false],
      [5, 9, 17, true],
    ]);
  });

  test('and a few clamps', () => {
    expect(Object.values(workshop.shop.clamps).map(({ reach, count }) => [reach.text, count])).toEqual([
      ['300 mm', 6],
      ['800 mm', 8],
      ['1250 mm', 4],
    ]);
  });
});

describe('version 9', () => {
  const { design, record, workshop } = readProject(ninth);

  test('it has no parts without a cabinet, its prices have their tax in them, and its parts are those it had', () => {
    expect(design.loose).toEqual({});
    expect(workshop.tax).toEqual({ percent: 0, included: true });
    expect(plan(design, record, workshop).parts.every(({ unit }) => unit === 'ink')).toBe(true);
  });
});

describe('version 10', () => {
  const { design, workshop } = readProject(tenth);

  test('its hours have every machine, no glue-up is decided on, and no label was read', () => {
    expect(design.build.week).toEqual({ tuesday: { id: 'tuesday', day: 1, from: 19 * 60, to: 22 * 60, helper: false, quiet: false, without: [] } });
    expect(design.build).toMatchObject({ glueUps: {}, alone: [] });
    expect(workshop.shop.labels).toEqual({ glues: {}, finishes: {} });
    expect(Object.keys(workshop.shop.clamps)).toHaveLength(3);
  });
});
