/** How long a printed text comes out, letter by letter: widths of the two fonts every PDF reader has. Millimetres. */
import { Encodings, Font, FontNames } from '@pdf-lib/standard-fonts';

/** Height of capitals as a share of the font's size. Source: the fonts' own metrics. */
export const CAPITAL = 0.718;
/** What hangs below the base line, as a share of the height of capitals. */
export const BELOW = 0.29;

const FONTS = { plain: Font.load(FontNames.Helvetica), bold: Font.load(FontNames.HelveticaBold) } as const;
const known = { plain: new Map<string, number>(), bold: new Map<string, number>() };

/** Letters of our own sentences the fonts lack, in letters they have. */
const LIKE: Readonly<Record<string, string>> = { '−': '–', '→': 'to', '≥': 'at least', '≤': 'at most', '′': "'", '″': '"', '⁴': '^4', '\u202f': ' ' };
/** Each becomes one or more the fonts have. */
const STRANGE = new RegExp(`[${Object.keys(LIKE).join('')}]`, 'g');

/** The text in letters the fonts have; what has no likeness becomes a question mark rather than nothing. */
export const spelt = (text: string): string =>
  [...text.replace(STRANGE, (letter) => LIKE[letter]!).replace(/\s/g, ' ')]
    .map((letter) => (Encodings.WinAnsi.canEncodeUnicodeCodePoint(letter.codePointAt(0)!) ? letter : '?'))
    .join('');

/** A text as wide as it is set, mm. `high` is the height of its capitals. */
export function wideAs({ text, high, bold = false }: { readonly text: string; readonly high: number; readonly bold?: boolean }): number {
  const font = bold ? 'bold' : 'plain';
  let thousandths = 0;
  for (const letter of spelt(text)) {
    let width = known[font].get(letter);
    if (width === undefined) {
      width = FONTS[font].getWidthOfGlyph(Encodings.WinAnsi.encodeUnicodeCodePoint(letter.codePointAt(0)!).name) ?? 278;
      known[font].set(letter, width);
    }
    thousandths += width;
  }
  return (thousandths / 1000) * (high / CAPITAL);
}

/** The text in lines no longer than `width`, broken between words; a word that is longer by itself is broken in itself. */
export function linesOf(text: string, high: number, width: number, bold = false): string[] {
  const fits = (line: string): boolean => wideAs({ text: line, high, bold }) <= width;
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(/\s+/).filter((each) => each !== '')) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (fits(longer)) {
      line = longer;
      continue;
    }
    if (line !== '') lines.push(line);
    line = word;
    while (!fits(line) && line.length > 1) {
      let most = line.length - 1;
      while (most > 1 && !fits(line.slice(0, most))) most--;
      lines.push(line.slice(0, most));
      line = line.slice(most);
    }
  }
  if (line !== '') lines.push(line);
  return lines;
}

/** The text cut short with dots where it would be longer than `width`. */
export function shortened(text: string, high: number, width: number, bold = false): string {
  if (wideAs({ text, high, bold }) <= width) return text;
  let shown = text;
  while (shown.length > 1 && wideAs({ text: `${shown}…`, high, bold }) > width) shown = shown.slice(0, -1).trimEnd();
  return `${shown}…`;
}
