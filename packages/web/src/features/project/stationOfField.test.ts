/** Where a number leads that was entered: to the station its field stands on. */
import { FAMILIES, type FamilyId } from '@keen/core';
import { expect, test } from '@jest/globals';
import { shownFields } from '../box/CabinetFields.tsx';
import { newSpecOf } from '../../test/new-spec.ts';
import { stationOfField } from './stationOfField.ts';

test.each(FAMILIES.map(({ id }) => id))('%s: how it hangs is entered at Hang, what it is made of at Box', (family) => {
  const spec = newSpecOf(family as FamilyId);
  for (const group of ['hanging', 'fixings', 'place'] as const)
    for (const { path } of shownFields(spec, group)) expect([path.join('.'), stationOfField(spec, path)]).toEqual([path.join('.'), 'hang']);
  for (const group of ['size', 'joints', 'back', 'making'] as const)
    for (const { path } of shownFields(spec, group)) expect([path.join('.'), stationOfField(spec, path)]).toEqual([path.join('.'), 'box']);
});

test('a row is entered at Contents', () => expect(stationOfField(newSpecOf('shelf-box'), ['rows', 'r1', 'margin'])).toBe('contents'));
