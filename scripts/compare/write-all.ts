/**
 * Writes what the product says of every example and of random projects into a folder, a folder each: the plan, the cut list, the nesting
 * problems, setups, build steps and the text of the shop set. Two states of the code are compared by it (compare.mjs).
 *   node write-all FOLDER RANDOM-PROJECTS
 */
import { mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  cutListCsv,
  displayUnitOf,
  learnedWorkshop,
  plan,
  planBuild,
  buildSummary,
  planJson,
  readProject,
  Refusal,
  setupsOf,
  setupWords,
  sheetJobs,
  stepWords,
  writeNestProblem,
  type ProjectFile,
} from '../../packages/core/src/index.ts';
import { FAMILY_IDS } from '../../packages/core/src/test/family-units.ts';
import { randomProject } from '../../packages/core/src/test/random-project.ts';
import { pictureSvg, shopSet } from '../../packages/exchange/src/index.ts';
import { shopFacts } from '../../packages/core/src/model/shop-facts.ts';

/** Of the random projects every so many has its shop set written, which takes a hundred times as long as the rest. */
const SHOP_SET_EVERY = 10;

const text = (value: unknown): string => `${JSON.stringify(value, null, 1)}\n`;

/** A refusal is an answer, and has to stay the same too; all else that is thrown is a fault. */
function answered(make: () => string): string {
  try {
    return make();
  } catch (error) {
    if (error instanceof Refusal) return text(error.problem);
    throw error;
  }
}

function writeProject(folder: string, project: ProjectFile, withShopSet: boolean): void {
  mkdirSync(folder, { recursive: true });
  const { design, record } = project;
  const { workshop, learned } = learnedWorkshop(record, project.workshop);
  const made = plan(design, record, workshop);
  const jobs = () => sheetJobs(made.parts, workshop, { cutting: design.cutting, pins: design.pins, finished: shopFacts(record).finished });
  const build = planBuild(made, design, record, workshop, []);
  const summary = buildSummary({ plan: made, design, workshop, learned, build, unit: design.unit });
  const files: Readonly<Record<string, () => string>> = {
    'plan.json': () => text(planJson(made, design)),
    'cut-list.csv': () => cutListCsv(made.parts, workshop, ({ unit }) => displayUnitOf(design, unit)),
    'nesting.json': () => text(jobs().map(({ product, problem }) => ({ product, problem: writeNestProblem(problem) }))),
    'setups.json': () => {
      const { setups, blanks } = setupsOf(
        made.cabinets.map(({ cabinet }) => cabinet),
        workshop.shop,
      );
      return text(setups.map((setup) => setupWords(setup, { ...summary.setups, blanks }, design.unit)));
    },
    'steps.json': () => text(build.steps.map((step) => stepWords(step, summary, design.unit))),
    ...(withShopSet
      ? {
          'shop-set.txt': () =>
            shopSet({ project, units: [], paper: 'a4', display: design.unit, revision: 'compared' })
              .map((page) => [...pictureSvg(page).matchAll(/<text [^>]*>([^<]*)<\/text>/g)].map(([, words]) => words).join('\n'))
              .join('\n\f\n'),
        }
      : {}),
  };
  for (const [name, make] of Object.entries(files)) writeFileSync(join(folder, name), answered(make));
}

const [folder, count] = process.argv.slice(2);
if (folder === undefined || count === undefined) throw new Error('write-all FOLDER RANDOM-PROJECTS');
const examples = new URL('../examples/', import.meta.url);
for (const name of readdirSync(examples).filter((each) => each.endsWith('.carcass.json')))
  writeProject(join(folder, name), readProject(JSON.parse(readFileSync(new URL(name, examples), 'utf8'))), true);
for (let seed = 1; seed <= Number(count); seed++) {
  const family = FAMILY_IDS[seed % FAMILY_IDS.length]!;
  writeProject(join(folder, `random-${seed}`), randomProject(seed, { family }), seed % SHOP_SET_EVERY === 0);
}
