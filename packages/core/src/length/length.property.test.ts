import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { enter, entered, readEntered, typedText } from './entered.ts';
import { exactTextWithUnit, tape, tapeText } from './format.ts';
import { NM_PER, type DisplayUnit, type Length } from './length.ts';
import { parseLength } from './parse.ts';
import { add, divide, multiply, rational, roundToWhole, subtract, toNumber } from './rational.ts';

const unit = fc.constantFrom<DisplayUnit>('mm', 'in');
const nmOf = (text: string): number => {
  const read = parseLength(text);
  if (!read.ok) throw new Error(`${text}: ${read.problem.message}`);
  return read.value.nm;
};

test('every sixty-fourth of an inch is a whole number of nanometres, and reads as its sum', () => {
  fc.assert(
    fc.property(fc.nat(2000), fc.integer({ min: 1, max: 63 }), (whole, over) => {
      expect(nmOf(`${whole} ${over}/64 in`)).toBe(whole * NM_PER.in + over * 396_875);
    }),
  );
});

test('sums are exact: any order of terms gives the same nanometre', () => {
  const term = fc.oneof(
    fc.nat(9999).map((tenths) => `${tenths / 10}mm`),
    fc.integer({ min: 1, max: 63 }).map((over) => `${over}/64in`),
    fc.nat(40).map((feet) => `${feet}ft`),
  );
  fc.assert(
    fc.property(fc.array(term, { minLength: 2, maxLength: 8 }), (terms) => {
      const forwards = nmOf(terms.join(' + '));
      expect(nmOf([...terms].reverse().join(' + '))).toBe(forwards);
      expect(forwards).toBe(terms.reduce((sum, each) => sum + nmOf(each), 0));
    }),
  );
});

test('what is shown on the tape is within half a step of the truth, and its rest says to which side', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 5e9 }), unit, (nm, shown) => {
      const read = tape(nm as Length, shown);
      const step = shown === 'mm' ? NM_PER.mm / 2 : NM_PER.in / 32;
      const mark = nmOf(`${tapeText(nm as Length, shown).replace(/ (strong|shy)$/, '')} ${shown}`);
      expect(Math.abs(nm - mark)).toBeLessThanOrEqual(step / 2);
      if (read.rest === 'strong') expect(nm).toBeGreaterThan(mark);
      if (read.rest === 'shy') expect(nm).toBeLessThan(mark);
      if (!read.rest) expect(Math.abs(nm - mark)).toBeLessThanOrEqual(50_000);
    }),
  );
});

test('exact text in millimetres reads back to the micrometre', () => {
  fc.assert(
    fc.property(fc.integer({ min: -1e6, max: 1e7 }), (micrometres) => {
      expect(nmOf(exactTextWithUnit((micrometres * 1000) as Length, 'mm'))).toBe(micrometres * 1000);
    }),
  );
});

test('what a person typed comes back as typed, also through storage', () => {
  const amount = fc.oneof(
    fc.nat(3000).map(String),
    fc.tuple(fc.nat(90), fc.integer({ min: 1, max: 31 })).map(([whole, over]) => `${whole} ${over}/32`),
    fc.tuple(fc.integer({ min: 1, max: 90 }), fc.integer({ min: 1, max: 9 })).map(([whole, times]) => `${whole} - ${times}*3/4`),
  );
  fc.assert(
    fc.property(amount, unit, (text, shown) => {
      const stored = enter(text, shown);
      fc.pre(stored.ok);
      if (!stored.ok) return;
      expect(typedText(stored.value, shown)).toBe(text);
      expect(readEntered(stored.value.text)).toEqual(stored);
      expect(entered(stored.value.text).nm).toBe(stored.value.nm);
    }),
  );
});

test('no text, however wild, makes the reader throw', () => {
  fc.assert(
    fc.property(fc.oneof(fc.string({ maxLength: 40 }), fc.string({ unit: fc.constantFrom(...`0123456789.,/'"()+-* mincft`), maxLength: 30 })), (text) => {
      const read = parseLength(text, { unit: 'mm' });
      if (read.ok) expect(Number.isSafeInteger(read.value.nm)).toBe(true);
      else expect(read.problem.accepted).not.toBe('');
    }),
    { numRuns: 2000 },
  );
});

test('fractions obey the rules of arithmetic', () => {
  const fraction = fc.tuple(fc.bigInt({ min: -9999n, max: 9999n }), fc.bigInt({ min: 1n, max: 999n })).map(([over, under]) => rational(over, under));
  fc.assert(
    fc.property(fraction, fraction, (a, b) => {
      expect(subtract(add(a, b), b)).toEqual(a);
      if (b.over !== 0n) expect(divide(multiply(a, b), b)).toEqual(a);
      expect(Math.abs(Number(roundToWhole(a)) - toNumber(a))).toBeLessThanOrEqual(0.5);
    }),
  );
});
