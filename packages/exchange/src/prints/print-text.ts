/** Text that fits where it is set. */
import { emsOf, spelt } from './letters.ts';

/** Sizes are tried in steps of so many points. */
const STEP = 0.25;

export interface FittedText {
  readonly text: string;
  /** Points. */
  readonly size: number;
  readonly width: number;
}

/** The text in letters the font has, smaller or cut short until it fits the width; points. Measured by the widths of letters.ts, which are the font's own. */
export function fitted(text: string, bold: boolean, size: number, least: number, width: number): FittedText {
  const shown = spelt(text);
  // A width grows with its size: it is measured once.
  const each = emsOf(shown, bold);
  const steps = Math.max(0, Math.ceil((size - width / each) / STEP - 1e-9));
  const at = Math.max(least, size - steps * STEP);
  if (each * at <= width + 1e-9) return { text: shown, size: at, width: each * at };
  // The longest beginning that fits with what says that there is more: bisection.
  const begun = (letters: number): string => `${shown.slice(0, letters)}...`;
  let [fits, tooLong] = [1, shown.length];
  while (tooLong - fits > 1) {
    const middle = (fits + tooLong) >> 1;
    if (emsOf(begun(middle), bold) * at <= width) fits = middle;
    else tooLong = middle;
  }
  return { text: begun(fits), size: at, width: emsOf(begun(fits), bold) * at };
}
