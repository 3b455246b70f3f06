import { describe, expect, test } from '@jest/globals';
import { readWorkshop, workshopCodec } from '../formats/workshop-codec.ts';
import { entered } from '../length/entered.ts';
import { toMm } from '../length/length.ts';
import { starterWorkshop } from './catalogue.ts';
import { widestKerf } from './shop.ts';
import { MATERIALS } from './materials.ts';
import { availableTo, withoutStore } from './workshop.ts';
import { PLAUSIBLE_SHARE, thicknessOf, thicknessSource } from './thickness.ts';
import type { StockPiece } from '../model/workshop.ts';

const { products, shop } = starterWorkshop();

describe('the stock a workshop starts with', () => {
  test('is in both unit worlds, sheets and boards, each under its own id', () => {
    const rows = Object.entries(products);
    for (const [id, product] of rows) expect(product.id).toBe(id);
    for (const unit of ['mm', 'in'] as const)
      for (const kind of ['sheet', 'board'] as const) expect(rows.some(([, row]) => row.unit === unit && row.kind === kind)).toBe(true);
  });

  test('is made of known materials, longer than wide, thinner than a door', () => {
    for (const { material, length, width, nominal, price, name } of Object.values(products)) {
      expect(MATERIALS[material]).toBeDefined();
      expect(length.nm).toBeGreaterThanOrEqual(width.nm);
      expect(toMm(nominal.nm)).toBeGreaterThan(2);
      expect(toMm(nominal.nm)).toBeLessThan(45);
      expect(price).toBeGreaterThan(0);
      expect(name).toMatch(/^[A-Z]/);
    }
  });

  test('boards of chips and fibres have no grain unless they are faced', () => {
    expect(products['mdf-18']!.grain).toBe('none');
    expect(products['faced-board-18']).toMatchObject({ grain: 'length', faced: true });
    expect(products['birch-18']!.grain).toBe('length');
  });

  test('survives storage as it is', () => {
    const workshop = starterWorkshop();
    expect(readWorkshop(JSON.parse(JSON.stringify(workshopCodec.write(workshop))))).toEqual(workshop);
    expect(toMm(widestKerf(shop))).toBe(3.2);
  });
});

describe('materials', () => {
  test('stiffness along the grain is never under that across it, strength is far below stiffness', () => {
    for (const { stiffnessAlongMPa: along, stiffnessAcrossMPa: across, bendingMPa, creep, gravity, densityKgM3, kind } of Object.values(MATERIALS)) {
      const minCreep = kind === 'glass' ? 1 : 1.5;
      expect(along).toBeGreaterThanOrEqual(across);
      expect(bendingMPa).toBeLessThan(along / 400);
      expect(creep).toBeGreaterThanOrEqual(minCreep);
      expect(gravity).toBeLessThan(densityKgM3 / 900);
    }
  });
  test('each says where its figures come from', () => {
    for (const { source } of Object.values(MATERIALS)) expect(source).toMatch(/\[|\(m\)/);
  });
});

describe('the thickness to build with', () => {
  const birch = products['birch-18']!;
  const reading = (value: string, product = 'birch-18') => ({ product, value: entered(value) });
  test('is the name until something is measured', () => {
    const used = thicknessOf(birch, [reading('12 mm', 'birch-12')]);
    expect(used).toEqual({ value: 18e6, nominal: 18e6, readings: 0, spread: 0 });
    expect(thicknessSource(birch, used)).toEqual({ kind: 'nominal', product: 'birch-18' });
  });
  test('is the mean of the readings, to the nanometre, with its spread, whatever unit they were taken in', () => {
    const used = thicknessOf(birch, [reading('17.7 mm'), reading('0.7 in'), reading('17.9 mm')]);
    expect(used.value).toBe(Math.round((17.7e6 + 17.78e6 + 17.9e6) / 3));
    expect(used.spread).toBe(200_000);
    expect(thicknessSource(birch, used)).toEqual({ kind: 'measured', product: 'birch-18', readings: 3 });
  });
  test('a slip of the caliper is a quarter off and more', () => expect(PLAUSIBLE_SHARE).toBe(0.25));
});

describe('what is in the store', () => {
  const piece = (id: string, project?: string): StockPiece => ({
    id,
    product: 'birch-18',
    kind: 'offcut',
    length: entered('600 mm'),
    width: entered('300 mm'),
    ...(project ? { reserved: { project, name: 'Print room' } } : {}),
  });
  const workshop = { ...starterWorkshop(), pieces: { a: piece('a'), b: piece('b', 'mine'), c: piece('c', 'other') } };

  test('is a project’s but for what is kept for others', () => {
    expect(Object.keys(availableTo(workshop, 'mine').pieces)).toEqual(['a', 'b']);
    // Nothing to leave out: the same workshop, so that nothing is planned again.
    const free = { ...workshop, pieces: { a: piece('a') } };
    expect(availableTo(free, 'mine')).toBe(free);
  });

  test('goes into a project’s file without what others have, and without whose it is', () => {
    expect(withoutStore(workshop, 'mine').pieces).toEqual({ a: piece('a'), b: piece('b') });
  });

  test('is read again as it was written, with diagonals, flaws across and whose it is', () => {
    const whole: StockPiece = {
      ...piece('s', 'mine'),
      kind: 'whole',
      length: entered('2440 mm'),
      width: entered('1220 mm'),
      diagonals: { one: entered('2730 mm'), other: entered('2727 mm') },
      flaws: { f1: { id: 'f1', from: entered('0 mm'), to: entered('40 mm'), across: { from: entered('10 mm'), to: entered('1 in') } } },
      place: 'by the door',
      sawn: true,
      from: 'l1/0x.2',
    };
    const full = { ...starterWorkshop(), pieces: { s: whole } };
    expect(readWorkshop(workshopCodec.write(full))).toEqual(full);
  });
});
