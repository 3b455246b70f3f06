/** The print room's ink cupboard as data, with two readings of its sheet. */
import { entered, newShelfBox, newWall, EMPTY_DECISIONS, type Design, type RecordEntry } from '@keen/core';

const length = (text: string) => entered(text);

export const DESIGN: Design = {
  name: 'Print room',
  unit: 'mm',
  wall: newWall({ unit: 'mm', width: length('3600 mm'), ceiling: length('2460 mm'), spacing: length('405 mm'), offset: length('230 mm') }),
  person: { height: length('1720 mm') },
  items: {},
  ...EMPTY_DECISIONS,
  children: false,
  units: {
    ink: newShelfBox({
      id: 'ink',
      name: 'Ink cupboard',
      order: 1,
      unit: 'mm',
      width: length('700 mm'),
      height: length('820 mm'),
      depth: length('280 mm'),
      stock: 'birch-18',
      backStock: 'birch-6',
      shelves: 2,
      contents: { preset: 'general', kg: null },
      place: { along: length('895 mm'), up: length('1320 mm') },
    }),
  },
};

export const READINGS: readonly RecordEntry[] = ['17.8 mm', '17.9 mm'].map((value, index) => ({
  id: `r${index}`,
  at: '2026-03-01T09:00:00Z',
  kind: 'thickness',
  reading: { product: 'birch-18', value: length(value) },
}));
