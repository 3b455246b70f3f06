import { expect, test } from '@jest/globals';
import { entered } from '@keen/core';
import { rebased } from './useDraft.ts';

const base = {
  trim: entered('5 mm'),
  liftsKg: 20,
  jigs: { pins: false, pockets: false },
  bits: { a: { id: 'a', d: 6 }, b: { id: 'b', d: 8 } } as Record<string, { id: string; d: number }>,
};

test('what was typed stays, what was changed elsewhere comes in', () => {
  const draft = { ...base, liftsKg: 25, jigs: { ...base.jigs, pins: true } };
  const elsewhere = { ...base, trim: entered('8 mm'), jigs: { ...base.jigs, pockets: true } };
  expect(rebased(base, draft, elsewhere)).toEqual({ ...base, trim: entered('8 mm'), liftsKg: 25, jigs: { pins: true, pockets: true } });
});

test('an untouched form takes the new state over as it is', () => {
  const elsewhere = { ...base, liftsKg: 30 };
  expect(rebased(base, base, elsewhere)).toBe(elsewhere);
});

test('what was saved as it was typed is no draft any more', () => {
  const draft = { ...base, liftsKg: 25, jigs: { ...base.jigs, pins: true } };
  const saved = structuredClone(draft);
  expect(rebased(base, draft, saved)).toBe(saved);
});

test('a length is one value: the typed one stays whole', () => {
  const typed = rebased(base, { ...base, trim: entered('1/4 in') }, { ...base, trim: entered('8 mm') });
  expect(typed.trim).toEqual(entered('1/4 in'));
});

test('members that were added or taken out on one side stay so', () => {
  const { a: _a, ...withoutA } = base.bits;
  const added = { ...base.bits, c: { id: 'c', d: 10 } };
  expect(rebased(base, { ...base, bits: withoutA }, { ...base, bits: added }).bits).toEqual({ b: base.bits['b'], c: { id: 'c', d: 10 } });
  expect(rebased(base, { ...base, bits: added }, { ...base, bits: withoutA }).bits).toEqual({ b: base.bits['b'], c: { id: 'c', d: 10 } });
});
