/** Writes examples/: the made-up print room, whole and cabinet by cabinet. Run after a change of the file format: node --import tsx scripts/make-examples.ts */
import { writeFileSync } from 'node:fs';
import {
  entered,
  newShelfBox,
  newWall,
  plan,
  starterWorkshop,
  writeProjectText,
  type BowLine,
  type Design,
  type StudMark,
  type ThingKind,
  type Wall,
  type WallRail,
  type WallThing,
  EMPTY_DECISIONS,
} from '../packages/core/src/index.ts';
import { backWall, BACK_CABINETS } from './print-room-back.ts';
import { THINGS } from './print-room-things.ts';
import type { Item } from '../packages/core/src/model/item.ts';
import type { RecordEntry } from '../packages/core/src/model/record.ts';
import type { ShelfBox } from '../packages/core/src/model/specs/shelf-box.ts';
import type { CabinetSpec } from '../packages/core/src/model/specs/cabinet-spec.ts';
import type { Workshop } from '../packages/core/src/model/workshop.ts';

const inkCupboard: ShelfBox = (() => {
  const box = newShelfBox({
    id: 'ink',
    name: 'Ink cupboard',
    order: 1,
    unit: 'mm',
    width: entered('700 mm'),
    height: entered('820 mm'),
    depth: entered('280 mm'),
    stock: 'birch-18',
    backStock: 'birch-6',
    shelves: 2,
    contents: { preset: 'general', kg: null },
    place: { along: entered('895 mm'), up: entered('1320 mm') },
  });
  return {
    ...box,
    contents: { bottom: { preset: 'tools', kg: 22 }, s1: { preset: 'tools', kg: 18 }, s2: { preset: 'general', kg: null } },
    hanging: { ...box.hanging, boardWidth: entered('160 mm') },
  };
})();

const typeCase: ShelfBox = (() => {
  const box = newShelfBox({
    id: 'type',
    name: 'Type-case box',
    order: 2,
    unit: 'in',
    width: entered('27 9/16 in'),
    height: entered('18 1/2 in'),
    depth: entered('12 in'),
    stock: 'ply-3-4',
    backStock: 'ply-1-4',
    shelves: 1,
    contents: { preset: 'tools', kg: 16 },
    place: { along: entered('1705 mm'), up: entered('1400 mm') },
  });
  return {
    ...box,
    hanging: {
      ...box.hanging,
      kind: 'recessed',
      spacer: null,
      boardWidth: entered('5 1/2 in'),
      leftInset: entered('1/2 in'),
      rightInset: entered('1/2 in'),
      rail: entered('3 in'),
      railScrews: 3,
    },
  };
})();

/** Spacing material is heavy: two small boxes, each on two cleats, side by side on two rails. */
const spacingBox = (id: string, name: string, order: number, along: string): ShelfBox => {
  const box = newShelfBox({
    id,
    name,
    order,
    unit: 'mm',
    width: entered('420 mm'),
    height: entered('400 mm'),
    depth: entered('220 mm'),
    stock: 'birch-18',
    backStock: 'birch-6',
    shelves: 1,
    contents: { preset: 'nothing', kg: null },
    place: { along: entered(along), up: entered('1500 mm') },
  });
  const { hanging } = box;
  return {
    ...box,
    // The lower cleat is screwed to it.
    nailingStrip: entered('150 mm'),
    hanging: { ...hanging, boardWidth: entered('120 mm'), spacer: null, lowerCleat: entered('240 mm'), wallRail: 'rail-upper', rail: entered('70 mm') },
  };
};

const rail = (id: string, order: number, name: string, up: string): WallRail => ({
  id,
  order,
  name,
  left: entered('2500 mm'),
  right: entered('3560 mm'),
  up: entered(up),
  stock: 'birch-18',
  boardWidth: entered('120 mm'),
  bevelDeg: 45,
  pieceLength: entered('2400 mm'),
});

