import { expect, test } from '@jest/globals';
import { plan } from '../../planner/plan.ts';
import { MATERIALS } from '../../stock/materials.ts';
import { answerSum } from '../../quick-sums/sums.ts';
import { SUM_EXAMPLES, wordsOf } from '../../quick-sums/examples.ts';
import { randomProject } from '../../test/random-project.ts';
import { citationWords } from './citations.ts';

test.each([
  ['[eq]', 'from equilibrium and geometry'],
  ['[eq] docs/formulas/prying.md, r [ASSUME]', 'from equilibrium and geometry; docs/formulas/prying.md, r chosen on the safe side'],
  ['[eq; b ASSUME] docs/formulas/leaf-load.md', 'from equilibrium and geometry; b chosen on the safe side; docs/formulas/leaf-load.md'],
  ['[EC5 T3.2 (m)] docs/formulas/shelf-sag.md', 'EN 1995-1-1 T3.2 (from memory, to be confirmed); docs/formulas/shelf-sag.md'],
  ['[FP](m)', 'handbook of the Finnish plywood makers (from memory, to be confirmed)'],
  ['docs/formulas/panel-mass.md', 'docs/formulas/panel-mass.md'],
  ['entered', 'entered'],
])('%s reads %s', (source, words) => expect(citationWords(source)).toBe(words));

/** Every source of a plan's figures, however deep. */
function sourcesIn(value: unknown, found: Set<string>, deep = 0): void {
  if (typeof value !== 'object' || value === null || deep > 30) return;
  for (const [key, inner] of Object.entries(value)) {
    if (key === 'source' && typeof inner === 'string') found.add(inner);
    else sourcesIn(inner, found, deep + 1);
  }
}

test('no tag is left in any source there is, and none in the working of a sum', () => {
  const found = new Set(Object.values(MATERIALS).map(({ source }) => source));
  for (let seed = 1; seed <= 12; seed++) {
    const { design, record, workshop } = randomProject(seed, { changed: 0.4 });
    for (const { hang, weights } of plan(design, record, workshop).cabinets) sourcesIn([hang, weights], found);
  }
  expect(found.size).toBeGreaterThan(20);
  for (const source of found) expect(citationWords(source)).not.toMatch(/\[|\(m\)|ASSUME/);
  for (const { line } of SUM_EXAMPLES) {
    const [name, ...words] = wordsOf(line);
    for (const text of answerSum(name!, words).working) expect(text).not.toMatch(/\[eq|\[NDS|ASSUME|\(m\)/);
  }
});
