import { describe, expect, test } from '@jest/globals';
import type { DisplayUnit } from './length.ts';
import { parseLength } from './parse.ts';

const read = (text: string, unit?: DisplayUnit): number | string => {
  const parsed = parseLength(text, unit ? { unit } : {});
  return parsed.ok ? parsed.value.nm : parsed.problem.code;
};

describe('a length as people type it', () => {
  test.each<[string, DisplayUnit | undefined, number]>([
    ['586', 'mm', 586e6],
    ['586,5', 'mm', 586.5e6],
    ['586.5mm', undefined, 586.5e6],
    ['58.6cm', undefined, 586e6],
    ['1.2 m', undefined, 1200e6],
    ['.5in', undefined, 12.7e6],
    [',5 in', undefined, 12.7e6],
    ['23 1/16', 'in', 585_787_500], // 23.0625 × 25.4
    ['23-1/16 in', undefined, 585_787_500],
    ['23 1/2in', undefined, 596.9e6],
    ['3/4in', undefined, 19.05e6],
    ['1/64 in', undefined, 396_875],
    [`1' 11-1/16"`, undefined, 585_787_500],
    ['1ft 3in', undefined, 381e6], // 15 in
    [`2'`, undefined, 609.6e6],
    ['5″', undefined, 127e6],
    ['3’ 6”', undefined, 1066.8e6],
    ['32 - 2*3/4', 'in', 774.7e6], // 30.5 in
    ['32in - 2*3/4in', undefined, 774.7e6],
    ['(700 - 2*18)/2', 'mm', 332e6],
    ['1in + 1mm', undefined, 26.4e6],
    ['12 mm × 2', undefined, 24e6],
    ['100mm / 3', undefined, 33_333_333],
    ['96mm/4/3', undefined, 8e6],
    ['96 / 4/3', 'mm', 8e6],
    ['3/4in / 2', undefined, 9.525e6],
    ['96mm / 1 1/2', undefined, 64e6],
    ['96mm * 3/4', undefined, 72e6],
    ['96mm / 1.5/2', undefined, 32e6],
    ['-(10 mm)', undefined, -10e6],
    ['−5 mm', undefined, -5e6],
    ['  18  mm ', undefined, 18e6],
    ['10IN', undefined, 254e6],
    ['(32 - 2*3/4) in', undefined, 774.7e6],
    ['1100,5', 'mm', 1100.5e6],
    ['24½', 'in', 622.3e6],
    ['24 ½ in', undefined, 622.3e6],
    ['½ in', undefined, 12.7e6],
    ['1⁄4 in', undefined, 6.35e6],
    ['24 in.', undefined, 609.6e6],
    ['1 ft. 3 in.', undefined, 381e6],
    ['1ft3in', undefined, 381e6],
  ])('%s (%s) is %d nm', (text, unit, nm) => {
    expect(read(text, unit)).toBe(nm);
  });

  test.each<[string, DisplayUnit | undefined, string]>([
    ['1.1/2', 'in', 'length-ambiguous'],
    ['3 15', 'in', 'length-ambiguous'],
    ['1,200', 'mm', 'length-ambiguous'],
    [`1'-11"`, undefined, 'length-ambiguous'],
    ['3 5/4in', undefined, 'length-ambiguous'],
    ['586', undefined, 'length-unit'],
    ['3 in in', undefined, 'length-text'],
    ['1/3in', undefined, 'length-not-exact'],
    ['1/128 in', undefined, 'length-not-exact'],
    ['3mm + 5', undefined, 'length-mixed'],
    ['3mm * 5mm', undefined, 'length-power'],
    ['5 / 3mm', undefined, 'length-power'],
    ['5mm / 0', undefined, 'length-zero'],
    ['3/0 in', undefined, 'length-zero'],
    ['', 'mm', 'length-empty'],
    ['abc', 'mm', 'length-text'],
    ['5 furlongs', undefined, 'length-text'],
    ['(3mm', undefined, 'length-bracket'],
    ['101 m', undefined, 'length-range'],
    ['5..5', 'mm', 'length-text'],
    ['1e3', 'mm', 'length-text'],
    ['NaN', 'mm', 'length-text'],
    [`1' 2mm`, undefined, 'length-unit'],
    [`${'('.repeat(30)}1mm${')'.repeat(30)}`, undefined, 'length-text'],
    ['9'.repeat(300), 'mm', 'length-text'],
  ])('%s (%s) is refused: %s', (text, unit, code) => {
    expect(read(text, unit)).toBe(code);
  });

  test('a refusal says what, where and what would be accepted', () => {
    const parsed = parseLength('1.1/2', { unit: 'in', where: 'units.u1.width' });
    expect(parsed).toMatchObject({ ok: false, problem: { where: 'units.u1.width' } });
    if (!parsed.ok) {
      expect(parsed.problem.message).toContain('1.1/2');
      expect(parsed.problem.accepted).toContain('1 1/2');
    }
  });

  test('a sum that falls between two nanometres says that it was rounded, a literal never is', () => {
    expect(parseLength('1in / 3')).toMatchObject({ ok: true, value: { rounded: true, expression: true } });
    expect(parseLength('1 1/64 in')).toMatchObject({ ok: true, value: { rounded: false, expression: false } });
  });
});
