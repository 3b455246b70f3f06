/** Widths of printed text, letter by letter, from the font every print embeds. Millimeters. */
import { BOLD, PLAIN, UNITS_PER_EM } from './font-widths.ts';

/** Cap height as a share of the font size. Source: the font's own metrics. */
export const CAPITAL = 0.729;
/** Descent below the base line, as a share of the cap height. */
export const BELOW = 0.33;

/** Widths by letter, as shares of the font size. */
function widthsOf(runs: string): ReadonlyMap<string, number> {
  const widths = new Map<string, number>();
  for (const run of runs.split(' ')) {
    const [first, ...rest] = run.split(',').map((number) => parseInt(number, 36));
    rest.forEach((width, index) => widths.set(String.fromCodePoint(first! + index), width / UNITS_PER_EM));
  }
  return widths;
}

const FONTS = { plain: widthsOf(PLAIN), bold: widthsOf(BOLD) } as const;

/** The text in letters the font has: Latin, Greek, Cyrillic, Georgian and signs; a missing one becomes a question mark. */
export const spelt = (text: string): string =>
  [...text.normalize('NFC').replace(/[\s\u202f]/g, ' ')].map((letter) => (FONTS.plain.has(letter) && FONTS.bold.has(letter) ? letter : '?')).join('');

/** Width of a text as set, mm. `high`: its cap height. */
export function wideAs({ text, high, bold = false }: { readonly text: string; readonly high: number; readonly bold?: boolean }): number {
  return emsOf(spelt(text), bold) * (high / CAPITAL);
}

/** Width of a normalized text, in font sizes. */
export function emsOf(text: string, bold: boolean): number {
  const widths = FONTS[bold ? 'bold' : 'plain'];
  let ems = 0;
  for (const letter of text) ems += widths.get(letter)!;
  return ems;
}

/** The text in lines of at most `width`, broken between words; a longer word is broken itself. */
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

/** The text truncated with dots to `width`. */
export function shortened(text: string, high: number, width: number, bold = false): string {
  if (wideAs({ text, high, bold }) <= width) return text;
  let shown = text;
  while (shown.length > 1 && wideAs({ text: `${shown}…`, high, bold }) > width) shown = shown.slice(0, -1).trimEnd();
  return `${shown}…`;
}
