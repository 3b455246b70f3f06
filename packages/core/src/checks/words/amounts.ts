/** Formats amounts: kilograms or pounds, percent, forces to two figures. */
import { roundToNm, type DisplayUnit, type Length } from '../../length/length.ts';
import { exactTextWithUnit, tapeTextWithUnit } from '../../length/format.ts';
import type { ValueUnit } from '../../explained/explained-value.ts';
import { KG_PER_POUND, LITERS_PER_QUART, MM_PER_INCH, STANDARD_GRAVITY } from '../../length/constants.ts';

export const massText = (kg: number, unit: DisplayUnit): string => (unit === 'mm' ? `${trim(kg)} kg` : `${trim(kg / KG_PER_POUND)} lb`);
/** In both units, the reader's first. */
export const bothMasses = (kg: number, unit: DisplayUnit): string => `${massText(kg, unit)} (${massText(kg, unit === 'mm' ? 'in' : 'mm')})`;
export const massPerUnit = (unit: DisplayUnit): 'kg' | 'lb' => (unit === 'mm' ? 'kg' : 'lb');
export const toShownMass = (kg: number, unit: DisplayUnit): number => (unit === 'mm' ? kg : kg / KG_PER_POUND);
export const fromShownMass = (shown: number, unit: DisplayUnit): number => (unit === 'mm' ? shown : shown * KG_PER_POUND);
/** A hanging's percent is rounded up: 100.2 % must never read as 100. */
export const percentText = (share: number): string => (share >= 9.99 ? 'far over' : `${Math.ceil(share * 100 - 1e-6)} %`);
export const sagText = (mm: number, unit: DisplayUnit): string => (unit === 'mm' ? `${mm.toFixed(1)} mm` : `${(mm / MM_PER_INCH).toFixed(3)} in`);
/** As on a tape; finer lengths in decimals. */
export function lengthText(nm: number, unit: DisplayUnit): string {
  const text = tapeTextWithUnit(nm as Length, unit);
  return nm !== 0 && text.startsWith('0 ') ? fineText(nm, unit) : text;
}
export const fineText = (nm: number, unit: DisplayUnit): string => exactTextWithUnit(nm as Length, unit);
/** Two lengths in comparison: as on a tape, or to the hundredth of a millimeter where a tape cannot tell them apart. */
export function lengthsApart(a: number, b: number, unit: DisplayUnit): [string, string] {
  const texts: [string, string] = [lengthText(a, unit), lengthText(b, unit)];
  return texts[0] === texts[1] ? [fineText(a, unit), fineText(b, unit)] : texts;
}
/** Two masses in comparison, with enough decimals to tell them apart. */
export function massesApart(a: number, b: number, unit: DisplayUnit): [string, string] {
  const texts: [string, string] = [massText(a, unit), massText(b, unit)];
  if (texts[0] !== texts[1]) return texts;
  const fine = (kg: number): string =>
    `${toShownMass(kg, unit)
      .toFixed(3)
      .replace(/\.?0+$/, '')} ${massPerUnit(unit)}`;
  return [fine(a), fine(b)];
}
/** A force as the mass it would lift, because people read kilograms or pounds; newtons stay inside sums. Two figures: forces are never known better. */
export const forceText = (newtons: number, unit: DisplayUnit): string => `${twoFigures(toShownMass(newtons / STANDARD_GRAVITY, unit))} ${massPerUnit(unit)}`;

function trim(value: number): string {
  return Math.abs(value) < 10 ? value.toFixed(1).replace(/\.0$/, '') : value.toFixed(0);
}

function twoFigures(value: number): string {
  if (value === 0) return '0';
  const digits = Math.floor(Math.log10(Math.abs(value)));
  const step = 10 ** (digits - 1);
  return step >= 1 ? String(Math.round(value / step) * step) : value.toFixed(1 - digits);
}

/** A value for a sum: enough digits to follow, no more. */
export function figureText(value: number, unit: ValueUnit, shown: DisplayUnit): string {
  switch (unit) {
    case 'mm':
      return shown === 'mm' ? `${digits(value)} mm` : fineText(roundToNm(value), 'in');
    case 'kg':
      return shown === 'mm' ? `${value.toFixed(2)} kg` : `${(value / KG_PER_POUND).toFixed(2)} lb`;
    case 'share':
      return percentText(value);
    case 'N':
      return `${value.toFixed(value < 10 ? 1 : 0)} N`;
    case 'N mm':
    case 'N mm2':
    case 'mm2':
    case 'mm4':
      return `${value >= 1e6 ? value.toExponential(2) : digits(value)} ${unit.replace('2', '²').replace('4', '⁴')}`;
    case 'm3':
      return `${(value * 1000).toFixed(2)} litres`;
    case 'm2':
      return `${value.toFixed(3)} m²`;
    case 'deg':
      return `${digits(value)}°`;
    case 'count':
    case 'factor':
      return digits(value);
    case 'money':
      return value.toFixed(2);
    case 'kg mm':
      return shown === 'mm' ? `${digits(value / 1000)} kg m` : `${digits(value / KG_PER_POUND / MM_PER_INCH)} lb in`;
    case 'kg/m2':
    case 'kg/m3':
      return `${digits(value)} ${unit === 'kg/m2' ? 'kg/m²' : 'kg/m³'}`;
    case 'N/mm':
    case 'MPa':
      return `${digits(value)} ${unit}`;
    case 'min':
      return `${digits(value)} min`;
    case 'l':
      return shown === 'mm' ? `${value.toFixed(2)} l` : `${(value / LITERS_PER_QUART).toFixed(2)} qt`;
    case 'degC':
      return shown === 'mm' ? `${digits(value)} °C` : `${digits((value * 9) / 5 + 32)} °F`;
    default:
      return unit satisfies never;
  }
}

/** Minutes in words: '40 min', '2 h 30 min'. */
export function minutesText(minutes: number): string {
  const whole = Math.max(1, Math.round(minutes));
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  return hours === 0 ? `${rest} min` : rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}

const digits = (value: number): string => (Number.isInteger(value) ? String(value) : value.toFixed(Math.abs(value) < 10 ? 2 : 1).replace(/\.?0+$/, ''));
