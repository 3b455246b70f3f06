/** Sheets and parts for the tests of the nester, in millimetres. */
import { mm } from '../length/length.ts';
import type { NestPart, NestProblem, NestSheet } from '../nest/problem.ts';

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
