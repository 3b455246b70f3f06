/**
 * Lengths as on a tape: to 1/32 in or 0.5 mm, with the remainder as strong or shy. Thicknesses, slots and fits are never rounded to a fraction: exactText
 * gives their decimals.
 */
import { NM_PER, toInches, toMm, type DisplayUnit, type Length } from './length.ts';

export interface TapeLength {
  readonly negative: boolean;
  /** Digits before the fraction; '' when there is only a fraction. */
  readonly whole: string;
  /** Decimal part with its point, for millimeters. */
  readonly decimals: string;
  readonly fraction?: { readonly over: number; readonly under: number };
  /** The true length is slightly more (strong) or less (shy) than the mark. */
  readonly rest?: 'strong' | 'shy';
}

const TAPE_STEP: Readonly<Record<DisplayUnit, number>> = { mm: NM_PER.mm / 2, in: NM_PER.in / 32 };
/** Smallest difference visible on a tape. [ASSUME] 0.05 mm */
const UNSEEN = 50_000;

/** A length as read off a tape. */
export function tape(length: Length, unit: DisplayUnit): TapeLength {
  const step = TAPE_STEP[unit];
  const steps = Math.round(Math.abs(length) / step);
  const off = Math.abs(length) - steps * step;
  const rest = Math.abs(off) <= UNSEEN ? undefined : off > 0 ? ('strong' as const) : ('shy' as const);
  const negative = length < 0 && steps > 0;
  const shared = { negative, ...(rest ? { rest } : {}) };
  if (unit === 'mm') return { ...shared, whole: String(Math.floor(steps / 2)), decimals: steps % 2 ? '.5' : '' };
  const whole = Math.floor(steps / 32);
  let over = steps % 32;
  if (over === 0) return { ...shared, whole: String(whole), decimals: '' };
  let under = 32;
  while (over % 2 === 0) {
    over /= 2;
    under /= 2;
  }
  return { ...shared, whole: whole === 0 ? '' : String(whole), decimals: '', fraction: { over, under } };
}

/** '23 11/16', '676.5 shy': without the unit. */
export function tapeText(length: Length, unit: DisplayUnit): string {
  const { negative, whole, decimals, fraction, rest } = tape(length, unit);
  const figure = [whole + decimals, fraction ? `${fraction.over}/${fraction.under}` : ''].filter(Boolean).join(' ');
  return `${negative ? '−' : ''}${figure}${rest ? ` ${rest}` : ''}`;
}

/** '23 11/16 in', '676.5 mm shy' */
export function tapeTextWithUnit(length: Length, unit: DisplayUnit): string {
  const { rest } = tape(length, unit);
  const text = tapeText(length, unit);
  return rest ? `${text.slice(0, -rest.length)}${unit} ${rest}` : `${text} ${unit}`;
}

/** Decimals without rounding to a mark: millimeters to 0.001, inches to 0.0001, without trailing zeros. */
export function exactText(length: Length, unit: DisplayUnit): string {
  const text = unit === 'mm' ? toMm(length).toFixed(3) : toInches(length).toFixed(4);
  return text.replace(/\.?0+$/, '').replace('-', '−') || '0';
}

export const exactTextWithUnit = (length: Length, unit: DisplayUnit): string => `${exactText(length, unit)} ${unit}`;
