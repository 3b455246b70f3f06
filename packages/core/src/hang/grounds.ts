/**
 * Capacity of one fixing where there is no timber stud: plugs in masonry, screws in metal studs, rated anchors in wallboard; and where such fixings go.
 * Source: docs/formulas/other-grounds.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { screwById } from '../joints/screws.ts';
import { toMm } from '../length/length.ts';
import { STRUCTURES } from '../wall/structures.ts';
import type { Wall, PlugId } from '../model/wall.ts';
import { evaluate, formula, least, termOf, type ExplainedValue } from '../explained/explained-value.ts';
import { HEAD_PULL_THROUGH, headSide, MIN_PENETRATION, lateralYield, PENETRATION, STEEL, shearOf } from './fasteners.ts';
import type { HangInput } from './hang-input.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';

const SOURCE = 'docs/formulas/other-grounds.md';

/** Share of a rating that counts. Ultimate: load at failure; working: load its maker allows. [ASSUME] */
export const RATING_SHARE = {
  plug: { ultimate: ASSUMED.plugUltimate.value, working: ASSUMED.plugWorking.value },
  anchor: { ultimate: ASSUMED.anchorUltimate.value, working: ASSUMED.anchorWorking.value },
} as const;
/** Capacity of an unrated plug in sound brick or concrete, N, and its required depth. [ASSUME] */
export const PLUGS: Readonly<Record<PlugId, { readonly pullN: number; readonly shearN: number; readonly deepMm: number }>> = {
  '6mm': { pullN: 100, shearN: 200, deepMm: 30 },
  '8mm': { pullN: 130, shearN: 260, deepMm: 40 },
  '10mm': { pullN: 160, shearN: 330, deepMm: 50 },
};
/** Upper limit per wallboard anchor, kg, whatever its maker says. [ASSUME] */
export const MAX_PER_ANCHOR_KG = ASSUMED.anchorKg.value;
/** Upper limit of the loaded cabinet on wallboard anchors or light metal studs, kg. [ASSUME] */
export const MAX_ON_ANCHORS_KG = ASSUMED.onAnchorsKg.value;
/** Least thickness of metal studs that hold screws, mm: 20 gauge. [S100 (m)] */
export const SOUND_METAL_MM = ASSUMED.soundMetal.value;
/** Tensile strength of the sheet, MPa: 45 ksi. [S100 (m)] */
const METAL_MPA = ASSUMED.metalStrength.value;
/** Safety factor on the failure of a screw in sheet steel. [S100 E4 (m)] */
const METAL_SAFETY = 3;
/** Thread that shows behind the sheet, mm. */
const METAL_GRIP_MM = 3;
/** Distance of the first and last fixing from the cleat's ends, mm. [ASSUME] */
const END_MM = ASSUMED.fixingEnd.value;
/** Masonry counts as no harder to a bending screw than softwood; it is harder. [ASSUME] */
export const MASONRY_SPECIFIC_GRAVITY = ASSUMED.masonryGravity.value;

/** Capacity of one wall screw, independent of the load. */
export interface ScrewCapacity {
  readonly lateral: ExplainedValue;
  readonly pull: ExplainedValue;
  readonly penetration: ExplainedValue;
  /** Depth of the member it holds in, mm; Infinity where unknown, or where a protruding point does no harm. */
  readonly depthMm: number;
  readonly diameterMm: number;
  /** Least penetration into that member, mm. */
  readonly minMm: number;
}

export type Ground = 'timber' | 'metal' | 'masonry' | 'anchors' | 'moving';

/** What a cabinet on this wall hangs from. */
export function groundOf({ structure, fixing }: Pick<Wall, 'structure' | 'fixing'>): Ground {
  const { carries } = STRUCTURES[structure];
  if (carries === 'moving') return 'moving';
  return fixing.into === 'covering' && (carries === 'timber' || carries === 'metal') ? 'anchors' : carries;
}

/** Whether studs decide where the fixings go. */
export const boundToStuds = (wall: Pick<Wall, 'structure' | 'fixing'>): boolean => {
  const ground = groundOf(wall);
  return ground === 'timber' || ground === 'metal';
};

