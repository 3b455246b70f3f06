/**
 * Uncertainty of a hanging: unweighed masses and unknown studs may be heavier or lighter, weaker or stronger. Interval method: one end takes every such
 * input at its worst at once, the other at its best. Source: docs/formulas/carries-range.md [ASSUME].
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { guessedMass, type CompartmentLoad, type Load, type CabinetWeights } from '../parts/weights.ts';
import { evaluate, formula, type ExplainedValue } from '../explained/explained-value.ts';
import { weighedAnew } from './load-path.ts';
import { groundOf } from './grounds.ts';
import type { HangInput } from './hang-input.ts';
import type { SpeciesId } from '../model/wall.ts';

/** What a person could measure: the contents, the cabinet itself, the species of the studs. */
export const UNCERTAIN_INPUTS = ['contents', 'cabinet', 'species'] as const;
export type UncertainInput = (typeof UNCERTAIN_INPUTS)[number];
/** `low`: it carries least, because every mass is at its upper bound. */
export type RangeEnd = 'low' | 'high';

/** Relative uncertainty of an unweighed mass. */
const GUESSED = ASSUMED.guessWrong.value;
const SOLID_WOOD = ASSUMED.solidSpread.value;
const SHEET = ASSUMED.sheetSpread.value;
/** Best case for studs of unknown species. The low end is the default itself. */
const STRONG_STUDS: SpeciesId = 'douglas-fir';

const AT_END = formula({
  label: 'mass-at-end',
  unit: 'kg',
  text: 'm · (1 + off)',
  source: '[ASSUME] docs/formulas/carries-range.md',
  terms: { m: 'kg', off: 'factor' },
  compute: ({ m, off }) => m * (1 + off),
});

const remembered = new WeakMap<HangInput, Map<string, HangInput>>();

/** The installation with each of `inputs` at one end of its range; the same object for the same arguments. */
export function atEnd(input: HangInput, end: RangeEnd, inputs: readonly UncertainInput[] = UNCERTAIN_INPUTS): HangInput {
  const key = `${end} ${inputs.join(' ')}`;
  const known = remembered.get(input) ?? new Map<string, HangInput>();
  remembered.set(input, known);
  const made = known.get(key) ?? moved(input, end, inputs);
  known.set(key, made);
  return made;
}

/** Measurable inputs that nobody has measured. */
export const toMeasure = ({ weights, wall }: HangInput): Exclude<UncertainInput, 'cabinet'>[] => [
  ...(guessedMass(weights) > 0 ? (['contents'] as const) : []),
  ...(groundOf(wall) === 'timber' && wall.studs.species === 'unknown' ? (['species'] as const) : []),
];

/** Upper bound on the growth of any force at the low end: each is a sum of hanging masses. */
export const maxGrowth = ({ cabinet, weights, materialOf }: HangInput): number =>
  1 + (guessedMass(weights) > 0 ? GUESSED : cabinet.panels.some(({ stock }) => materialOf(stock).kind === 'solid') ? SOLID_WOOD : SHEET);

function moved(input: HangInput, end: RangeEnd, inputs: readonly UncertainInput[]): HangInput {
  const sign = end === 'low' ? 1 : -1;
  const weights = input.weights;
  const contents = inputs.includes('contents') ? weights.contents.map((load) => contentsAt(load, sign)) : weights.contents;
  const top = weights.top && inputs.includes('contents') ? massAt(weights.top, sign * GUESSED) : weights.top;
  const cabinet = inputs.includes('cabinet') ? cabinetAt(input, sign) : weights;
  const anew = { weights: { ...cabinet, contents, top } };
  const strong = end === 'high' && toMeasure(input).includes('species') && inputs.includes('species');
  if (!strong) return weighedAnew(input, anew);
  return { ...input, ...anew, wall: { ...input.wall, studs: { ...input.wall.studs, species: STRONG_STUDS } } };
}

/** Only the unweighed part is uncertain; the load's extent scales in proportion. */
function contentsAt(load: CompartmentLoad, sign: number): CompartmentLoad {
  const { mass, strips } = load;
  if (mass.value === 0) return load;
  const off = (sign * GUESSED * guessedMass({ contents: [load], top: null })) / mass.value;
  return off === 0 ? load : { ...massAt(load, off), strips: strips.map((strip) => ({ ...strip, mass: offBy(strip.mass, off) })) };
}

/** Boards vary more than sheets. */
function cabinetAt({ cabinet, weights, materialOf }: HangInput, sign: number): CabinetWeights {
  const off = new Map(cabinet.panels.map(({ id, stock }) => [id, sign * (materialOf(stock).kind === 'solid' ? SOLID_WOOD : SHEET)]));
  const hung = cabinet.panels.filter(({ onWall, stands }) => !onWall && !stands);
  const kg = (id: string): number => weights.panels.get(id)!.value;
  const all = hung.reduce((sum, { id }) => sum + kg(id), 0);
  const mean = all > 0 ? hung.reduce((sum, { id }) => sum + kg(id) * off.get(id)!, 0) / all : 0;
  return {
    ...weights,
    panels: new Map([...weights.panels].map(([id, mass]) => [id, offBy(mass, off.get(id) ?? 0)])),
    empty: massAt(weights.empty, mean),
  };
}

const offBy = (mass: ExplainedValue, off: number): ExplainedValue => evaluate(AT_END, { m: mass, off }, mass.label);
const massAt = <L extends Load>(load: L, off: number): L => ({ ...load, mass: offBy(load.mass, off) });
