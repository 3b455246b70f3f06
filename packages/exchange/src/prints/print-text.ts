/** Text that a print's font can show. */
import type { PDFFont } from 'pdf-lib';

/** Letters the font has; others become question marks rather than none. */
export function printable(text: string, font: PDFFont): string {
  return [...text]
    .map((letter) => {
      try {
        font.encodeText(letter);
        return letter;
      } catch {
        return '?';
      }
    })
    .join('');
}

/** The text, smaller or cut short until it fits the width. */
export function fitted(text: string, font: PDFFont, size: number, least: number, width: number): { readonly text: string; readonly size: number } {
  let shown = printable(text, font);
  let at = size;
  while (at > least && font.widthOfTextAtSize(shown, at) > width) at -= 0.25;
  if (font.widthOfTextAtSize(shown, at) <= width) return { text: shown, size: at };
  while (shown.length > 1 && font.widthOfTextAtSize(`${shown}...`, at) > width) shown = shown.slice(0, -1);
  return { text: `${shown}...`, size: at };
}
