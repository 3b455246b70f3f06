/** Mass of one item: weighed, or estimated from its material and volume. Source: docs/formulas/item-mass.md. */
import { evaluate, formula, type ExplainedValue } from '../explained/explained-value.ts';
import { volumeM3 } from './item.ts';
import type { Item } from '../model/item.ts';

export interface ItemMaterial {
  readonly id: string;
  readonly name: string;
  /** Density of its material. */
  readonly densityKgM3: number;
  /** Filled share of its outer size: a tin is not full to its corners, a tool is not a block. */
  readonly fill: number;
}

const row = (id: string, name: string, densityKgM3: number, fill: number): ItemMaterial => ({ id, name, densityKgM3, fill });

/** All [ASSUME]: the high side of real masses, because the load decides whether the cabinet stays up. */
export const ITEM_MATERIALS: Readonly<Record<string, ItemMaterial>> = Object.fromEntries(
  [
    row('paper', 'paper, packed', 850, 1),
    row('wood', 'wood', 700, 1),
    row('type-metal', 'type metal, in its case', 10_000, 0.35),
    row('lead-strips', 'lead spacing, stacked', 10_500, 0.8),
    row('steel', 'steel tool', 7850, 0.35),
    row('tin', 'full tin', 1300, 0.95),
    row('liquid', 'full bottle', 1000, 0.9),
    row('glass', 'glass, empty', 2500, 0.12),
    row('rubber', 'rubber roller with core', 1400, 0.8),
    row('cloth', 'cloth or felt', 350, 1),
    row('mixed', 'mixed things', 600, 1),
  ].map((material) => [material.id, material]),
);

const WEIGHED = formula({ label: 'item-mass', unit: 'kg', text: 'weighed', source: 'entered', terms: { weighed: 'kg' }, compute: ({ weighed }) => weighed });

const ESTIMATED = formula({
  label: 'item-mass',
  unit: 'kg',
  text: 'volume · ρ · filled',
  source: '[ASSUME] docs/formulas/item-mass.md',
  terms: { volume: 'm3', ρ: 'kg/m3', filled: 'factor' },
  compute: ({ volume, ρ, filled }) => volume * ρ * filled,
});

const COUNTED = formula({
  label: 'items-mass',
  unit: 'kg',
  text: 'n · each',
  source: '[eq]',
  terms: { n: 'count', each: 'kg' },
  compute: ({ n, each }) => n * each,
});

/**
 * Mass of one.
 * @throws RangeError on an unknown material; readers check that first
 */
export function massOfOne(item: Item): ExplainedValue {
  if (item.kg !== null) return evaluate(WEIGHED, { weighed: { value: item.kg, source: { kind: 'entered', path: ['items', item.id, 'kg'] } } });
  const material = ITEM_MATERIALS[item.material];
  if (!material) throw new RangeError(`there is no material '${item.material}' for things`);
  const source = { kind: 'table' as const, name: material.name, tag: '[ASSUME]' };
  return evaluate(ESTIMATED, { volume: volumeM3(item), ρ: { value: material.densityKgM3, source }, filled: { value: material.fill, source } });
}

/** Mass of a number of them, named for the item. */
export const massOf = (item: Item, count: number): ExplainedValue => evaluate(COUNTED, { n: count, each: massOfOne(item) }, { key: 'item', of: item.name });

/** Nobody weighed it: the mass is an estimate. */
export const isEstimated = ({ kg }: Pick<Item, 'kg'>): boolean => kg === null;
