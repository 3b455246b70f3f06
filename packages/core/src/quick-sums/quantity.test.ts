import { describe, expect, test } from '@jest/globals';
import { Refusal } from '../problem/problem.ts';
import { readQuantity, type QuantityKind } from './quantity.ts';

const refused = (text: string, kind: QuantityKind): Partial<Refusal['problem']> => {
  try {
    return { message: `read as ${readQuantity(text, kind, 'key')}` };
  } catch (error) {
    if (error instanceof Refusal) return error.problem;
    throw error;
  }
};

describe('values as they are typed', () => {
  test.each<[string, QuantityKind, number]>([
    ['18mm', 'length', 18],
    ['3/4in', 'length', 19.05],
    ['23 11/16in', 'length', 601.6625],
    ['1/3in', 'length', 25.4 / 3],
    ['-3mm', 'length', -3],
    ['900N', 'force', 900],
    ['2kN', 'force', 2000],
    ['40kg', 'force', 392.266],
    ['200lb', 'force', 200 * 0.45359237 * 9.80665],
    ['40kg', 'mass', 40],
    ['980.665N', 'mass', 100],
    ['500g', 'mass', 0.5],
    ['45deg', 'angle', 45],
    ['45°', 'angle', 45],
    ['9GPa', 'stress', 9000],
    ['80ksi', 'stress', 551.5805832],
    ['1000 psi', 'stress', 6.89475729],
    ['680kg/m3', 'density', 680],
    ['0.3N/mm', 'per-length', 0.3],
    ['30kg/m', 'per-length', 0.2941995],
    ['0,5', 'factor', 0.5],
    ['3', 'count', 3],
  ])('%s is a %s of %d', (text, kind, value) => {
    expect(readQuantity(text, kind, 'key')).toBeCloseTo(value, 9);
  });

  test.each<[string, QuantityKind, string]>([
    ['18', 'length', 'unit'],
    ['18kg', 'length', 'length-text'],
    ['900', 'force', 'unit'],
    ['900mm', 'force', 'unit'],
    ['9MPa', 'angle', 'unit'],
    ['3.5', 'count', 'value'],
    ['3mm', 'factor', 'unit'],
    ['x', 'factor', 'value'],
    ['', 'force', 'value'],
    ['12 stone', 'mass', 'unit'],
    ['1e999N', 'force', 'value'],
    ['5__proto__', 'force', 'unit'],
    ['5constructor', 'mass', 'unit'],
  ])('%s is no %s', (text, kind, code) => {
    const problem = refused(text, kind);
    expect(problem).toMatchObject({ code, where: 'key' });
    expect(problem.accepted).not.toBe('');
  });
});
