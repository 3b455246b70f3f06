/** A sheet picture as SVG, sized in millimeters. */
import { CAPITAL, spelt } from './letters.ts';
import type { SheetPatch, SheetPicture, SheetStroke, SheetWords } from './sheet-picture.ts';

const fine = (mm: number): string => String(Math.round(mm * 1000) / 1000);
const escaped = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
const grey = (share: number): string => {
  const level = Math.round(share * 255)
    .toString(16)
    .padStart(2, '0');
  return `#${level}${level}${level}`;
};

/** A whole file: black on white, lines, gray areas and words. */
export function pictureSvg({ width, height, title, patches }: SheetPicture): string {
  const up = (y: number): number => height - y;
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" width="${fine(width)}mm" height="${fine(height)}mm" viewBox="0 0 ${fine(width)} ${fine(height)}" font-family="DejaVu Sans Condensed, Helvetica, Arial, sans-serif" stroke-linejoin="round">`,
    `<title>${escaped(spelt(title))}</title>`,
    `<rect width="100%" height="100%" fill="#ffffff"/>`,
    ...patches.flatMap((patch, index) => patchSvg(patch, `p${index}`, up)),
    '</svg>',
    '',
  ].join('\n');
}

function patchSvg({ clip, strokes, words }: SheetPatch, id: string, up: (y: number) => number): string[] {
  const inside = [...strokes.map((each) => strokeSvg(each, up)), ...words.map((each) => wordsSvg(each, up))];
  if (!clip) return inside;
  const { low, high } = clip;
  return [
    `<clipPath id="${id}"><rect x="${fine(low.x)}" y="${fine(up(high.y))}" width="${fine(high.x - low.x)}" height="${fine(high.y - low.y)}"/></clipPath>`,
    `<g clip-path="url(#${id})">`,
    ...inside,
    '</g>',
  ];
}

function strokeSvg({ points, others = [], closed, thick, dash, fill }: SheetStroke, up: (y: number) => number): string {
  const path = [points, ...others].map((ring) => `M${ring.map(({ x, y }) => `${fine(x)} ${fine(up(y))}`).join('L')}${closed ? 'Z' : ''}`).join('');
  const line = thick > 0 ? ` stroke="#000000" stroke-width="${fine(thick)}"${dash.length > 0 ? ` stroke-dasharray="${dash.join(' ')}"` : ''}` : '';
  return `<path d="${path}" fill="${fill === undefined ? 'none' : grey(fill)}" fill-rule="evenodd"${line}/>`;
}

function wordsSvg({ text, x, y, high, bold, from, upright }: SheetWords, up: (y: number) => number): string {
  const turned = upright ? ` transform="rotate(-90 ${fine(x)} ${fine(up(y))})"` : '';
  return `<text x="${fine(x)}" y="${fine(up(y))}" font-size="${fine(high / CAPITAL)}"${bold ? ' font-weight="700"' : ''}${from === 'start' ? '' : ` text-anchor="${from}"`}${turned}>${escaped(spelt(text))}</text>`;
}
