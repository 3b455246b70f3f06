/**
 * Every cabinet: random ones of every family, hanging, wall, joint and sheet, in both units, as they could have been typed. Each is planned,
 * every sum of it opened, every sentence said in both units, every export made. docs/testing.md has the sizes.
 */
import { expect, test } from '@jest/globals';
import { designCodec } from '@keen/core';
import { FAMILY_IDS } from '@keen/core/test/family-units';
import { randomProject } from '@keen/core/test/random-project';
import { faultsOf } from './test/sweep-project.ts';

const SEEDS = Array.from({ length: 24 }, (_, n) => n + 1);
/** Of those, so many are also printed and made into solids, which takes a hundred times as long. */
const PRINTED = 2;

test.each(FAMILY_IDS)(
  'of %s, nothing throws, every number is one, every label has words',
  async (family) => {
    for (const seed of SEEDS) {
      for (const changed of [0.15, 0.5]) {
        const project = randomProject(seed, { family, changed });
        expect(designCodec.read(designCodec.write(project.design), 'design')).toEqual(project.design);
        const whole = seed <= PRINTED && changed < 0.5;
        expect([seed, changed, await faultsOf(project, { prints: whole, solids: whole })]).toEqual([seed, changed, []]);
      }
    }
  },
  120_000,
);

/** Seeds of 100 000 that once found something: `npm run endure -- cabinets`. */
const FOUND = [
  [38729, 0.6],
  [88862, 0.6],
  [94874, 0.6],
  // Two equal numbers in one sentence.
  [2493, 0.1],
  [33858, 0.1],
] as const;

test.each(FOUND)('seed %d, which found something once', async (seed, changed) => {
  expect(await faultsOf(randomProject(seed, { changed }), { prints: true, solids: true })).toEqual([]);
});
