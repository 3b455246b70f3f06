/** Random cabinets of every family, each sound by its own rules: for the property tests. Test support. */
import fc from 'fast-check';
import { buildCabinet, faultOfSpec } from '../cabinets/families.ts';
import { Unbuildable } from '../cabinets/family.ts';
import { entered } from '../length/entered.ts';
import { stockReader } from '../planner/stock-reader.ts';
import { starterWorkshop } from '../stock/catalogue.ts';
import { newSpec } from './family-units.ts';
import type { FamilyId, CabinetSpec } from '../model/specs/cabinet-spec.ts';

type Row = Record<string, unknown>;
/** Random values by path inside a cabinet; a function makes the elements of a list. */
type Ranges = Readonly<Record<string, fc.Arbitrary<unknown>>>;

const mm = (least: number, most: number): fc.Arbitrary<unknown> =>
  fc.integer({ min: least * 10, max: most * 10 }).map((tenths) => entered(`${tenths / 10} mm`));
const inches = (least: number, most: number): fc.Arbitrary<unknown> =>
  fc.integer({ min: least * 32, max: most * 32 }).map((parts) => entered(`${parts}/32 in`));
const size = (least: number, most: number): fc.Arbitrary<unknown> => fc.oneof(mm(least, most), inches(Math.ceil(least / 25.4), Math.floor(most / 25.4)));
const or = (...options: unknown[]): fc.Arbitrary<unknown> => fc.constantFrom(...options);
const maybe = (value: fc.Arbitrary<unknown>): fc.Arbitrary<unknown> => fc.option(value);
const whole = (min: number, max: number): fc.Arbitrary<unknown> => fc.integer({ min, max });
/** So many elements, each with some of its values set at random. */
const list = (least: number, most: number, start: (id: string, order: number) => Row, ranges: Ranges = {}): fc.Arbitrary<unknown> =>
  fc
    .array(fc.record(ranges), { minLength: least, maxLength: most })
    .map((rows) =>
      Object.fromEntries(rows.map((row, index) => ({ ...start(`e${index}`, index), ...row })).map((element) => [(element as Row)['id'], element])),
    );

const STOCK = or('birch-18', 'birch-15', 'ply-3-4', 'mdf-18');
const THIN = or('birch-6', 'ply-1-4', 'birch-12');
const END = fc
  .record({ runs: or('between', 'over'), joint: or('butt', 'rabbet', 'dado'), lip: or(entered('15 mm'), entered('5/8 in')) })
  .map(({ runs, joint, lip }) => ({ runs, lip, joint: runs === 'over' && joint === 'dado' ? 'rabbet' : joint }));
const SHELL: Ranges = {
  top: END,
  bottom: END,
  'back.kind': or('rabbet', 'groove', 'over', 'none'),
  'back.stock': THIN,
  fit: or('tight', 'push', 'glue', 'loose'),
  slotExit: or('backed', 'wide', 'bare'),
};
const shelf = (id: string, order: number): Row => ({ id, order, at: null, in: 'bottom', level: 0, fixing: 'fixed' });

