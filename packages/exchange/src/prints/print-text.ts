/** Text that fits where it is set. */
import type { PDFFont } from 'pdf-lib';
import { spelt } from './letters.ts';

/** Sizes are tried in steps of so many points. */
const STEP = 0.25;

/** The text in letters the font has, smaller or cut short until it fits the width; points. */
export function fitted(text: string, font: PDFFont, size: number, least: number, width: number): { readonly text: string; readonly size: number } {
  const shown = spelt(text);
  // A width grows with its size: it is measured once.
  const each = font.widthOfTextAtSize(shown, 1);
  const steps = Math.max(0, Math.ceil((size - width / each) / STEP - 1e-9));
  const at = Math.max(least, size - steps * STEP);
  if (each * at <= width + 1e-9) return { text: shown, size: at };
  // The longest beginning that fits with what says that there is more: bisection.
  let [fits, tooLong] = [1, shown.length];
  while (tooLong - fits > 1) {
    const middle = (fits + tooLong) >> 1;
    if (font.widthOfTextAtSize(`${shown.slice(0, middle)}...`, at) <= width) fits = middle;
    else tooLong = middle;
  }
  return { text: `${shown.slice(0, fits)}...`, size: at };
}
