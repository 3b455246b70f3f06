/**
 * What one fixing holds where no timber stud does: plugs in masonry, screws in metal studs, anchors in
 * wallboard by their rating. And where they go, when no stud says it. Source: docs/formulas/other-grounds.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { screwById } from '../joints/screws.ts';
import { toMm } from '../length/length.ts';
import type { PlugId } from '../wall/fixing.ts';
import { STRUCTURES } from '../wall/structures.ts';
import type { Wall } from '../wall/wall.ts';
import { evaluate, formula, least, termOf, type ExplainedValue } from '../explained/explained-value.ts';
import { G0, HEAD_PULL_THROUGH, headSide, MIN_PENETRATION, lateralYield, PENETRATION, STEEL, shearOf } from './fasteners.ts';
import type { HangInput } from './hang-input.ts';

const SOURCE = 'docs/formulas/other-grounds.md';

/** Share of a rating that is counted on. Ultimate: what it fails at; working: what its maker lets it carry. [ASSUME] */
export const RATING_SHARE = {
  plug: { ultimate: ASSUMED.plugUltimate.value, working: ASSUMED.plugWorking.value },
  anchor: { ultimate: ASSUMED.anchorUltimate.value, working: ASSUMED.anchorWorking.value },
} as const;
/** What a plug nobody rated is counted on in sound brick or concrete, N, and how deep it wants to be. [ASSUME] */
export const PLUGS: Readonly<Record<PlugId, { readonly pullN: number; readonly shearN: number; readonly deepMm: number }>> = {
  '6mm': { pullN: 100, shearN: 200, deepMm: 30 },
  '8mm': { pullN: 130, shearN: 260, deepMm: 40 },
  '10mm': { pullN: 160, shearN: 330, deepMm: 50 },
};
/** An anchor in wallboard carries no more than this, kg, whatever its maker says. [ASSUME] */
export const MAX_PER_ANCHOR_KG = ASSUMED.anchorKg.value;
/** A cabinet on anchors in wallboard, or on light metal studs, weighs no more than this loaded, kg. [ASSUME] */
export const MAX_ON_ANCHORS_KG = ASSUMED.onAnchorsKg.value;
/** Metal studs from this on are folded from sheet that holds screws, mm: 20 gauge. [S100 (m)] */
export const SOUND_METAL_MM = ASSUMED.soundMetal.value;
/** Tensile strength of the sheet, MPa: 45 ksi. [S100 (m)] */
const METAL_MPA = ASSUMED.metalStrength.value;
/** On what a screw in sheet steel fails at. [S100 E4 (m)] */
const METAL_SAFETY = 3;
/** A screw shows so much thread behind the sheet, mm. */
const METAL_GRIP_MM = 3;
/** First and last fixing stand so far from the strip's ends, mm. [ASSUME] */
const END_MM = ASSUMED.fixingEnd.value;
/** Masonry is taken as no harder to a bending screw than softwood: it is harder. [ASSUME] */
export const MASONRY_SPECIFIC_GRAVITY = ASSUMED.masonryGravity.value;

/** What one wall screw holds; the load does not enter. */
export interface ScrewCapacity {
  readonly lateral: ExplainedValue;
  readonly pull: ExplainedValue;
  readonly penetration: ExplainedValue;
  /** Depth of what holds it, mm: Infinity where nobody can say it or a point behind does no harm. */
  readonly depthMm: number;
  readonly diameterMm: number;
  /** It must reach so far into what holds it, mm. */
  readonly minMm: number;
}

export type Ground = 'timber' | 'metal' | 'masonry' | 'anchors' | 'moving';

/** What a cabinet on this wall hangs from. */
export function groundOf({ structure, fixing }: Pick<Wall, 'structure' | 'fixing'>): Ground {
  const { carries } = STRUCTURES[structure];
  if (carries === 'moving') return 'moving';
  return fixing.into === 'covering' && (carries === 'timber' || carries === 'metal') ? 'anchors' : carries;
}

/** Studs say where fixings go. */
export const boundToStuds = (wall: Pick<Wall, 'structure' | 'fixing'>): boolean => {
  const ground = groundOf(wall);
  return ground === 'timber' || ground === 'metal';
};