/** Fixing positions where no stud decides, mm from the cabinet's left end: even along the wall cleat, at most `every` apart. */
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
  compute: ({ kg }) => kg * STANDARD_GRAVITY,
});
/** A screw pulled out of thin sheet, and tilting in it. */
export const METAL_PULL = formula({
  label: 'metal-stud-pull',
  unit: 'N',
  text: '0.85 t D F_u / 3',
  source: `[S100 E4 (m)] ${SOURCE}`,
  terms: { t: 'mm', D: 'mm', F_u: 'MPa' },
  compute: ({ t, D, F_u }) => (0.85 * t * D * F_u) / 3,
});
/** The screw tilts in the sheet, or the sheet tears beside it: the lesser governs. */
export const METAL_SHEAR = formula({
  label: 'metal-stud-shear',
  unit: 'N',
  text: 'min{4.2 √(t³ D), 2.7 t D} F_u / 3',
  source: `[S100 E4 (m)] ${SOURCE}`,
  terms: { t: 'mm', D: 'mm', F_u: 'MPa' },
  compute: ({ t, D, F_u }) => (Math.min(4.2 * Math.sqrt(t ** 3 * D), 2.7 * t * D) * F_u) / 3,
});
/** Across wallboard the screw bends as a dowel between two members with a gap: the sheet is the main member, as deep as it is thick. */
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

/** Capacity of one fixing in metal, masonry or wallboard. Zero where a required rating is unknown. */
export function otherCapacity(input: HangInput, C_D: number): ScrewCapacity {
  const { cabinet, wall, materialOf } = input;
  const { hanging } = cabinet;
  const screw = screwById(hanging.wallScrew.screw);
  const t = toMm(hanging.cleatThickness);
  const covering = toMm(wall.covering.nm) + toMm(hanging.stripOff);
  const cleat = materialOf(cabinet.byId.get(hanging.wallHalf)!.stock);
  const penetration = evaluate(PENETRATION, { L: toMm(hanging.wallScrew.length), cleat: t, wallboard: { value: covering, label: { key: 'wall-covering' } } });
  const steel = evaluate(STEEL, { D_r: screw.rootMm });
  // The head of an anchor, plug screw or sheet-metal screw can still pull through the cleat.
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
  // Across the wall covering the screw bends before the plug gives.
  const bent = shearOf(screw, { side: t, grip, gap: covering, sideGravity: cleat.gravity, mainGravity: MASONRY_SPECIFIC_GRAVITY }, C_D);
  return holds(pull, least('plug', 'N', [termOf(shear), termOf(bent)], SOURCE), deepMm);
}

/** Capacity of one plug in this masonry: its rating, or the low value of the table. */
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

/** Capacity of one fixing in a moving wall, in any direction: the lesser of its rated pull and shear. Zero where not entered. */
export const movingHold = (wall: Wall): ExplainedValue =>
  least(
    'rated-fixing',
    'N',
    (['pullN', 'shearN'] as const).map((which) => termOf(rated(wall, which, 'anchor'))),
    'docs/formulas/two-planes.md',
  );

/** Least thread in timber for a screw of this diameter, mm. */
export const minThreadInTimber = (diameterMm: number): number => MIN_PENETRATION * diameterMm;

function rated({ fixing }: Pick<Wall, 'fixing'>, which: 'pullN' | 'shearN', kind: keyof typeof RATING_SHARE): ExplainedValue {
  const rating = { value: fixing[which] ?? 0, source: { kind: 'entered' as const, path: ['wall', 'fixing', which] } };
  return evaluate(RATED, { rating, share: RATING_SHARE[kind][fixing.rating] });
}

/** Whether a required rating is missing. */
export const isUnrated = (wall: Pick<Wall, 'structure' | 'fixing'>): boolean =>
  groundOf(wall) === 'anchors' && (wall.fixing.pullN === null || wall.fixing.shearN === null);

/** The limit, kg, where the cabinet is heavier than anchors or light metal studs may carry. */
export function overGroundKg(wall: Pick<Wall, 'structure' | 'fixing'>, loadedKg: number): number | null {
  const ground = groundOf(wall);
  const light = ground === 'anchors' || (ground === 'metal' && toMm(wall.fixing.metal.nm) < SOUND_METAL_MM);
  return light && loadedKg > MAX_ON_ANCHORS_KG ? MAX_ON_ANCHORS_KG : null;
}