const RANGES: Readonly<Record<FamilyId, Ranges>> = {
  'shelf-box': {
    ...SHELL,
    width: size(420, 1400),
    height: size(520, 1400),
    depth: size(150, 500),
    stock: STOCK,
    shelves: list(0, 4, shelf, { fixing: or('fixed', 'pins'), level: or(0, 1) }),
    dividers: list(0, 3, (id, order) => ({ id: `d${id}`, order, at: null, in: 'bottom', level: 0 }), { in: or('bottom', 'e0', 'e1', 'de0'), level: or(0, 1) }),
    shelfJoint: or('butt', 'dado'),
    setback: or(entered('0 mm'), entered('12 mm')),
    nailingStrip: or(null, entered('50 mm')),
    front: or('open', 'door-left', 'door-right', 'doors', 'lid-up', 'flap-down'),
    'doors.lies': or('inset', 'half', 'full'),
    'doors.infill': or('none', 'panel'),
    'doors.handle': or('none', 'knob', 'bar', 'finger-hole'),
    faceFrame: fc.oneof(
      { weight: 2, arbitrary: fc.constant(null) },
      fc.record({
        stock: or('birch-18', 'ply-3-4'),
        stile: or(entered('45 mm'), entered('1 3/4 in')),
        rail: or(entered('38 mm'), entered('1 1/2 in')),
        overhang: or(entered('0 mm'), entered('3 mm')),
        inside: or('flush', 'proud'),
        joined: or('pockets', 'dowels', 'half-laps'),
      }),
    ),
    'hanging.rail': or(null, entered('70 mm')),
    'hanging.kind': or('outside', 'outside', 'recessed', 'through'),
  },
  'cabinet-run': {
    ...SHELL,
    width: size(1300, 3000),
    height: size(560, 1300),
    depth: size(180, 420),
    stock: STOCK,
    parts: list(
      2,
      5,
      (id, order) => ({
        id,
        order,
        kind: 'box',
        width: null,
        height: null,
        shelves: 1,
        front: 'open',
        bridge: null,
        lower: null,
        lowerShelves: 1,
        lowerFront: 'open',
      }),
      {
        kind: or('box', 'box', 'open'),
        lower: or(null, null, entered('330 mm')),
        lowerShelves: whole(0, 2),
        lowerFront: or('open', 'doors', 'drawers'),
        height: or(null, null, entered('520 mm')),
        shelves: whole(0, 3),
        bridge: or(null, entered('260 mm')),
        front: or('open', 'doors', 'door-left', 'drawers'),
      },
    ).map((parts) => ({ ...(parts as Row), e0: { ...((parts as Row)['e0'] as Row), kind: 'box' } })),
    fillerLeft: or(null, entered('30 mm')),
    fillerRight: or(null, entered('45 mm')),
    endPanels: fc.boolean(),
    stand: or('feet', 'toe'),
    standHeight: or(entered('60 mm'), entered('100 mm')),
    lowerDepth: or(null, entered('430 mm')),
    'slides.length': or(entered('100 mm')),
    'doors.lies': or('inset', 'half', 'full'),
  },
  'tool-till': {
    together: or('wide', 'wide', 'modules'),
    width: size(260, 900),
    height: size(380, 560),
    depth: size(210, 300),
    stock: STOCK,
    dividerStock: THIN,
    tiltDeg: whole(0, 10),
    sides: or('tapered', 'parallel'),
    lip: or(null, entered('35 mm'), entered('20 mm')),
    under: or(entered('0 mm'), entered('15 mm')),
    panel: or('joints', 'removable'),
    dividersBy: or('glue', 'loose'),
    fit: or('tight', 'push', 'loose'),
    bays: list(
      1,
      5,
      (id, order) => ({ id, order, tool: `tool ${id}`, width: null, toolLength: entered('200 mm'), kg: 0.5, held: 'ledge', block: null, spare: false }),
      {
        width: or(null, null, entered('30 mm')),
        block: or(null, entered('25 mm')),
        held: or('ledge', 'magnets'),
      },
    ),
  },
  'slot-rack': {
    ...SHELL,
    width: size(320, 1000),
    height: size(520, 1200),
    depth: size(150, 450),
    stock: STOCK,
    slotStock: THIN,
    holds: or('shelves', 'tabs'),
    tiltDeg: whole(0, 8),
    first: size(30, 60),
    last: size(30, 60),
    tabLength: size(40, 100),
    setback: or(entered('0 mm'), entered('10 mm')),
    slots: list(1, 7, (id, order) => ({ id, order })),
    'hanging.rail': or(null),
  },
  'ledge-rack': {
    ...SHELL,
    width: size(320, 1100),
    height: size(520, 1200),
    depth: size(120, 260),
    stock: STOCK,
    stripStock: THIN,
    shelfJoint: or('butt', 'dado'),
    ledges: list(
      1,
      4,
      (id, order) => ({
        id,
        order,
        at: null,
        kind: 'plain',
        strips: 1,
        stripHeight: entered('20 mm'),
        stripGap: entered('15 mm'),
        support: false,
        count: 4,
        notchWidth: entered('12 mm'),
        notchDepth: entered('8 mm'),
      }),
      { kind: or('plain', 'notched', 'scooped'), strips: whole(0, 2), support: fc.boolean(), count: whole(1, 6) },
    ),
    'hanging.rail': or(null),
  },
  'sloped-box': {
    width: size(300, 1000),
    height: size(420, 620),
    depth: size(160, 300),
    stock: STOCK,
    backStock: THIN,
    slopeBy: or('angle', 'front-height'),
    slopeDeg: whole(0, 35),
    frontHeight: size(200, 320),
    overhangSide: or(entered('0 mm'), entered('18 mm')),
    overhangFront: or(entered('0 mm'), entered('25 mm')),
    under: or(entered('0 mm'), entered('15 mm')),
    apron: or(null, entered('50 mm')),
    trim: or(null, entered('40 mm')),
    trimStock: THIN,
    'hanging.rail': or(null, entered('60 mm')),
    shelves: list(0, 1, (id, order) => ({ id, order, at: entered('110 mm') })),
  },
  'mitred-box': {
    width: size(320, 700),
    depth: size(90, 260),
    stock: STOCK,
    backStock: or('birch-12', 'birch-18', 'ply-3-4'),
    ring: or('equal', 'equal', 'chosen'),
    sides: whole(3, 8),
    stands: or('flat', 'corner'),
    leanDeg: fc.oneof(fc.constant(0), whole(0, 12)),
    spline: or(null, 'birch-6', 'ply-1-4'),
  },
  'drawer-unit': {
    ...SHELL,
    width: size(300, 800),
    height: size(520, 900),
    depth: size(320, 480),
    stock: STOCK,
    frontStock: STOCK,
    boxStock: or('birch-12', 'birch-15', 'ply-1-2'),
    bottomStock: or('birch-6', 'ply-1-4'),
    fronts: or('inset', 'overlay'),
    gap: or(entered('2 mm'), entered('3 mm'), entered('1/8 in')),
    growth: fc.double({ min: 1, max: 1.5, noNaN: true }),
    corner: or('rabbet', 'dado', 'butt', 'pocket'),
    bottomIn: or('groove', 'rabbet'),
    'slides.kind': or('side', 'runner'),
    'slides.length': or(entered('200 mm'), entered('250 mm')),
    'hanging.rail': or(null),
    drawers: list(1, 4, (id, order) => ({ id, order, height: null })),
  },
  'fold-down': {
    width: size(760, 1400),
    height: size(480, 700),
    depth: size(330, 470),
    stock: STOCK,
    leafStock: STOCK,
    gateStock: or('birch-12', 'birch-15'),
    state: or('open', 'folded'),
    supports: or('gate', 'bracket', 'leg'),
    ledger: size(70, 110),
    reach: size(200, 320),
    gateHeight: size(150, 300),
    supportCount: whole(1, 2),
    'hanging.kind': or('outside', 'through'),
  },
  'corner-unit': {
    width: size(480, 900),
    height: size(420, 900),
    depth: size(480, 900),
    stock: STOCK,
    rightDepth: size(160, 320),
    wing: size(120, 320),
    shelves: list(0, 3, (id, order) => ({ id, order })),
    'hanging.rail': or(null),
  },
  slab: {
    width: size(760, 2000),
    height: size(300, 900),
    stock: STOCK,
    strip: maybe(or(entered('20 mm'), entered('3/4 in'))),
    edgingStock: or(null, 'birch-6', 'birch-12'),
    cap: or(null, entered('30 mm')),
    wingLeft: or(null, null, entered('160 mm')),
    wingRight: or(null, null, entered('90 mm')),
    sections: list(1, 5, (id, order) => ({ id, order, width: null }), { width: or(null, null, entered('80 mm')) }),
  },
};

function set(row: Row, path: readonly string[], value: unknown): Row {
  const [key, ...rest] = path as [string, ...string[]];
  return { ...row, [key]: rest.length === 0 ? value : set(row[key] as Row, rest, value) };
}

const stockOf = stockReader([], starterWorkshop());

/** Some sizes show only when it is built that they do not go together. */
function isBuildable(spec: CabinetSpec): boolean {
  if (faultOfSpec(spec)) return false;
  try {
    buildCabinet(spec, stockOf);
    return true;
  } catch (error) {
    if (error instanceof Unbuildable) return false;
    throw error;
  }
}

export const arbitraryCabinet = (family: FamilyId): fc.Arbitrary<CabinetSpec> =>
  fc
    .record(RANGES[family] as Record<string, fc.Arbitrary<unknown>>)
    .map(
      (values) =>
        Object.entries(values).reduce<Row>(
          (row, [path, value]) => set(row, path.split('.'), value),
          newSpec(family) as unknown as Row,
        ) as unknown as CabinetSpec,
    )
    .filter(isBuildable);
