/** Sheets and parts for the tests of the nester, in millimeters. */
import { seeded } from '../random/random.ts';
import { mm, type Length } from '../length/length.ts';
import type { NestPart, NestProblem, NestSheet } from '../nesting/problem.ts';

export const sheet = (id: string, length: number, width: number, more: Partial<NestSheet> = {}): NestSheet => ({
  id,
  length: mm(length),
  width: mm(width),
  count: null,
  grain: 'none',
  cost: null,
  offcut: false,
  ...more,
});

export const part = (id: string, length: number, width: number, count = 1, more: Partial<NestPart> = {}): NestPart => ({
  id,
  length: mm(length),
  width: mm(width),
  count,
  grain: 'either',
  group: null,
  order: 0,
  ...more,
});

export const job = (sheets: readonly NestSheet[], parts: readonly NestPart[], kerf = 3.2, trim = 0): NestProblem => ({
  kerf: mm(kerf),
  trim: mm(trim),
  cuts: 'guillotine',
  sheets,
  parts,
});

/** Sizes (nm) that so many sheets of 2440 × 1220 come apart into, sawn from edge to edge with a kerf of 3.2. The same seed gives the same. */
export function cutSheets(count: number, seed: number): [dx: number, dy: number][] {
  const random = seeded(seed);
  const kerf = mm(3.2);
  const pieces = (dx: number, dy: number, depth: number): [number, number][] => {
    const across = random() < dx / (dx + dy);
    const size = across ? dx : dy;
    if (depth === 0 || size < mm(250)) return [[dx, dy]];
    const at = Math.round((0.3 + 0.4 * random()) * (size - kerf));
    return across
      ? [...pieces(at, dy, depth - 1), ...pieces(dx - at - kerf, dy, depth - 1)]
      : [...pieces(dx, at, depth - 1), ...pieces(dx, dy - at - kerf, depth - 1)];
  };
  return Array.from({ length: count }, () => pieces(mm(2440), mm(1220), 3)).flat();
}

/** The parts so many sheets were cut into, one of each size. */
export const cutParts = (count: number, seed: number, grain: NestPart['grain']): NestPart[] =>
  cutSheets(count, seed).map(([dx, dy], index) => ({ ...part(`p${index}`, 1, 1, 1, { grain }), length: dx as Length, width: dy as Length }));
