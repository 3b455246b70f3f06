/** Tries of a cabinet: kept, compared, taken; nothing is lost by going to and fro. */
import { describe, expect, test } from '@jest/globals';
import { designCodec } from '../formats/design-codec.ts';
import { checkProducts } from '../formats/project-file.ts';
import { ink, printRoom, typed } from '../test/print-room.ts';
import { variantsOf } from '../model/design.ts';
import { applyEdit } from '../model/edit.ts';
import { createPlanner, plan } from '../planner/plan.ts';
import { keepVariant, stockFor, chooseVariant, removeCabinet, variantFigures } from './variants.ts';

const { design, record, workshop } = printRoom();
const kept = applyEdit(design, keepVariant(design, 'ink', 't1', 'first try'));
const deeper = applyEdit(kept, [typed('depth', '340 mm')]);

test('kept, it is the unit as it stood; edits of the unit do not touch it', () => {
  expect(variantsOf(deeper, 'ink')).toMatchObject([{ id: 't1', name: 'first try', unit: { depth: { text: '280 mm' } } }]);
  expect(variantsOf(deeper, 'type')).toEqual([]);
  expect(designCodec.read(designCodec.write(deeper), 'design')).toEqual(deeper);
});

test('they are planned side by side, each as if it stood there', () => {
  const rows = variantFigures(createPlanner, deeper, record, workshop, 'ink');
  expect(rows.map(({ name, outMm }) => [name, Math.round(outMm)])).toEqual([
    ['Ink cupboard', 358],
    ['first try', 298],
  ]);
  expect(rows[0]!.plan.weights.empty.mass.value).toBeGreaterThan(rows[1]!.plan.weights.empty.mass.value);
  expect(rows[1]!.plan.findings).toEqual(plan(design, record, workshop).byId.get('ink')!.findings);
  expect(variantFigures(createPlanner, deeper, record, workshop, 'nothing')).toEqual([]);
});

describe('taken', () => {
  const taken = applyEdit(deeper, chooseVariant(deeper, 't1'));
  test('it stands where the unit stood, and what stood there is kept in its place', () => {
    expect(taken.units['ink']).toMatchObject({ id: 'ink', depth: { text: '280 mm' }, place: deeper.units['ink']!.place, order: deeper.units['ink']!.order });
    expect(variantsOf(taken, 'ink')).toMatchObject([{ id: 't1', unit: { depth: { text: '340 mm' } } }]);
  });
  test('taken again, all is as it was', () => {
    const back = applyEdit(taken, chooseVariant(taken, 't1'));
    expect(back.units['ink']).toEqual(deeper.units['ink']);
    expect(back.tries['t1']!.unit).toEqual(deeper.tries['t1']!.unit);
  });
  test('two of one name are told apart', () => {
    const same = applyEdit(design, keepVariant(design, 'ink', 't', 'Ink cupboard'));
    expect(applyEdit(same, chooseVariant(same, 't')).tries['t']!.name).toBe('Ink cupboard, before');
  });
});

test('a unit taken out takes its tries along, and leaves those of others', () => {
  const both = applyEdit(kept, keepVariant(kept, 'type', 't2', 'of another'));
  const without = applyEdit(both, removeCabinet(both, 'ink'));
  expect(Object.keys(without.units)).toEqual(['type']);
  expect(Object.keys(without.tries)).toEqual(['t2']);
});

test('what a try is cut from must be in the workshop, for it may be taken', () => {
  const odd = applyEdit(kept, [{ path: ['tries', 't1', 'unit', 'stock'], value: 'ebony' }]);
  expect(() => checkProducts(odd, workshop)).toThrow(/ebony/);
  expect(() => checkProducts(kept, workshop)).not.toThrow();
});

describe('what a unit asks for by itself', () => {
  const { parts } = plan(design, record, workshop).byId.get('ink')!;
  test('whole sheets of each kind it uses, at their price', () => {
    const asked = stockFor(parts, { ...workshop, pieces: {} });
    // Birch of 18 on two sheets or fewer, and one of 6: never less than what their area asks.
    expect(asked.sheets).toBeGreaterThanOrEqual(2);
    expect(asked.cost).toBeGreaterThan(0);
    expect(asked).toMatchObject({ boards: 0, unplaced: 0 });
  });
  test('a part that no sheet holds is counted, not forgotten', () => {
    const wide = plan(applyEdit(design, [typed('width', '2700 mm')]), record, workshop).byId.get('ink')!;
    expect(stockFor(wide.parts, workshop).unplaced).toBeGreaterThan(0);
  });
  test('a cleat from a board is a board to buy', () => {
    const boarded = plan(applyEdit(design, [ink('hanging.stock', 'spruce-18x144'), typed('hanging.boardWidth', '140 mm')]), record, workshop).byId.get('ink')!;
    expect(stockFor(boarded.parts, workshop).boards).toBe(1);
  });
});
