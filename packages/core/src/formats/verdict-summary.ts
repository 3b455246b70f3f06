/**
 * The verdict on a hanging as text: a headline, the two weakest links, what the figures are and what they leave out. The same on screen, on paper and in
 * JSON.
 */
import { fixWords } from '../checks/words/fixes.ts';
import { bothMasses, massText, percentText } from '../checks/words/amounts.ts';
import { linkWords } from '../checks/words/link-words.ts';
import { VERDICT_WORDS } from '../checks/verdict.ts';
import { carriesRange, loadLimits, type CarriesRange } from '../hang/limits.ts';
import type { DisplayUnit } from '../length/length.ts';
import type { HangHelp } from '../proposals/hang-helps.ts';
import type { CabinetPlan } from '../planner/plan.ts';

/** What every figure of a hanging is. */
export const ESTIMATE =
  'Estimate from published timber-engineering formulas and the inputs you gave; not a certified design. Building code, landlord rules and a licensed engineer take precedence.';

/** What no figure of a hanging includes. */
export const NOT_COVERED: readonly string[] = [
  'what the wall itself carries',
  'rocking in the plane of the wall',
  'impact',
  'damp',
  'vibration',
  'earthquake',
  'leaning or pulling again and again beyond the case shown',
];

export interface VerdictSummary {
  readonly headline: string;
  /** What to measure, and the range after it; null where nothing would narrow it much. */
  readonly narrow: string | null;
  /** The two weakest links, with their utilization. */
  readonly weakest: readonly string[];
  readonly estimate: string;
  readonly notCovered: string;
}

/** Effect of a change, with its new figure: "Use 2 low screws in each stud: OK, carries 83 kg (184 lb)". */
export function helpWords({ fix, state, carriesKg, weakest }: HangHelp, unit: DisplayUnit): string {
  const figure = carriesKg === null ? `most used link at ${percentText(weakest)}` : `carries ${bothMasses(carriesKg, unit)}`;
  return `${fixWords(fix.label, unit)}: ${VERDICT_WORDS[state]}, ${figure}`;
}

/** @param unit of the masses in it */
export function verdictSummary({ hang, hangInput }: Pick<CabinetPlan, 'hang' | 'hangInput'>, unit: DisplayUnit): VerdictSummary {
  return {
    headline: headlineOf({ hang, hangInput }, unit),
    narrow: narrowOf({ hang, hangInput }, unit),
    weakest: hang.links.slice(0, 2).map((link) => `${linkWords(link)}: ${percentText(link.use.value)}`),
    estimate: ESTIMATE,
    notCovered: `Not covered: ${NOT_COVERED.slice(0, -1).join(', ')}, and ${NOT_COVERED.at(-1)!}.`,
  };
}

function headlineOf({ hang, hangInput }: Pick<CabinetPlan, 'hang' | 'hangInput'>, unit: DisplayUnit): string {
  if (hang.state === 'not-checked') return `${VERDICT_WORDS[hang.state]}: no load is planned yet.`;
  const { carriesKg } = loadLimits(hangInput);
  const { lowKg, highKg } = carriesRange(hangInput);
  if (hang.state === 'refused' || carriesKg === null || hang.links.length === 0) return `${VERDICT_WORDS.refused}: do not hang it like this.`;
  return `${VERDICT_WORDS[hang.state]}: estimated to carry ${bothMasses(carriesKg, unit)} of contents${between(lowKg, highKg, unit)}; ${massText(hang.plannedKg, unit)} is planned.`;
}

/** Both ends of the load it may carry; empty where they nearly coincide. */
function between(lowKg: number | null, highKg: number | null, unit: DisplayUnit): string {
  const [low, high] = [massText(lowKg ?? 0, unit), massText(highKg ?? 0, unit)];
  return lowKg === null || highKg === null || highKg - lowKg < ALIKE * highKg ? '' : `, between ${low} and ${high}`;
}

/** Ends closer than this share of the load are given as one. */
const ALIKE = 0.05;

const MEASURE: Readonly<Record<NonNullable<CarriesRange['narrow']>['measure'], string>> = {
  contents: 'Weigh the contents',
  species: 'Find out what the studs are sawn from',
};

function narrowOf({ hang, hangInput }: Pick<CabinetPlan, 'hang' | 'hangInput'>, unit: DisplayUnit): string | null {
  if (hang.state === 'not-checked' || hang.state === 'refused') return null;
  const { lowKg, highKg, narrow } = carriesRange(hangInput);
  if (narrow === null || lowKg === null || highKg === null) return null;
  const range = (low: number, high: number): string => `${massText(low, unit)} to ${massText(high, unit)}`;
  return `${MEASURE[narrow.measure]}: ${range(lowKg, highKg)} becomes ${range(narrow.lowKg, narrow.highKg)}.`;
}
