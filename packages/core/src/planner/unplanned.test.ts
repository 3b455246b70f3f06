/** A cabinet that cannot be built is kept, said at its field, and in nobody's way. */
import { expect, test } from '@jest/globals';
import { FAMILIES } from '../cabinets/families.ts';
import { designCodec } from '../formats/design-codec.ts';
import { entered } from '../length/entered.ts';
import { newSpec } from '../test/family-units.ts';
import { printRoom } from '../test/print-room.ts';
import { plan } from './plan.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

const { design, record, workshop } = printRoom();
const beside = (unit: object) => plan({ ...design, units: { ...design.units, u1: unit as CabinetSpec } }, record, workshop);

test.each<[string, object, string]>([
  ['a leaf longer than the backboard', { ...newSpec('fold-down'), height: entered('300 mm') }, 'depth'],
  ['gates that reach past the leaf', { ...newSpec('fold-down'), reach: entered('790 mm') }, 'reach'],
  ['wings that leave no slab', { ...newSpec('slab'), width: entered('400 mm'), wingLeft: entered('300 mm') }, 'width'],
  [
    'insets longer than the cleat',
    { ...newSpec('shelf-box'), hanging: { ...newSpec('shelf-box').hanging, rightInset: entered('1400 mm') } },
    'hanging.rightInset',
  ],
  [
    'brackets longer than the cleat',
    { ...newSpec('shelf-box'), hanging: { ...newSpec('shelf-box').hanging, brackets: { count: 3, length: entered('400 mm') } } },
    'hanging.brackets.length',
  ],
  ['a second cleat behind brackets', { ...newSpec('corner-unit'), hanging: bracketsWithLower() }, 'hanging.brackets'],
])('%s is kept and told at its field; the others are planned', (_name, unit, where) => {
  const { unplanned, cabinets, findings } = beside(unit);
  expect(unplanned.map(({ id, fault }) => [id, fault.path.join('.')])).toEqual([['u1', where]]);
  expect(cabinets).toHaveLength(Object.keys(design.units).length);
  expect(findings[0]).toMatchObject({ check: 'not-planned', unit: 'u1', severity: 'stop' });
  const file = { ...design, units: { u1: unit as CabinetSpec } };
  expect(designCodec.read(designCodec.write(file), 'design').units['u1']).toEqual(unit);
});

test('what a family has no use for keeps nothing from being built', () => {
  const slab = newSpec('slab');
  const { unplanned, byId } = beside({
    ...slab,
    hanging: { ...slab.hanging, spacer: null, lowerCleat: entered('200 mm'), brackets: { count: 2, length: entered('120 mm') } },
  });
  expect(unplanned).toEqual([]);
  expect(byId.get('u1')!.cabinet.hanging.brackets).toEqual(['u1/cabinet-half']);
});

function bracketsWithLower(): CabinetSpec['hanging'] {
  const { hanging } = newSpec('corner-unit');
  return { ...hanging, spacer: null, lowerCleat: entered('200 mm'), brackets: { count: 2, length: entered('120 mm') } };
}

test('planning that fails takes one cabinet out, and says so', () => {
  const { unplanned, cabinets } = beside({ ...newSpec('shelf-box'), shelves: { s1: null } });
  expect(unplanned).toMatchObject([{ id: 'u1', fault: { code: 'failed', message: expect.stringContaining('planning it failed') } }]);
  expect(cabinets).toHaveLength(Object.keys(design.units).length);
});

test('a rail is built only where there is a carcass for one', () => {
  for (const { id } of FAMILIES) {
    const start = newSpec(id as CabinetSpec['family']);
    const { unplanned, byId } = beside({ ...start, hanging: { ...start.hanging, rail: entered('90 mm') } });
    expect([id, unplanned]).toEqual([id, []]);
    const takesRail = !['mitred-box', 'slab', 'fold-down'].includes(id);
    expect([id, byId.get('u1')!.cabinet.panels.some(({ role }) => role === 'hanging-rail')]).toEqual([id, takesRail]);
  }
});