const thing = (
  id: string,
  order: number,
  kind: ThingKind,
  name: string,
  left: string,
  up: string,
  width: string,
  height: string,
  more: Partial<WallThing> = {},
): WallThing => ({
  id,
  order,
  kind,
  name,
  left: entered(left),
  up: entered(up),
  width: entered(width),
  height: entered(height),
  out: entered('0 mm'),
  hinge: 'none',
  opensDeg: 0,
  handle: entered('0 mm'),
  ...more,
});

const mark = (regular: number, at: string, state: StudMark['state']): StudMark => ({ id: `stud-${regular}`, regular, at: entered(at), state, gone: false });
const byId = <T extends { readonly id: string }>(rows: readonly T[]): Record<string, T> => Object.fromEntries(rows.map((row) => [row.id, row]));
const bowLine = (id: string, up: string, offs: readonly number[]): BowLine => ({
  id,
  up: entered(up),
  readings: byId(offs.map((off, index) => ({ id: `${id}-${index}`, along: entered(`${index * 600} mm`), off: entered(`${off} mm`) }))),
});

const plainWall = newWall({ unit: 'mm', width: entered('4800 mm'), ceiling: entered('2460 mm'), spacing: entered('405 mm'), offset: entered('230 mm') });
/** The print room's wall: studs a little off their spacing, a door in the side wall that swings along it, a window, a bench below. */
const printRoomWall: Wall = {
  ...plainWall,
  studs: {
    ...plainWall.studs,
    marks: byId([
      mark(1, '628 mm', 'found'),
      mark(2, '1040 mm', 'probed'),
      mark(3, '1445 mm', 'found'),
      mark(6, '2668 mm', 'found'),
      mark(7, '3062 mm', 'probed'),
    ]),
  },
  baseboard: { height: entered('90 mm'), out: entered('15 mm') },
  things: byId([
    thing('door', 1, 'side-door', 'the door to the yard', '0 mm', '0 mm', '760 mm', '2030 mm', {
      out: entered('90 mm'),
      hinge: 'left',
      opensDeg: 90,
      handle: entered('55 mm'),
    }),
    thing('switch', 2, 'switch', 'the light switch', '800 mm', '1100 mm', '80 mm', '80 mm', { out: entered('10 mm') }),
    thing('outlet-1', 3, 'outlet', 'the outlet by the press', '1240 mm', '1050 mm', '75 mm', '115 mm', { out: entered('8 mm') }),
    thing('outlet-2', 4, 'outlet', 'the outlet by the window', '3510 mm', '1050 mm', '75 mm', '115 mm', { out: entered('8 mm') }),
    thing('window', 5, 'window', 'the window', '3640 mm', '1020 mm', '920 mm', '1080 mm', { out: entered('30 mm') }),
    thing('bench', 6, 'bench', 'the packing bench', '900 mm', '0 mm', '1600 mm', '860 mm', { out: entered('600 mm') }),
  ]),
  looked: byId([
    {
      id: 'looked-1',
      left: entered('950 mm'),
      up: entered('1900 mm'),
      width: entered('600 mm'),
      height: entered('300 mm'),
      how: 'detector' as const,
      note: '',
    },
  ]),
  bow: byId([bowLine('bow-upper', '2080 mm', [0, 1.5, 2.5, 4, 3.5, 2, 1, 0.5, 0]), bowLine('bow-lower', '1350 mm', [0, 1, 2, 3, 3, 2, 1.5, 1, 0.5])]),
  rails: byId([rail('rail-upper', 1, 'the upper rail', '1850 mm'), rail('rail-lower', 2, 'the lower rail', '1610 mm')]),
};

const design = (name: string, specs: readonly CabinetSpec[], wall: Wall, items: readonly Item[] = []): Design => ({
  name,
  unit: specs.length === 1 ? specs[0]!.unit : 'mm',
  wall,
  children: false,
  person: { height: entered('1720 mm') },
  items: byId(items),
  ...EMPTY_DECISIONS,
  units: byId(specs),
});

