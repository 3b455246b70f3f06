/** What a field shows of a length: as it was typed, or as the tape says it where it was worked out. */
import { expect, test } from '@jest/globals';
import { enter, entered, enteredFromNm, typedText } from './entered.ts';

test.each([
  ['600 mm', 'mm', '600'],
  ['600 mm', 'in', '600 mm'],
  ['23 1/2 in', 'in', '23 1/2'],
  ['17.85 mm', 'mm', '17.85'],
  ['(32 + 2*340) mm', 'mm', '32 + 2*340'],
] as const)('%s in %s: %s', (text, unit, shown) => expect(typedText(entered(text), unit)).toBe(shown));

test('what was worked out to the nanometre is shown by the tape, and read again where it is shown', () => {
  const made = enteredFromNm(1_074_062_258);
  expect(typedText(made, 'in')).toBe('42 9/32 strong');
  expect(typedText(made, 'mm')).toBe('1074.1');
  for (const unit of ['in', 'mm'] as const) expect(enter(typedText(made, unit), unit).ok).toBe(true);
});
