import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mm } from '../length/length.ts';
import { Refusal } from '../problem/problem.ts';
import { byId, checked, choice, constant, length, list, number, object, objectWith, orNull, quote, text, yesNo, type Codec } from './codec.ts';

const problemOf = (read: () => unknown): Refusal['problem'] | undefined => {
  try {
    read();
    return undefined;
  } catch (error) {
    if (error instanceof Refusal) return error.problem;
    throw error;
  }
};
const refuses = (codec: Codec<any>, value: unknown, code = 'value', where = 'here'): void => {
  expect(problemOf(() => codec.read(value, 'here'))).toMatchObject({ code, where, accepted: expect.stringMatching(/./) });
};

describe('plain values', () => {
  test('text has limits, and blanks are no text', () => {
    expect(text(5).read('birch', 'here')).toBe('birch');
    for (const value of ['', '   ', 'birches', 5, null, undefined]) refuses(text(5), value);
  });
  test('numbers have limits; NaN, text and parts of a whole are refused', () => {
    expect(number(0, 9).read(2.5, 'here')).toBe(2.5);
    for (const value of [NaN, Infinity, -1, 10, '5', null]) refuses(number(0, 9), value);
    refuses(number(0, 9, true), 2.5);
  });
  test('yes or no is neither 0 nor text', () => {
    expect(yesNo.read(false, 'here')).toBe(false);
    for (const value of [0, 1, 'true', null]) refuses(yesNo, value);
  });
  test('one of a few says which', () => {
    expect(problemOf(() => choice(['tight', 'push']).read('wobbly', 'here'))!.accepted).toBe('one of tight, push');
    refuses(constant('x'), 'y');
    expect(orNull(yesNo).read(null, 'here')).toBeNull();
  });
});

describe('lengths', () => {
  const size = length(mm(10), mm(500));
  test('keep their text', () => {
    const read = size.read('(3 - 2*1/4) in', 'here');
    expect(read).toEqual({ text: '(3 - 2*1/4) in', nm: 63_500_000 });
    expect(size.write(read)).toBe('(3 - 2*1/4) in');
  });
  test('out of range, without a unit, or no text', () => {
    refuses(size, '9 mm', 'range');
    refuses(size, '20 in', 'range');
    refuses(size, '100', 'length-unit');
    refuses(size, 100);
  });
});

describe('objects', () => {
  const shelf = object({ at: length(mm(0), mm(900)), glued: yesNo });
  test('have exactly their fields', () => {
    expect(shelf.write(shelf.read({ at: '5 mm', glued: true }, 'here'))).toEqual({ at: '5 mm', glued: true });
    refuses(shelf, { at: '5 mm' }, 'missing-field');
    refuses(shelf, { at: '5 mm', glued: true, more: 1 }, 'unknown-field');
    refuses(shelf, { at: '5 mm', glued: 1 }, 'value', 'here.glued');
    for (const value of [[], null, 'x']) refuses(shelf, value);
  });
  test('may have fields that need not be there', () => {
    const noted = objectWith({ glued: yesNo }, { note: text(9) });
    expect(noted.read({ glued: true }, 'here')).toEqual({ glued: true });
    expect(noted.write({ glued: true, note: 'dry' })).toEqual({ glued: true, note: 'dry' });
  });
  test('by id: ids are ids, and not too many', () => {
    const shelves = byId(yesNo, 2);
    expect(shelves.read({ a: true, b: false }, 'here')).toEqual({ a: true, b: false });
    refuses(shelves, { a: true, b: true, c: true }, 'too-many');
    for (const key of ['a b', '-a', '', 'x'.repeat(65), 'constructor', 'toString']) refuses(shelves, { [key]: true }, 'id');
    refuses(shelves, { a: 1 }, 'value', 'here.a');
  });
  test('lists say which entry', () => {
    refuses(list(yesNo, 5), [true, 1], 'value', 'here[1]');
    refuses(list(yesNo, 1), [true, true], 'too-many');
    refuses(list(yesNo, 1), { length: 0 });
  });
  test('a rule across fields', () => {
    const pair = checked(object({ a: number(0, 9), b: number(0, 9) }), ({ a, b }, where) => {
      if (a > b) throw new Refusal('order', 'a is over b', `${where}.a`, 'a up to b');
    });
    expect(pair.read({ a: 1, b: 2 }, 'here')).toEqual({ a: 1, b: 2 });
    refuses(pair, { a: 3, b: 2 }, 'order', 'here.a');
  });
});

test('what is quoted in a message is short, whatever was sent', () => {
  fc.assert(fc.property(fc.anything(), (value) => expect(quote(value).length).toBeLessThanOrEqual(60)));
});
