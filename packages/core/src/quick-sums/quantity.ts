/** Values typed after `key=` on the command line: a number with a unit, converted to the program's own units. */
import { readExpression } from '../length/parse.ts';
import { toNumber } from '../length/rational.ts';
import { Refusal } from '../problem/problem.ts';
import { KG_PER_POUND, STANDARD_GRAVITY } from '../length/constants.ts';

export type QuantityKind = 'length' | 'force' | 'mass' | 'angle' | 'stress' | 'density' | 'per-length' | 'factor' | 'count';

const PSI = 0.00689475729;

interface Unit {
  readonly kind: QuantityKind;
  /** Factors to mm, N, kg, deg, MPa, kg/m3, N/mm. */
  readonly times: number;
}

const UNITS: Readonly<Record<string, Unit>> = {
  N: { kind: 'force', times: 1 },
  kN: { kind: 'force', times: 1000 },
  g: { kind: 'mass', times: 0.001 },
  kg: { kind: 'mass', times: 1 },
  lb: { kind: 'mass', times: KG_PER_POUND },
  deg: { kind: 'angle', times: 1 },
  '°': { kind: 'angle', times: 1 },
  MPa: { kind: 'stress', times: 1 },
  GPa: { kind: 'stress', times: 1000 },
  psi: { kind: 'stress', times: PSI },
  ksi: { kind: 'stress', times: 1000 * PSI },
  'kg/m3': { kind: 'density', times: 1 },
  'N/mm': { kind: 'per-length', times: 1 },
  'kg/m': { kind: 'per-length', times: STANDARD_GRAVITY / 1000 },
};

export const SHOWN_UNIT: Readonly<Record<QuantityKind, string>> = {
  length: 'mm',
  force: 'N',
  mass: 'kg',
  angle: 'deg',
  stress: 'MPa',
  density: 'kg/m3',
  'per-length': 'N/mm',
  factor: '',
  count: '',
};

export const ACCEPTED: Readonly<Record<QuantityKind, string>> = {
  length: 'a length: 18mm, 3/4in, "23 11/16in"',
  force: 'a force: 900N, 2kN, or a mass that weighs it: 200lb, 40kg',
  mass: 'a mass: 40kg, 200lb, or its weight: 900N',
  angle: 'an angle: 45deg',
  stress: 'a stress: 9000MPa, 9GPa, 80ksi',
  density: 'a density: 680kg/m3',
  'per-length': 'a load per length: 0.3N/mm or 30kg/m',
  factor: 'a number without a unit',
  count: 'a whole number without a unit',
};

const NUMBER = /^([+-]?(?:\d+,\d+|\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)\s*(.*)$/;

/**
 * The amount in the program's unit for `kind`.
 * @throws Refusal
 */
export function readQuantity(text: string, kind: QuantityKind, where: string): number {
  const trimmed = text.trim();
  if (kind === 'length') return readLengthMm(trimmed, where);
  const match = NUMBER.exec(trimmed);
  if (!match) throw new Refusal('value', `'${text}' cannot be read`, where, ACCEPTED[kind]);
  const value = Number(match[1]!.replace(',', '.'));
  const unitText = match[2]!.trim();
  if (!Number.isFinite(value)) throw new Refusal('value', `'${text}' is no number`, where, ACCEPTED[kind]);
  if (kind === 'factor' || kind === 'count') {
    if (unitText !== '') throw new Refusal('unit', `'${text}' has a unit`, where, ACCEPTED[kind]);
    if (kind === 'count' && !Number.isInteger(value)) throw new Refusal('value', `'${text}' is not whole`, where, ACCEPTED[kind]);
    return value;
  }
  const cabinet = Object.hasOwn(UNITS, unitText) ? UNITS[unitText]! : undefined;
  if (!cabinet) throw new Refusal('unit', unitText === '' ? `'${text}' has no unit` : `'${unitText}' is no unit`, where, ACCEPTED[kind]);
  if (cabinet.kind === kind) return value * cabinet.times;
  if (kind === 'force' && cabinet.kind === 'mass') return value * cabinet.times * STANDARD_GRAVITY;
  if (kind === 'mass' && cabinet.kind === 'force') return (value * cabinet.times) / STANDARD_GRAVITY;
  throw new Refusal('unit', `'${text}' is a ${cabinet.kind}`, where, ACCEPTED[kind]);
}

/** Millimeters, unrounded: sums accept 1/3in, which a drawing would refuse. */
export function readLengthMm(text: string, where: string): number {
  const negative = text.startsWith('-');
  const { quantity } = readExpression(negative ? text.slice(1) : text, where);
  if (quantity.power !== 1) throw new Refusal('unit', `'${text}' has no unit`, where, ACCEPTED.length);
  return ((negative ? -1 : 1) * toNumber(quantity.value)) / 1e6;
}
