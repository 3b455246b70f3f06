/** Shops to start from, and what is read off a shop. */
import { describe, expect, test } from '@jest/globals';
import { shopCodec } from '../formats/shop-codec.ts';
import { entered } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import { planWith, printRoom } from '../test/print-room.ts';
import { plan } from '../planner/plan.ts';
import { guideReach, handHeldShop, longestCrosscut, newMachine, noStackShop, ripCapacity, stackSaw, STARTER_SHOPS, defaultShop, widestKerf } from './shop.ts';

describe('shops to start from', () => {
  test.each(STARTER_SHOPS.map(({ name, make }) => [name, make] as const))('%s is written and read without loss', (_name, make) => {
    expect(shopCodec.read(shopCodec.write(make()), 'shop')).toEqual(make());
  });
  test('a stack is offered only where there is one and an arbor with room for it', () => {
    expect(stackSaw(defaultShop())?.kind).toBe('table-saw');
    expect(stackSaw(noStackShop())).toBeUndefined();
    expect(stackSaw(handHeldShop())).toBeUndefined();
    const usual = defaultShop();
    const short = { ...usual, machines: { saw: { ...newMachine('table-saw', 'saw', 0), stack: entered('5 mm') } } };
    expect(stackSaw(short)).toBeUndefined();
  });
  test('a layout takes the widest kerf of the saws, a rip the fence, a long cut the guide', () => {
    expect([widestKerf(defaultShop()), ripCapacity(defaultShop()), guideReach(defaultShop()), longestCrosscut(defaultShop())].map(toMm)).toEqual([
      3.2, 760, 1400, 1400,
    ]);
    expect([widestKerf(handHeldShop()), ripCapacity(handHeldShop())].map(toMm)).toEqual([2.2, 0]);
  });
});

describe('what cannot be a shop is refused with its place', () => {
  const shop = shopCodec.write(defaultShop()) as Record<string, any>;
  const saw = shop['machines']['table-saw'];
  test.each<[string, object, string]>([
    ['a router with a kerf', { machines: { ...shop['machines'], router: { ...shop['machines'].router, kerf: '3 mm' } } }, 'shop.machines.router.kerf'],
    ['a saw that does not say how it tilts', { machines: { 'table-saw': { ...saw, tilts: undefined } } }, 'shop.machines.table-saw.tilts'],
    ['a bit under another id', { bits: { other: shop['bits']['straight-1'] } }, 'shop.bits.other.id'],
    ['a push fit tighter than a tight one', { fits: { ...shop['fits'], tight: '0.2 mm' } }, 'shop.fits.push'],
  ])('%s', (_name, change, where) => {
    expect(() => shopCodec.read({ ...shop, ...change }, 'shop')).toThrow(expect.objectContaining({ problem: expect.objectContaining({ where }) }));
  });
});

test('a fit stands for what the shop says: slots are as much wider, lengths stay', () => {
  const { design, record, workshop } = printRoom();
  const loose = { ...workshop, shop: { ...workshop.shop, fits: { ...workshop.shop.fits, push: entered('0.15 mm') } } };
  const before = planWith().byId.get('ink')!;
  const after = plan(design, record, loose).byId.get('ink')!;
  expect(design.units['ink']!.fit).toBe('push');
  const dados = (cabinetPlan: typeof before) =>
    cabinetPlan.cabinet.byId
      .get('ink/side/left')!
      .slots.filter(({ kind }) => kind === 'dado')
      .map(({ near, far }) => far - near);
  expect(dados(before).length).toBeGreaterThan(1);
  expect(dados(after)).toEqual(dados(before).map((width) => width + 50_000));
  expect(after.parts.map(({ length }) => length.value)).toEqual(before.parts.map(({ length }) => length.value));
});