/** Where fixings go that no stud says, mm from the cabinet's left end: evenly over the strip on the wall, as near as asked. */
export function fixingPlaces({ from, to }: { readonly from: number; readonly to: number }, everyMm: number): number[] {
  const clear = to - from - 2 * END_MM;
  if (clear <= 0) return [(from + to) / 2];
  const gaps = Math.max(1, Math.ceil(clear / everyMm - 1e-9));
  return Array.from({ length: gaps + 1 }, (_, index) => from + END_MM + (clear * index) / gaps);
}

const RATED = formula({
  label: 'rated-fixing',
  unit: 'N',
  text: 'rating · share',
  source: `[ASSUME] ${SOURCE}`,
  terms: { rating: 'N', share: 'factor' },
  compute: ({ rating, share }) => rating * share,
});
const PLUG = formula({
  label: 'plug',
  unit: 'N',
  text: 'in solid brick · sound',
  source: `[ASSUME] ${SOURCE}`,
  terms: { 'in solid brick': 'N', sound: 'factor' },
  compute: (terms) => terms['in solid brick'] * terms.sound,
});
const ANCHOR_MOST = formula({
  label: 'anchor-most',
  unit: 'N',
  text: '5 kg · g₀',
  source: `[ASSUME] ${SOURCE}`,
  terms: { kg: 'kg' },
  compute: ({ kg }) => kg * G0,
});
/** A screw pulled out of thin sheet, and tilted in it. */
export const METAL_PULL = formula({
  label: 'metal-stud-pull',
  unit: 'N',
  text: '0.85 t D F_u / 3',
  source: `[S100 E4 (m)] ${SOURCE}`,
  terms: { t: 'mm', D: 'mm', F_u: 'MPa' },
  compute: ({ t, D, F_u }) => (0.85 * t * D * F_u) / 3,
});
/** The screw tilts in the sheet, or the sheet tears beside it: the lesser. */
export const METAL_SHEAR = formula({
  label: 'metal-stud-shear',
  unit: 'N',
  text: 'min{4.2 √(t³ D), 2.7 t D} F_u / 3',
  source: `[S100 E4 (m)] ${SOURCE}`,
  terms: { t: 'mm', D: 'mm', F_u: 'MPa' },
  compute: ({ t, D, F_u }) => (Math.min(4.2 * Math.sqrt(t ** 3 * D), 2.7 * t * D) * F_u) / 3,
});
/** Across wallboard the screw bends as a dowel in two members with nothing between them: the sheet is the main member, as deep as it is thick. */
export const METAL_ACROSS = formula({
  label: 'metal-stud-across',
  unit: 'N',
  text: 'least of six yield modes, F_em 426 MPa, / max(R_d, 3) · C_D',
  source: `[TR12 T1-1; NDS 12.3], 3 [S100 E4 (m)] ${SOURCE}`,
  terms: { D: 'mm', D_r: 'mm', F_yb: 'MPa', side: 'mm', t: 'mm', gap: 'mm', 'G side': 'factor', C_D: 'factor' },
  compute: (terms) =>
    lateralYield({ ...headSide(terms), mainMm: terms.t, mainGravity: 0, mainBearingMPa: ASSUMED.metalBearing.value, minReduction: METAL_SAFETY }).valueN *
    terms.C_D,
});

