/** Files that something went wrong with on the way: cut short, doubled, bytes changed, letters of another alphabet between. */
import * as fc from 'fast-check';

const STRANGE = [
  '"',
  "'",
  '\\',
  '{',
  '[',
  ']',
  '}',
  ';',
  ',',
  '\t',
  '\n',
  '\r',
  '\0',
  '\uFEFF',
  '\uFFFD',
  '\u202E',
  '\u00e9',
  '=',
  '<',
  '&',
  '0',
  '-',
  '1e309',
  'NaN',
  '"""',
];

/** Texts one to four accidents away from a good one. */
export function mutationsOf(good: string): fc.Arbitrary<string> {
  const at = fc.nat({ max: good.length });
  const accident = fc.oneof(
    at.map((end) => (text: string) => text.slice(0, end)),
    fc.tuple(at, fc.constantFrom(...STRANGE)).map(
      ([place, letter]) =>
        (text: string) =>
          text.slice(0, place) + letter + text.slice(place),
    ),
    fc.tuple(at, fc.constantFrom(...STRANGE)).map(
      ([place, letter]) =>
        (text: string) =>
          text.slice(0, place) + letter + text.slice(place + 1),
    ),
    fc.tuple(at, fc.nat({ max: 400 })).map(
      ([place, long]) =>
        (text: string) =>
          text.slice(0, place + long) + text.slice(place),
    ),
    fc.tuple(at, fc.nat({ max: 400 })).map(
      ([place, long]) =>
        (text: string) =>
          text.slice(0, place) + text.slice(place + long),
    ),
    fc.tuple(at, fc.constantFrom(...STRANGE), fc.integer({ min: 1000, max: 20_000 })).map(
      ([place, letter, count]) =>
        (text: string) =>
          text.slice(0, place) + letter.repeat(count) + text.slice(place),
    ),
    // Read in another encoding than it was written in.
    fc.constant((text: string) => [...text].map((letter) => (letter.codePointAt(0)! > 127 ? '\u00c3\u00a9' : letter)).join('')),
    fc.constant((text: string) => [...text].join('\0')),
  );
  return fc.array(accident, { minLength: 1, maxLength: 4 }).map((all) => all.reduce((text, next) => next(text), good));
}
