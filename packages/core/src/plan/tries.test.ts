/** Tries of a unit: kept, compared, taken; nothing is lost by going to and fro. */
import { describe, expect, test } from '@jest/globals';
import { designCodec } from '../formats/design-codec.ts';
import { printRoom, typed } from '../test/print-room.ts';
import { triesOf } from './design.ts';
import { applyEdit } from './edit.ts';
import { createPlanner, plan } from './plan.ts';
import { keepTry, takeTry, triedOf } from './tries.ts';

const { design, record, workshop } = printRoom();
const kept = applyEdit(design, keepTry(design, 'ink', 't1', 'first try'));
const deeper = applyEdit(kept, [typed('depth', '340 mm')]);

test('kept, it is the unit as it stood; edits of the unit do not touch it', () => {
  expect(triesOf(deeper, 'ink')).toMatchObject([{ id: 't1', name: 'first try', unit: { depth: { text: '280 mm' } } }]);
  expect(triesOf(deeper, 'type')).toEqual([]);
  expect(designCodec.read(designCodec.write(deeper), 'design')).toEqual(deeper);
});

test('they are planned side by side, each as if it stood there', () => {
  const rows = triedOf(createPlanner, deeper, record, workshop, 'ink');
  expect(rows.map(({ name, outMm }) => [name, Math.round(outMm)])).toEqual([
    ['Ink cupboard', 358],
    ['first try', 298],
  ]);
  expect(rows[0]!.plan.weights.empty.mass.value).toBeGreaterThan(rows[1]!.plan.weights.empty.mass.value);
  expect(rows[1]!.plan.findings).toEqual(plan(design, record, workshop).byId.get('ink')!.findings);
  expect(triedOf(createPlanner, deeper, record, workshop, 'nothing')).toEqual([]);
});

describe('taken', () => {
  const taken = applyEdit(deeper, takeTry(deeper, 't1'));
  test('it stands where the unit stood, and what stood there is kept in its place', () => {
    expect(taken.units['ink']).toMatchObject({ id: 'ink', depth: { text: '280 mm' }, place: deeper.units['ink']!.place, order: deeper.units['ink']!.order });
    expect(triesOf(taken, 'ink')).toMatchObject([{ id: 't1', unit: { depth: { text: '340 mm' } } }]);
  });
  test('taken again, all is as it was', () => {
    const back = applyEdit(taken, takeTry(taken, 't1'));
    expect(back.units['ink']).toEqual(deeper.units['ink']);
    expect(back.tries['t1']!.unit).toEqual(deeper.tries['t1']!.unit);
  });
  test('two of one name are told apart', () => {
    const same = applyEdit(design, keepTry(design, 'ink', 't', 'Ink cupboard'));
    expect(applyEdit(same, takeTry(same, 't')).tries['t']!.name).toBe('Ink cupboard, before');
  });
});