/** One fixing in metal, masonry or wallboard. Nothing where its rating is wanted and nobody knows it. */
export function otherCapacity(input: HangInput, C_D: number): ScrewCapacity {
  const { cabinet, wall, materialOf } = input;
  const { hanging } = cabinet;
  const screw = screwById(hanging.wallScrew.screw);
  const t = toMm(hanging.cleatThickness);
  const covering = toMm(wall.covering.nm) + toMm(hanging.stripOff);
  const cleat = materialOf(cabinet.byId.get(hanging.wallHalf)!.stock);
  const penetration = evaluate(PENETRATION, { L: toMm(hanging.wallScrew.length), cleat: t, wallboard: { value: covering, label: { key: 'wall-covering' } } });
  const steel = evaluate(STEEL, { D_r: screw.rootMm });
  // The head of an anchor, a plug's screw or a sheet-metal screw still draws through the strip.
  const head = evaluate(HEAD_PULL_THROUGH, { D_H: screw.headMm, G: cleat.gravity, t, C_D });
  const holds = (pull: ExplainedValue, shear: ExplainedValue, minMm: number): ScrewCapacity => ({
    lateral: shear,
    pull: least(
      'screw-tension-capacity',
      'N',
      [pull, head, steel].map((each) => termOf(each)),
      SOURCE,
    ),
    penetration,
    depthMm: Infinity,
    diameterMm: screw.diameterMm,
    minMm,
  });
  const ground = groundOf(wall);
  if (ground === 'metal') {
    const [sheet, D] = [toMm(wall.fixing.metal.nm), screw.diameterMm];
    const terms = { t: sheet, D, F_u: METAL_MPA };
    const torn = evaluate(METAL_SHEAR, terms);
    const bent = evaluate(METAL_ACROSS, { D, D_r: screw.rootMm, F_yb: screw.yieldMPa, side: t, t: sheet, gap: covering, 'G side': cleat.gravity, C_D });
    return holds(evaluate(METAL_PULL, terms), least('metal-stud-shear', 'N', [termOf(torn), termOf(bent)], SOURCE), METAL_GRIP_MM);
  }
  if (ground === 'moving') return holds(movingHold(wall), movingHold(wall), -Infinity);
  if (ground === 'anchors') {
    const most = evaluate(ANCHOR_MOST, { kg: MAX_PER_ANCHOR_KG });
    const capped = (figure: ExplainedValue): ExplainedValue => least('rated-fixing', 'N', [termOf(figure), termOf(most)], SOURCE);
    return holds(capped(rated(wall, 'pullN', 'anchor')), capped(rated(wall, 'shearN', 'anchor')), -Infinity);
  }
  const { pull, shear, deepMm } = masonryHold(wall);
  const grip = Math.max(0, penetration.value);
  // Across the covering the screw bends before the plug gives.
  const bent = shearOf(screw, { side: t, grip, gap: covering, sideGravity: cleat.gravity, mainGravity: MASONRY_SPECIFIC_GRAVITY }, C_D);
  return holds(pull, least('plug', 'N', [termOf(shear), termOf(bent)], SOURCE), deepMm);
}

/** What one plug in this masonry holds by itself: as it was rated, or the low figure of the table. */
export function masonryHold(wall: Wall): { readonly pull: ExplainedValue; readonly shear: ExplainedValue; readonly deepMm: number } {
  const { deepMm, pullN, shearN } = PLUGS[wall.fixing.plug];
  const { sound, name } = STRUCTURES[wall.structure];
  const unrated = (value: number): ExplainedValue =>
    evaluate(PLUG, { 'in solid brick': value, sound: { value: sound, source: { kind: 'table', name, tag: '[ASSUME]' } } });
  return {
    pull: wall.fixing.pullN === null ? unrated(pullN) : rated(wall, 'pullN', 'plug'),
    shear: wall.fixing.shearN === null ? unrated(shearN) : rated(wall, 'shearN', 'plug'),
    deepMm,
  };
}

/** Any way, one fixing of a wall that moves: the lesser of what its maker says for pull and shear. Nothing where that is not entered. */
export const movingHold = (wall: Wall): ExplainedValue =>
  least(
    'rated-fixing',
    'N',
    (['pullN', 'shearN'] as const).map((which) => termOf(rated(wall, which, 'anchor'))),
    'docs/formulas/two-planes.md',
  );

/** So many diameters of a screw in timber. */
export const minThreadInTimber = (diameterMm: number): number => MIN_PENETRATION * diameterMm;

function rated({ fixing }: Pick<Wall, 'fixing'>, which: 'pullN' | 'shearN', kind: keyof typeof RATING_SHARE): ExplainedValue {
  const rating = { value: fixing[which] ?? 0, source: { kind: 'entered' as const, path: ['wall', 'fixing', which] } };
  return evaluate(RATED, { rating, share: RATING_SHARE[kind][fixing.rating] });
}

/** A rating that is wanted and missing. */
export const isUnrated = (wall: Pick<Wall, 'structure' | 'fixing'>): boolean =>
  groundOf(wall) === 'anchors' && (wall.fixing.pullN === null || wall.fixing.shearN === null);

/** Heavier than anchors or light metal studs may carry; the limit, kg. */
export function overGroundKg(wall: Pick<Wall, 'structure' | 'fixing'>, loadedKg: number): number | null {
  const ground = groundOf(wall);
  const light = ground === 'anchors' || (ground === 'metal' && toMm(wall.fixing.metal.nm) < SOUND_METAL_MM);
  return light && loadedKg > MAX_ON_ANCHORS_KG ? MAX_ON_ANCHORS_KG : null;
}
