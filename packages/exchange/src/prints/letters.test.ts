/** Widths that pages are laid out with are those of the font that is printed. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { PDFDocument } from 'pdf-lib';
import { printFonts } from './fonts.ts';
import { CAPITAL, linesOf, shortened, spelt, wideAs } from './letters.ts';
import { fitted } from './print-text.ts';

const letters = fc.string({ unit: fc.constantFrom(...'AWf fi il 0½⅜×−–≥Žß€°′″→ЖдΩλθ'), minLength: 1, maxLength: 40 });
const PT_PER_MM = 72 / 25.4;

test('a text is as wide as the font sets it', async () => {
  const fonts = await printFonts(await PDFDocument.create());
  fc.assert(
    fc.property(letters, fc.boolean(), (text, bold) => {
      const [high, font] = [2.5, bold ? fonts.bold : fonts.plain];
      const set = font.widthOfTextAtSize(spelt(text), (high / CAPITAL) * PT_PER_MM) / PT_PER_MM;
      expect(wideAs({ text, high, bold })).toBeCloseTo(set, 3);
    }),
    { numRuns: 200 },
  );
});

describe('what the font has', () => {
  test.each([
    ['Ink ½ × 3/8 − 2 ≥ 1′ 6″', 'Ink ½ × 3/8 − 2 ≥ 1′ 6″'],
    ['Шкаф, Κουτί, Šuplík, თარო', 'Шкаф, Κουτί, Šuplík, თარო'],
    // An accent that was typed after its letter.
    ['e\u0301', 'é'],
    ['木 box', '? box'],
    ['a\tb\u202fc', 'a b c'],
  ])('%s reads %s', (text, shown) => expect(spelt(text)).toBe(shown));
});

test('lines are no longer than there is room, and a text that is cut short fits', async () => {
  const { plain } = await printFonts(await PDFDocument.create());
  fc.assert(
    fc.property(letters, fc.integer({ min: 8, max: 60 }), (text, width) => {
      for (const line of linesOf(text, 2.5, width)) expect(line.length <= 1 || wideAs({ text: line, high: 2.5 }) <= width).toBe(true);
      const short = shortened(text, 2.5, width);
      expect(short.length <= 2 || wideAs({ text: short, high: 2.5 }) <= width).toBe(true);
      const shown = fitted(text, false, 9, 6, width);
      expect(plain.widthOfTextAtSize(shown.text, shown.size)).toBeCloseTo(shown.width, 2);
      expect(shown.text.length <= 4 || shown.width <= width + 1e-6).toBe(true);
    }),
    { numRuns: 150 },
  );
});
