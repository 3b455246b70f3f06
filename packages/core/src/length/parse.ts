/**
 * Reads a length as people type it: "23 1/16", `1' 11-1/16"`, "586", "586,5", "58.6cm", "32 - 2*3/4".
 *
 *   expression = term (('+' | '-') term)*
 *   term       = factor (('*' | '/') factor)*
 *   factor     = '-'? (amount unit? | '(' expression ')' unit?)
 *   amount     = whole fraction | whole '-' fraction | fraction | decimal
 *
 * Operators go from left to right: after a '/' no fraction is read, so that 96 mm/4/3 is 8 mm.
 *
 * The arithmetic is exact and rounded once to the nanometer. A single amount that is not a whole
 * number of nanometers is refused instead of rounded: it is more often a slip than a wish.
 */
import { accept, refuse, Refusal, type Outcome } from '../problem/problem.ts';
import { LONGEST, NM_PER, type Length, type LengthUnit } from './length.ts';
import { add, decimal, divide, isWhole, multiply, rational, roundToWhole, subtract, type Rational } from './rational.ts';

export interface ParsedLength {
  readonly nm: Length;
  /** True when a sum fell between two nanometers. */
  readonly rounded: boolean;
  /** True when the text names its unit; false when `unit` was supplied for it. */
  readonly ownUnit: boolean;
  /** True for arithmetic, false for a single amount. */
  readonly expression: boolean;
}

export interface ParseOptions {
  /** Unit for text without one; without it a bare number is refused. */
  readonly unit?: LengthUnit;
  readonly where?: string;
}

/** An exact value in nanometers to a power of length: 0 a factor, 1 a length. */
export interface Quantity {
  readonly value: Rational;
  readonly power: number;
}

