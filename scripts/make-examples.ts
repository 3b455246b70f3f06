/** Writes examples/: the made-up print room, whole and unit by unit. Run after a change of the file format: node --import tsx scripts/make-examples.ts */
import { writeFileSync } from 'node:fs';
import {
  entered,
  newShelfBox,
  starterWorkshop,
  writeProjectText,
  type Design,
  type RecordEntry,
  type ShelfBox,
  type Workshop,
} from '../packages/core/src/index.ts';

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

const design = (name: string, units: readonly ShelfBox[]): Design => ({
  name,
  unit: units.length === 1 ? units[0]!.unit : 'mm',
  wall: {
    width: entered('3600 mm'),
    ceiling: entered('2460 mm'),
    wallboard: entered('12.5 mm'),
    studs: { known: true, spacing: entered('405 mm'), offset: entered('230 mm'), width: entered('38 mm'), depth: entered('89 mm'), gravity: 0.42 },
  },
  children: false,
  units: Object.fromEntries(units.map((unit) => [unit.id, unit])),
});

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
  offcuts: { 'offcut-1': { id: 'offcut-1', product: 'birch-18', length: entered('880 mm'), width: entered('410 mm') } },
};

const write = (file: string, name: string, units: readonly ShelfBox[]): void =>
  writeFileSync(new URL(`../examples/${file}`, import.meta.url), writeProjectText({ design: design(name, units), record: RECORD, workshop }));

write('print-room.carcass.json', 'Print room', [inkCupboard, typeCase]);
write('ink-cupboard.carcass.json', 'Ink cupboard', [inkCupboard]);
write('type-case-box.carcass.json', 'Type-case box', [typeCase]);
