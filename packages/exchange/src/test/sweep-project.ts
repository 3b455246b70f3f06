/** Makes everything the product can make of a project, and reports what throws, is no number, or has no words. Test support. */
import { cutListCsv, findingWords, fixWords, plan, planJson, type DisplayUnit, type ProjectFile } from '@keen/core';
import { faultsOfSums } from '@keen/core/test/every-label';
import { partsDxf } from '../dxf.ts';
import { pictureSvg } from '../prints/picture-svg.ts';
import { shopSet } from '../prints/set/shop-set.ts';
import { cabinetsGlb, cabinetsStl } from '../solids.ts';

const UNITS: readonly DisplayUnit[] = ['mm', 'in'];
/** A word no sentence should contain. */
const NONSENSE = /NaN|undefined|Infinity|\[object/;
/** A length or mass as text. */
const AMOUNT = /(?:\d[\d ]*\/\d+|\d+(?:\.\d+)?) (?:mm|in|kg|lb)(?: (?:shy|strong))?\b/g;
/** A comparison, before and after a semicolon, shows two amounts. */
const AGAINST = /wanted|wants|needed|needs|takes|lifts|trusted with|is the (?:least|most)/;

export interface SweepOptions {
  /** Includes the shop set, which takes a hundred times as long as the rest. */
  readonly prints: boolean;
  readonly solids: boolean;
}

/** Faults in short; empty where everything was made and reads well. */
export async function faultsOf(project: ProjectFile, { prints, solids }: SweepOptions): Promise<string[]> {
  const { design, record, workshop } = project;
  const faults: string[] = [];
  const tried = async <T>(what: string, make: () => T | Promise<T>): Promise<T | undefined> => {
    try {
      return await make();
    } catch (error) {
      const { message, stack } = error as Error;
      faults.push(
        `${what}: ${message} (${
          /\((.*?packages\/[^)]*)\)|at (\S*packages\/\S+)/
            .exec(stack ?? '')
            ?.slice(1)
            .find(Boolean)
            ?.replace(/.*packages\//, '') ?? ''
        })`,
      );
      return undefined;
    }
  };
  const text = (what: string, words: string): void => {
    const found = NONSENSE.exec(words);
    if (found) faults.push(`${what}: '${words.slice(Math.max(0, found.index - 40), found.index + 30)}'`);
  };
  const made = await tried('plan', () => plan(design, record, workshop));
  if (!made) return faults;
  for (const { fault } of made.unplanned) if (fault.code === 'failed') faults.push(fault.message);
  faults.push(...faultsOfSums(made.cabinets));
  await tried('plan JSON', () => text('plan JSON', JSON.stringify(planJson(made, design))));
  for (const unit of UNITS) {
    await tried('cut list', () =>
      text(
        'cut list',
        cutListCsv(made.parts, workshop, () => unit),
      ),
    );
    for (const finding of made.findings)
      await tried(finding.check, () => {
        const { says, why } = findingWords(finding, unit);
        text(finding.check, `${says} ${why}`);
        const [first = '', second = ''] = AGAINST.test(says) ? says.split('; ') : [];
        const has = first.match(AMOUNT)?.at(-1);
        if (has !== undefined && has === second.match(AMOUNT)?.[0]) faults.push(`${finding.check}: two equal numbers in '${says}'`);
        for (const { label } of finding.fixes) text(`fix of ${finding.check}`, fixWords(label, unit));
      });
  }
  await tried('parts-dxf', () => partsDxf(made));
  if (solids) {
    await tried('glb', () => cabinetsGlb(made.cabinets, made));
    await tried('stl', () => cabinetsStl(made.cabinets));
  }
  if (prints && made.cabinets.length > 0)
    await tried('shop set', () => {
      const pages = shopSet({ project, units: [], paper: 'a4', display: design.unit, revision: 'sweep' });
      for (const page of pages) text('shop set', pictureSvg(page).replace(/ d="[^"]*"/g, ''));
    });
  return faults;
}
