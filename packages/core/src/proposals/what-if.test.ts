import { describe, expect, test } from '@jest/globals';
import { entered } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import { search } from '../nesting/search.ts';
import { boughtAs, fitsCar, offersOf, type Offer } from '../stock/offers.ts';
import { printRoom } from '../test/print-room.ts';
import { createPlanner } from '../planner/plan.ts';
import { whatIfs, type WhatIf } from './what-if.ts';

const { design, record, workshop } = printRoom();
const offer = (id: string, length: string, width: string, price: number, more: Partial<Offer> = {}): Offer => ({
  id,
  material: 'birch-plywood',
  nominal: entered('18 mm'),
  length: entered(length),
  width: entered(width),
  price,
  inStock: 5,
  leadDays: 1,
  ...more,
});
const OFFERS = [
  offer('same', '2440 mm', '1220 mm', 76),
  offer('square', '1525 mm', '1525 mm', 62),
  offer('other', '1525 mm', '1525 mm', 20, { material: 'mdf' }),
  offer('thin', '1525 mm', '1525 mm', 20, { nominal: entered('12 mm') }),
];
const all = whatIfs({ planner: createPlanner(), design, record, workshop, offers: OFFERS, unit: 'ink' });
const named = (what: WhatIf['change']['what']): WhatIf => all.find(({ change }) => change.what === what)!;
const pieces = ({ jobs }: WhatIf): number => jobs.reduce((sum, { problem }) => sum + problem.parts.length, 0);
const sheetsOf = ({ jobs }: WhatIf): number =>
  jobs.reduce((sum, { problem }) => {
    const stepper = search(problem);
    stepper.step(40);
    return sum + stepper.plan().score.sheets;
  }, 0);

describe('what could be otherwise', () => {
  test('is what there is here: a thinner blade, a shelf fewer, free grain, the other size offered of the same sheet', () => {
    expect(all.map(({ change }) => change.what)).toEqual(['as-is', 'kerf', 'shelf-fewer', 'grain-free', 'offer']);
    expect(all.at(-1)!.change).toMatchObject({ product: 'birch-18', offer: { id: 'square' } });
  });

  test('each changes that and nothing else', () => {
    const asIs = named('as-is');
    expect(named('kerf').jobs.map(({ problem }) => toMm(problem.kerf))).toEqual(asIs.jobs.map(() => 2.2));
    expect(named('kerf').jobs.map(({ problem }) => problem.parts)).toEqual(asIs.jobs.map(({ problem }) => problem.parts));
    expect(pieces(named('shelf-fewer'))).toBe(pieces(asIs) - 1);
    const free = named('grain-free').jobs.flatMap(({ problem }) => problem.parts);
    expect(free.filter(({ grain }) => grain === 'either').length).toBeGreaterThan(
      asIs.jobs.flatMap(({ problem }) => problem.parts).filter(({ grain }) => grain === 'either').length,
    );
    // What spans keeps its grain.
    expect(free.filter(({ id }) => id.includes('/shelf/')).every(({ grain }) => grain !== 'either')).toBe(true);
    const square = named('offer')
      .jobs.find(({ product }) => product === 'birch-18')!
      .problem.sheets.find(({ id }) => id === 'birch-18')!;
    expect([toMm(square.length), toMm(square.width), square.cost]).toEqual([1525, 1525, 62]);
  });

  test('never wants more sheets for a thinner blade, free grain or a shelf fewer', () => {
    const now = sheetsOf(named('as-is'));
    for (const what of ['kerf', 'shelf-fewer', 'grain-free'] as const) expect(sheetsOf(named(what))).toBeLessThanOrEqual(now);
  });
});

describe('offers', () => {
  const product = workshop.products['birch-18']!;
  test('of a sheet are those of its material and thickness, the cheapest for its area first', () => {
    // 62 / 2.3256 = 26.66 for a square meter, 76 / 2.9768 = 25.53.
    expect(offersOf(product, OFFERS).map(({ id }) => id)).toEqual(['same', 'square']);
    expect(offersOf({ ...product, faced: true }, OFFERS)).toEqual([]);
    expect(boughtAs(product, OFFERS[1]!)).toMatchObject({ id: 'birch-18', price: 62, length: { text: '1525 mm' } });
  });
  test('go into the car lying either way, or are carried whole where nobody asks', () => {
    const car = { length: entered('1600 mm'), width: entered('1530 mm') };
    const shop = { shop: { ...workshop.shop, car } };
    expect(OFFERS.map((each) => fitsCar(shop, each))).toEqual([false, true, true, true]);
    expect(fitsCar({ shop: { ...workshop.shop, car: null } }, OFFERS[0]!)).toBe(true);
  });
});
