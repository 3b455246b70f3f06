/** Where a number leads that was entered: to the station its field stands on. */
import { FAMILIES, familyOf, entered, type UnitDesign } from '@keen/core';
import { expect, test } from '@jest/globals';
import { shownFields } from '../box/UnitFields.tsx';
import { stationOfField } from './stationOfField.ts';

const unitOf = (family: string): UnitDesign =>
  familyOf({ family } as never).create({
    id: 'u1',
    name: 'Cabinet',
    order: 1,
    unit: 'mm',
    width: entered('600 mm'),
    height: entered('700 mm'),
    depth: entered('300 mm'),
    stock: 'birch-18',
    backStock: 'birch-6',
    contents: { preset: 'general', kg: null },
    place: { along: entered('300 mm'), up: entered('1350 mm') },
  } as never) as UnitDesign;

test.each(FAMILIES.map(({ id }) => id))('%s: how it hangs is entered at Hang, what it is made of at Box', (family) => {
  const box = unitOf(family);
  for (const group of ['hanging', 'fixings', 'place'] as const)
    for (const { path } of shownFields(box, group)) expect([path.join('.'), stationOfField(box, path)]).toEqual([path.join('.'), 'hang']);
  for (const group of ['size', 'joints', 'back', 'making'] as const)
    for (const { path } of shownFields(box, group)) expect([path.join('.'), stationOfField(box, path)]).toEqual([path.join('.'), 'box']);
});

test('a row is entered at Contents', () => expect(stationOfField(unitOf('shelf-box'), ['rows', 'r1', 'margin'])).toBe('contents'));
