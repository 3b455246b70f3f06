/** Exact fractions of BigInts, for typed input: rounding happens once, at the end. */
export interface Rational {
  readonly over: bigint;
  readonly under: bigint; // Always positive.
}

const gcd = (a: bigint, b: bigint): bigint => (b === 0n ? (a < 0n ? -a : a) : gcd(b, a % b));

export function rational(over: bigint, under = 1n): Rational {
  if (under === 0n) throw new RangeError('a fraction over zero');
  const sign = under < 0n ? -1n : 1n;
  const shared = gcd(over, under) || 1n;
  return { over: (sign * over) / shared, under: (sign * under) / shared };
}

export const add = (a: Rational, b: Rational): Rational => rational(a.over * b.under + b.over * a.under, a.under * b.under);
export const subtract = (a: Rational, b: Rational): Rational => rational(a.over * b.under - b.over * a.under, a.under * b.under);
export const multiply = (a: Rational, b: Rational): Rational => rational(a.over * b.over, a.under * b.under);
export const divide = (a: Rational, b: Rational): Rational => rational(a.over * b.under, a.under * b.over);
export const isWhole = (a: Rational): boolean => a.under === 1n;

/** Rounds to the nearest whole number, halves away from zero. */
export function roundToWhole({ over, under }: Rational): bigint {
  const magnitude = over < 0n ? -over : over;
  const rounded = (2n * magnitude + under) / (2n * under);
  return over < 0n ? -rounded : rounded;
}

/** '12.75' or '12,75' as an exact fraction. */
export function decimal(text: string): Rational {
  const [whole = '0', fraction = ''] = text.replace(',', '.').split('.');
  return rational(BigInt((whole || '0') + fraction), 10n ** BigInt(fraction.length));
}

export const toNumber = ({ over, under }: Rational): number => {
  // Beyond 2^53 a direct conversion would round twice; scale first.
  const whole = over / under;
  return Number(whole) + Number(over - whole * under) / Number(under);
};
