/** What the first hang teaches. */
import { expect, test } from '@jest/globals';
import { mm } from '../length/length.ts';
import { seatingOf, type FirstHang } from './seating.ts';

const first = (unit: string, asked: number, came: number, allowed = 0): FirstHang => ({ unit, asked: mm(asked), came: mm(came), allowed: mm(allowed) });

test('nothing known: nothing is allowed for', () => expect(seatingOf('a', null, [])).toEqual({ lower: 0, from: 'nothing', own: null }));
test('its own first hang: asked less came, and what had been allowed', () => {
  expect(seatingOf('a', null, [first('a', 1320, 1317.5)])).toMatchObject({ lower: mm(2.5), from: 'own' });
  // Marked 2 higher already, and still 0.5 low.
  expect(seatingOf('a', null, [first('a', 1320, 1319.5, 2)])).toMatchObject({ lower: mm(2.5), from: 'own' });
  expect(seatingOf('a', null, [first('a', 1320, 1321)])).toMatchObject({ lower: mm(-1) });
});
test('others: their mean; a mark that was plainly wrong teaches nothing', () => {
  const others = [first('b', 1000, 998), first('c', 1000, 997), first('d', 1000, 960)];
  expect(seatingOf('a', null, others)).toMatchObject({ lower: mm(2.5), from: 'others', own: null });
  expect(seatingOf('d', null, others)).toMatchObject({ lower: mm(2.5), from: 'others' });
});
test('what a person entered counts before all of it', () => {
  expect(seatingOf('a', mm(1), [first('a', 1320, 1317)])).toMatchObject({ lower: mm(1), from: 'entered' });
});
