/** Text fitted to its place. */
import { emsOf, spelt } from './letters.ts';

/** Step of the sizes tried, points. */
const STEP = 0.25;

export interface FittedText {
  readonly text: string;
  /** Points. */
  readonly size: number;
  readonly width: number;
}

/** The text in letters the font has, smaller or truncated until it fits the width; points. Measured by letters.ts, whose widths are the font's own. */
export function fitted(text: string, bold: boolean, size: number, least: number, width: number): FittedText {
  const shown = spelt(text);
  // Widths scale with the size: measured once.
  const each = emsOf(shown, bold);
  const steps = Math.max(0, Math.ceil((size - width / each) / STEP - 1e-9));
  const at = Math.max(least, size - steps * STEP);
  if (each * at <= width + 1e-9) return { text: shown, size: at, width: each * at };
  // The longest prefix that fits with its dots: bisection.
  const begun = (letters: number): string => `${shown.slice(0, letters)}...`;
  let [fits, tooLong] = [1, shown.length];
  while (tooLong - fits > 1) {
    const middle = (fits + tooLong) >> 1;
    if (emsOf(begun(middle), bold) * at <= width) fits = middle;
    else tooLong = middle;
  }
  return { text: begun(fits), size: at, width: emsOf(begun(fits), bold) * at };
}
