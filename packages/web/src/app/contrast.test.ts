/** Text on its ground 4.5:1, borders of controls and marks 3:1, in both themes, over the pairs that are in use. */
import { describe, expect, test } from '@jest/globals';
import { cssVariables, DARK, LIGHT, type Tokens } from './tokens.ts';

function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const share = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
    return share <= 0.03928 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}

const TEXT: readonly (readonly [keyof Tokens, keyof Tokens])[] = [
  ['ink', 'paper'],
  ['ink', 'sheet'],
  ['ink', 'birchSoft'],
  ['ink', 'chalkSoft'],
  ['birchInk', 'birch'],
  ['pencil', 'paper'],
  ['pencil', 'sheet'],
  ['chalk', 'paper'],
  ['chalk', 'sheet'],
  ['chalk', 'chalkSoft'],
  ['ochre', 'paper'],
  ['ochre', 'sheet'],
  ['ochre', 'ochreSoft'],
  ['ochre', 'birch'],
  ['madder', 'paper'],
  ['madder', 'sheet'],
  ['madder', 'madderSoft'],
  ['sage', 'paper'],
  ['sage', 'sheet'],
  ['sage', 'sageSoft'],
  ['onInk', 'ink'],
  ['benchInk', 'benchPaper'],
  ['benchPencil', 'benchPaper'],
  ['benchInk', 'ochreSoft'],
  ['benchInk', 'chalkSoft'],
  ['ochre', 'benchPaper'],
];
const MARKS: readonly (readonly [keyof Tokens, keyof Tokens])[] = [
  ['border', 'paper'],
  ['border', 'sheet'],
  ['chalk', 'birch'],
];

describe.each([
  ['light', LIGHT],
  ['dark', DARK],
] as const)('%s', (_name, tokens) => {
  test.each(TEXT)('%s on %s can be read', (text, ground) => expect(contrast(tokens[text], tokens[ground])).toBeGreaterThanOrEqual(4.5));
  test.each(MARKS)('%s on %s can be seen', (mark, ground) => expect(contrast(tokens[mark], tokens[ground])).toBeGreaterThanOrEqual(3));
  test('every token is a colour and becomes a variable', () => {
    for (const [name, colour] of Object.entries(tokens)) {
      expect(colour).toMatch(/^#[0-9a-f]{6}$/);
      expect(cssVariables(tokens)).toContain(`--${name}:${colour};`);
    }
  });
});

test('black on white is 21:1: the measure itself is right', () => expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 5));