const UNITS: Readonly<Record<string, LengthUnit>> = {
  mm: 'mm',
  cm: 'cm',
  m: 'm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '″': 'in',
  '”': 'in',
  ft: 'ft',
  "'": 'ft',
  '′': 'ft',
  '’': 'ft',
};
/** An abbreviation may have its point: '24 in.' */
const UNIT = /^\s*(mm|cm|m|inches|inch|in|ft|["″”'′’])(?:\.(?!\d))?(?![a-z])/i;
/** Single-character fractions from keyboards and phones. */
const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};
const NUMBER = /^(\d+[.,]\d+|[.,]\d+|\d+[.,]?(?!\d))/;
const MIXED = /^(\d+)(?:\s+|-)(\d+)\/(\d+)/;
const FRACTION = /^(\d+)\/(\d+)/;
const ACCEPTED = `a length such as 586, 586.5mm, 58.6cm, 23 1/16in, 1' 11-1/16" or a sum such as 32in - 2*3/4in`;
const LONGEST_TEXT = 200;

/** Reads text to a Length; refuses with the reason and what would be accepted. */
export function parseLength(text: string, { unit, where = 'length' }: ParseOptions = {}): Outcome<ParsedLength> {
  let read: { quantity: Quantity; literal: boolean };
  try {
    read = readExpression(text, where);
  } catch (error) {
    if (error instanceof Refusal) return { ok: false, problem: error.problem };
    throw error;
  }
  const { quantity, literal } = read;
  if (quantity.power === 0 && !unit) return refuse('length-unit', `'${text.trim()}' has no unit`, where, ACCEPTED);
  const ownUnit = quantity.power === 1;
  const exact = ownUnit ? quantity.value : multiply(quantity.value, rational(BigInt(NM_PER[unit!])));
  if (literal && !isWhole(exact)) {
    return refuse(
      'length-not-exact',
      `'${text.trim()}' is not a whole number of nanometres`,
      where,
      'a decimal, a fraction down to 1/64 in, or a division such as 1in / 3, which is rounded',
    );
  }
  const nm = Number(roundToWhole(exact)) + 0;
  if (Math.abs(nm) > LONGEST) return refuse('length-range', `'${text.trim()}' is longer than 100 m`, where, 'a length up to 100 m');
  return accept({ nm: nm as Length, rounded: !isWhole(exact), ownUnit, expression: !literal });
}

/**
 * The exact value of a typed sum, in nanometers. Every term of a sum has a unit, or none has.
 * @throws Refusal
 */
export function readExpression(text: string, where: string): { quantity: Quantity; literal: boolean } {
  const reader = new Reader(text, where);
  return reader.all();
}

class Reader {
  private rest: string;
  private amounts = 0;
  private operators = 0;
  private depth = 0;

  constructor(
    private readonly text: string,
    private readonly where: string,
  ) {
    if (text.length > LONGEST_TEXT) this.fail('length-text', `the text is longer than ${LONGEST_TEXT} characters`, ACCEPTED);
    this.rest = text
      .replace(/[½⅓⅔¼¾⅛⅜⅝⅞]/g, (sign) => ` ${VULGAR[sign]!}`)
      .replaceAll('⁄', '/')
      .replaceAll('−', '-')
      .replaceAll('×', '*')
      .replaceAll('÷', ' / ')
      .replaceAll('\u00a0', ' ')
      .trim();
    if (this.rest === '') this.fail('length-empty', 'nothing is typed', ACCEPTED);
  }

  all(): { quantity: Quantity; literal: boolean } {
    const quantity = this.expression();
    if (this.rest.trim() !== '') this.unexpected();
    if (quantity.power > 1) this.fail('length-power', `'${this.text}' multiplies a length by a length`, ACCEPTED);
    return { quantity, literal: this.amounts === 1 && this.operators === 0 };
  }

  private expression(): Quantity {
    let sum = this.term();
    for (let sign = this.take(/^\s*([+-])/); sign; sign = this.take(/^\s*([+-])/)) {
      this.operators++;
      const next = this.term();
      if (next.power !== sum.power) {
        this.fail('length-mixed', `'${this.text}' adds a number without a unit to a length`, 'a unit on every term, or on none');
      }
      sum = { power: sum.power, value: (sign === '+' ? add : subtract)(sum.value, next.value) };
    }
    return sum;
  }

  private term(): Quantity {
    let product = this.factor();
    for (let by = this.take(/^\s*([*/])/); by; by = this.take(/^\s*([*/])/)) {
      this.operators++;
      const next = this.factor(by === '/');
      if (by === '*') {
        product = { power: product.power + next.power, value: multiply(product.value, next.value) };
      } else {
        if (next.value.over === 0n) this.fail('length-zero', `'${this.text}' divides by zero`, ACCEPTED);
        product = { power: product.power - next.power, value: divide(product.value, next.value) };
      }
      if (product.power < 0) this.fail('length-power', `'${this.text}' divides a number by a length`, ACCEPTED);
    }
    return product;
  }

  private factor(isDivisor = false): Quantity {
    if (this.take(/^\s*(-)/)) {
      const inner = this.factor(isDivisor);
      return { power: inner.power, value: subtract(rational(0n), inner.value) };
    }
    if (this.take(/^\s*(\()/)) {
      if (++this.depth > 20) this.fail('length-text', 'more than 20 brackets inside one another', ACCEPTED);
      const inner = this.expression();
      if (!this.take(/^\s*(\))/)) this.fail('length-bracket', `a bracket is not closed in '${this.text}'`, ACCEPTED);
      const unit = this.unit();
      if (unit && inner.power !== 0) this.fail('length-unit', `'${this.text}' gives a unit twice`, ACCEPTED);
      return unit ? inUnit(inner.value, unit) : inner;
    }
    return this.amountWithUnit(isDivisor);
  }

  private amountWithUnit(isDivisor: boolean): Quantity {
    this.rest = this.rest.trimStart();
    this.amounts++;
    const value = this.amount(isDivisor);
    const unit = this.unit();
    if (!unit) return { value, power: 0 };
    if (unit !== 'ft') return inUnit(value, unit);
    return this.inchesAfterFeet(inUnit(value, 'ft'));
  }

  /** `1' 11-1/16"` and `1ft 3in` are one amount; `1'-11"` could be one or a difference, so it is refused. */
  private inchesAfterFeet(feet: Quantity): Quantity {
    if (/^-\d/.test(this.rest)) {
      this.fail('length-ambiguous', `'${this.text}' may be feet and inches or a difference`, `1' 11" for feet and inches, 1' - 11" for a difference`);
    }
    if (!/^\s*\d/.test(this.rest)) return feet;
    this.rest = this.rest.trimStart();
    const inches = this.amount();
    const unit = this.unit();
    if (unit && unit !== 'in') this.fail('length-unit', `'${this.text}' mixes feet with ${unit}`, ACCEPTED);
    return { power: 1, value: add(feet.value, inUnit(inches, 'in').value) };
  }

  private amount(isDivisor = false): Rational {
    const mixed = MIXED.exec(this.rest);
    if (mixed) {
      const [all, whole, over, under] = mixed as unknown as [string, string, string, string];
      this.properFraction(over, under);
      this.rest = this.rest.slice(all.length);
      return add(rational(BigInt(whole)), rational(BigInt(over), BigInt(under)));
    }
    const fraction = FRACTION.exec(this.rest);
    if (fraction && !isDivisor) {
      const [all, over, under] = fraction as unknown as [string, string, string];
      if (BigInt(under) === 0n) this.fail('length-zero', `'${this.text}' divides by zero`, ACCEPTED);
      this.rest = this.rest.slice(all.length);
      return rational(BigInt(over), BigInt(under));
    }
    const number = NUMBER.exec(this.rest);
    if (!number) return this.unexpected();
    const [digits] = number;
    if (/^[1-9]\d{0,2},\d{3}$/.test(digits)) {
      this.fail('length-ambiguous', `'${digits}' may be thousands or a decimal comma`, `${digits.replace(',', '')} or ${digits.replace(',', '.')}`);
    }
    this.rest = this.rest.slice(digits.length);
    if (!isDivisor && /^\/\d/.test(this.rest)) {
      this.fail(
        'length-ambiguous',
        `'${this.text}' puts a point before a fraction`,
        'a space between whole and fraction (1 1/2), or spaces around a division (1.1 / 2)',
      );
    }
    if (/^\s+\d/.test(this.rest)) {
      this.fail('length-ambiguous', `'${this.text}' has two numbers side by side`, 'a whole number and a fraction (3 15/16), or an operator between them');
    }
    return decimal(digits);
  }

  private properFraction(over: string, under: string): void {
    if (BigInt(under) === 0n) this.fail('length-zero', `'${this.text}' divides by zero`, ACCEPTED);
    if (BigInt(over) >= BigInt(under)) {
      this.fail(
        'length-ambiguous',
        `${over}/${under} after a whole number is not less than one`,
        'a fraction below one after a whole number, or spaces around a minus sign',
      );
    }
  }

  private unit(): LengthUnit | undefined {
    const match = UNIT.exec(this.rest);
    if (!match) return undefined;
    this.rest = this.rest.slice(match[0].length);
    return UNITS[match[1]!.toLowerCase()];
  }

  private take(pattern: RegExp): string | undefined {
    const match = pattern.exec(this.rest);
    if (!match) return undefined;
    this.rest = this.rest.slice(match[0].length);
    return match[1];
  }

  private unexpected(): never {
    const rest = this.rest.trim();
    return this.fail('length-text', rest === '' ? `'${this.text}' ends too early` : `'${rest}' cannot be read in '${this.text}'`, ACCEPTED);
  }

  private fail(code: string, message: string, accepted: string): never {
    throw new Refusal(code, message, this.where, accepted);
  }
}

const inUnit = (value: Rational, unit: LengthUnit): Quantity => ({ power: 1, value: multiply(value, rational(BigInt(NM_PER[unit]))) });