/** A hollow wall with few studs: heavy type hung where only one of them stands behind it. Not to be hung as it is drawn. */
const storeWall: Wall = {
  ...newWall({ unit: 'mm', width: entered('2400 mm'), ceiling: entered('2450 mm'), spacing: entered('600 mm'), offset: entered('300 mm') }),
  things: byId([thing('switch', 1, 'switch', 'the store switch', '160 mm', '1100 mm', '80 mm', '80 mm', { out: entered('10 mm') })]),
};

const sortsBox: ShelfBox = (() => {
  const box = newShelfBox({
    id: 'sorts',
    name: 'Sorts box',
    order: 1,
    unit: 'mm',
    width: entered('560 mm'),
    height: entered('620 mm'),
    depth: entered('260 mm'),
    stock: 'birch-18',
    backStock: 'birch-6',
    shelves: 1,
    contents: { preset: 'nothing', kg: null },
    place: { along: entered('620 mm'), up: entered('1350 mm') },
  });
  return {
    ...box,
    contents: { bottom: { preset: 'tools', kg: 24 }, s1: { preset: 'tools', kg: 16 } },
    hanging: { ...box.hanging, boardWidth: entered('140 mm'), wallScrew: { ...box.hanging.wallScrew, upper: 1, lower: 0 } },
  };
})();

const reading = (n: number, product: string, value: string): RecordEntry => ({
  id: `demo-reading-${n}`,
  at: `2026-03-0${n}T09:1${n}:00Z`,
  kind: 'thickness',
  reading: { product, value: entered(value) },
});
const RECORD: readonly RecordEntry[] = [
  reading(1, 'birch-18', '17.8 mm'),
  reading(2, 'birch-18', '17.7 mm'),
  reading(3, 'birch-18', '17.9 mm'),
  reading(4, 'birch-6', '6.2 mm'),
  reading(5, 'ply-3-4', '0.703 in'),
];

const workshop: Workshop = {
  ...starterWorkshop(),
  pieces: { 'offcut-1': { id: 'offcut-1', product: 'birch-18', kind: 'offcut', length: entered('880 mm'), width: entered('410 mm') } },
};

/** A module's bottom from the rail it hangs on: its bevel to the rail's. */
function onRail(design: Design): Design {
  const { byId: plans } = plan(design, RECORD, workshop);
  const specs = Object.values(design.units).map((spec): CabinetSpec => {
    const railOf = spec.hanging.wallRail === null ? undefined : design.wall.rails[spec.hanging.wallRail];
    if (!railOf) return spec;
    return { ...spec, place: { ...spec.place, up: entered(`${(railOf.up.nm - plans.get(spec.id)!.cabinet.hanging.valleyUp) / 1e6} mm`) } };
  });
  return { ...design, units: byId(specs) };
}

const write = (file: string, project: Design): void =>
  writeFileSync(new URL(`../examples/${file}`, import.meta.url), writeProjectText({ design: onRail(project), record: RECORD, workshop }));

const spacing = [spacingBox('spacing-1', 'Spacing box, left', 3, '2530 mm'), spacingBox('spacing-2', 'Spacing box, right', 4, '2990 mm')];
const bare: Wall = { ...printRoomWall, rails: {} };
write('print-room.carcass.json', design('Print room', [inkCupboard, typeCase, ...spacing], printRoomWall, THINGS));
write(
  'ink-cupboard.carcass.json',
  design(
    'Ink cupboard',
    [inkCupboard],
    bare,
    THINGS.filter(({ homes }) => 'ink' in homes),
  ),
);
write(
  'type-case-box.carcass.json',
  design(
    'Type-case box',
    [typeCase],
    bare,
    THINGS.filter(({ homes }) => 'type' in homes),
  ),
);
write('print-room-back.carcass.json', design('Print room, back wall', BACK_CABINETS, backWall));
write('type-store.carcass.json', design('Type store', [sortsBox], storeWall));
