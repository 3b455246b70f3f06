/** What the made-up print room holds: 44 kinds of thing, most of them with a place. All figures are our own. */
import { entered, newItem } from '../packages/core/src/index.ts';
import type { Item } from '../packages/core/src/model/item.ts';

type Sizes = readonly [width: number, depth: number, height: number];
let order = 0;

function thing(name: string, kind: Item['kind'], [w, d, h]: Sizes, count: number, home: string | null, more: Partial<Item> = {}): Item {
  order++;
  const id = `t${String(order).padStart(2, '0')}`;
  const [unit, on] = home?.split('/') ?? [];
  return {
    ...newItem({ id, order, unit: 'mm' }),
    name,
    kind,
    width: entered(`${w} mm`),
    depth: entered(`${d} mm`),
    height: entered(`${h} mm`),
    count,
    homes: unit && on ? { [unit]: { [on]: { count, pinned: false } } } : {},
    ...more,
  };
}

const tin = { material: 'tin', near: 'inks' } as const;

export const THINGS: readonly Item[] = [
  // ink cupboard: heavy tins low, what is used every day between hip and eye
  thing('black ink, large tin', 'bottle', [110, 110, 125], 4, 'ink/bottom', { ...tin, kg: 1.35, reach: 'daily', growth: 1 }),
  thing('red ink, large tin', 'bottle', [110, 110, 125], 2, 'ink/bottom', { ...tin, kg: 1.35 }),
  thing('opaque white, tin', 'bottle', [86, 86, 95], 3, 'ink/bottom', { ...tin, kg: 0.72, stack: 2 }),
  thing('transparent base, tin', 'bottle', [86, 86, 95], 3, 'ink/bottom', { ...tin, kg: 0.7, stack: 2 }),
  thing('wash-up spirit', 'bottle', [95, 95, 205], 2, 'ink/bottom', { material: 'liquid', kg: 1.1, near: 'wash-up' }),
  thing('vegetable oil', 'bottle', [75, 75, 180], 1, 'ink/s1', { material: 'liquid', near: 'wash-up' }),
  thing('blue ink, small tin', 'bottle', [75, 75, 70], 4, 'ink/s1', { ...tin, kg: 0.42, stack: 2, growth: 2 }),
  thing('yellow ink, small tin', 'bottle', [75, 75, 70], 4, 'ink/s1', { ...tin, kg: 0.42, stack: 2 }),
  thing('green ink, small tin', 'bottle', [75, 75, 70], 2, 'ink/s1', { ...tin, kg: 0.42, stack: 2 }),
  thing('bronze powder', 'bottle', [60, 60, 90], 2, 'ink/s1', { ...tin, kg: 0.5, reach: 'seldom' }),
  thing('drier, drop bottle', 'bottle', [45, 45, 110], 3, 'ink/s1', { material: 'liquid', near: 'additives' }),
  thing('magnesia', 'block', [90, 60, 110], 1, 'ink/s1', { material: 'mixed', near: 'additives', reach: 'seldom' }),
  thing('ink knife', 'tool', [38, 40, 180], 3, 'ink/s2', { material: 'steel', reach: 'daily', stands: 'in-hole', hole: entered('60 mm'), near: 'knives' }),
  thing('mixing slab, small', 'block', [200, 150, 22], 1, 'ink/s2', { material: 'mixed', kg: 1.7 }),
  thing('wiping cloths, pile', 'block', [180, 160, 90], 1, 'ink/s2', { material: 'cloth', reach: 'daily', near: 'wash-up' }),
  thing('gloves, box', 'block', [125, 235, 85], 1, 'ink/s2', { material: 'mixed', kg: 0.6, reach: 'daily', turned: false }),
  thing('swatch book', 'block', [60, 210, 150], 1, 'ink/s2', { material: 'paper', near: 'papers' }),
  // type-case box
  thing('wood type, small case', 'block', [250, 200, 55], 3, 'type/bottom', { material: 'wood', kg: 2.4, stack: 3, near: 'type' }),
  thing('metal type, parcel', 'block', [110, 75, 60], 6, 'type/bottom', { material: 'type-metal', kg: 1.9, stack: 2, near: 'type' }),
  thing('ornaments, tray', 'block', [120, 160, 45], 2, 'type/bottom', { material: 'type-metal', kg: 1.6, stack: 2, reach: 'seldom' }),
  thing('composing stick', 'tool', [60, 250, 20], 4, 'type/s1', { material: 'steel', kg: 0.55, reach: 'daily', stack: 2, near: 'setting' }),
  thing('type gauge', 'tool', [35, 280, 6], 1, 'type/s1', { material: 'steel', kg: 0.12, reach: 'daily', near: 'setting' }),
  thing('proof paper, ream', 'sheets', [225, 160, 55], 2, 'type/s1', { material: 'paper', stack: 2, near: 'papers' }),
  thing('job cards, box', 'block', [130, 180, 95], 1, 'type/s1', { material: 'paper', reach: 'daily' }),
  thing('tying cord, reel', 'roll', [70, 70, 60], 2, 'type/s1', { material: 'cloth', near: 'setting' }),
  // spacing boxes: lead and wood furniture, the heaviest of all
  thing('lead spacing, 2 ems', 'block', [95, 130, 70], 2, 'spacing-1/bottom', { material: 'lead-strips', kg: 4.6, near: 'leads' }),
  thing('lead spacing, 4 ems', 'block', [95, 150, 70], 1, 'spacing-1/bottom', { material: 'lead-strips', kg: 5.4, near: 'leads' }),
  thing('brass rule, bundle', 'block', [40, 180, 40], 2, 'spacing-1/s1', { material: 'steel', kg: 1.1, near: 'leads' }),
  thing('thin leads, strips', 'block', [70, 180, 60], 3, 'spacing-1/s1', { material: 'lead-strips', kg: 2.2, growth: 1, near: 'leads' }),
  thing('wood furniture, long', 'block', [110, 170, 90], 2, 'spacing-2/bottom', { material: 'wood', kg: 1.1, near: 'furniture' }),
  thing('wood furniture, short', 'block', [90, 110, 90], 1, 'spacing-2/bottom', { material: 'wood', kg: 0.6, near: 'furniture' }),
  thing('metal furniture, set', 'block', [140, 160, 60], 1, 'spacing-2/s1', { material: 'type-metal', kg: 4.8, near: 'furniture' }),
  thing('quoins, box', 'block', [120, 90, 50], 1, 'spacing-2/s1', { material: 'steel', kg: 1.9, reach: 'daily', near: 'locking' }),
  thing('quoin keys', 'tool', [30, 20, 110], 2, 'spacing-2/s1', {
    material: 'steel',
    kg: 0.2,
    reach: 'daily',
    near: 'locking',
    stands: 'in-hole',
    hole: entered('30 mm'),
  }),
  // not placed yet: the till, the slot rack and the ledge rack are still to come
  thing('brayer, wide', 'roll', [60, 60, 260], 2, null, { material: 'rubber', reach: 'daily', stands: 'hanging', near: 'brayers' }),
  thing('brayer, narrow', 'roll', [45, 45, 180], 2, null, { material: 'rubber', reach: 'daily', stands: 'hanging', near: 'brayers' }),
  thing('bone folder', 'tool', [25, 8, 190], 3, null, {
    material: 'mixed',
    kg: 0.03,
    reach: 'daily',
    stands: 'in-hole',
    hole: entered('90 mm'),
    profile: [
      { at: entered('0 mm'), width: entered('22 mm') },
      { at: entered('150 mm'), width: entered('25 mm') },
      { at: entered('190 mm'), width: entered('6 mm') },
    ],
  }),
  thing('mallet', 'tool', [90, 60, 270], 1, null, {
    material: 'wood',
    kg: 0.6,
    profile: [
      { at: entered('0 mm'), width: entered('28 mm') },
      { at: entered('190 mm'), width: entered('28 mm') },
      { at: entered('191 mm'), width: entered('90 mm') },
      { at: entered('270 mm'), width: entered('90 mm') },
    ],
  }),
  thing('planer block', 'block', [100, 70, 45], 1, null, { material: 'wood' }),
  thing('tympan paper, roll', 'roll', [85, 85, 620], 2, null, { material: 'paper', stands: 'lying', near: 'papers' }),
  thing('press roller, spare', 'roll', [70, 70, 480], 2, null, { material: 'rubber', kg: 3.1, stands: 'lying', reach: 'seldom' }),
  thing('cover stock, loose', 'sheets', [320, 230, 40], 1, null, { material: 'paper', near: 'papers' }),
  thing('tea glass, stemmed', 'glass', [72, 72, 150], 4, null, { material: 'glass', neck: entered('9 mm') }),
  thing('type high gauge', 'tool', [50, 30, 90], 1, null, { material: 'steel', kg: 0.3, near: 'setting' }),
];
