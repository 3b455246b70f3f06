/** What refuses a hanging whatever its utilization, and how the remaining states are decided. Rules: docs/formulas/hanging-verdict.md. */
import { ASSUMED } from '../assumed/assumed.ts';
import { screwById } from '../joints/screws.ts';
import { toMm } from '../length/length.ts';
import { isLessMm } from '../length/same-size.ts';
import type { Load } from '../parts/weights.ts';
import { hangsOnCleat, type ResolvedCabinet } from '../solid/cabinet.ts';
import { studsKnown } from '../wall/studs.ts';
import { boundToStuds, groundOf, isUnrated, overGroundKg, type Ground } from './grounds.ts';
import { lowerCarrierOf, missedCarrier, screwsEach, type MissedCarrier } from './carrier-links.ts';
import type { HangInput } from './hang-input.ts';
import { bearingOf } from './bearing-shares.ts';
import { studEdge, studWidthMm, type StudEdge } from './stud-edge.ts';
import type { Link, PartialLoadKind } from './link.ts';
import type { RailFault } from './on-rail.ts';
import { heldByTwoPlanes } from './two-planes.ts';
import type { StudUse } from './wall-links.ts';
import type { StructureId } from '../model/wall.ts';

/** Why a hanging is refused whatever its utilization. */
export type RefusalReason =
  | { readonly kind: 'off-rail'; readonly fault: RailFault['kind'] }
  /**
   * The center of gravity lies outside the bearing length: the cabinet tips sideways. By how much, mm; null where nothing bears. `partly`: only under a
   * partial filling.
   */
  | { readonly kind: 'off-balance'; readonly pastMm: number | null; readonly partly?: PartialLoadKind }
  | { readonly kind: 'no-stud-known' }
  | { readonly kind: 'moving'; readonly structure: StructureId }
  | { readonly kind: 'unrated-anchor' }
  | { readonly kind: 'unrated-plate' }
  | { readonly kind: 'unrated-plane'; readonly plane: 'back' | 'second' }
  | { readonly kind: 'plates-ground'; readonly ground: Ground }
  | { readonly kind: 'ground-too-light'; readonly ground: Ground; readonly limitKg: number }
  | { readonly kind: 'too-few-studs'; readonly studs: number }
  | { readonly kind: 'no-spacer' }
  | { readonly kind: 'thin-back-only'; readonly backMm: number }
  /** No row of screws fits both the cabinet cleat and its carrier. */
  | ({ readonly kind: 'half-misses' } & MissedCarrier)
  | { readonly kind: 'cleat-material'; readonly material: string }
  | { readonly kind: 'short-screw'; readonly diameters: number; readonly reachMm: number; readonly minMm: number }
  /** Screws too close to the edges of the stud. */
  | ({ readonly kind: 'stud-edge' } & StudEdge)
  /** The cabinet cleat of the lower cleat is held by a thin back alone, and must hold the whole load. */
  | { readonly kind: 'lower-half-back'; readonly backMm: number }
  | { readonly kind: 'no-wall-screw' }
  | { readonly kind: 'no-cabinet-screw' }
  | { readonly kind: 'bevel'; readonly bevelDeg: number };

/** `not-checked`: no load is planned, so there is nothing to judge. */
export type VerdictState = 'fine' | 'tight' | 'over' | 'refused' | 'not-checked';

/** One stud only: greatest loaded weight, and greatest distance of the center of gravity from the stud. [ASSUME] */
export const ONE_STUD_KG = ASSUMED.oneStudKg.value;
export const ONE_STUD_OFF_MM = ASSUMED.oneStudOff.value;

/** `neverFine`: on one stud, or on anchors alone, it is never better than close to the limit. [ASSUME] `isLoaded`: contents are planned. */
export function stateOf(links: readonly Link[], refusals: readonly RefusalReason[], neverFine: boolean, isLoaded: boolean): VerdictState {
  if (refusals.length > 0) return 'refused';
  if (links.some(({ use, limit }) => use.value > limit)) return 'over';
  if (!isLoaded) return 'not-checked';
  const tight = neverFine || links.some(({ use, fineTo }) => use.value > fineTo);
  return tight ? 'tight' : 'fine';
}

/** The center of gravity beyond the bearing length, or no bearing at all; undefined where it is within it, or nothing hooks. */
export function offBalance(cabinet: ResolvedCabinet, { along }: Load, studs: readonly StudUse[]): Extract<RefusalReason, { kind: 'off-balance' }> | undefined {
  if (!cabinet.hanging.rip) return undefined;
  const at = studs.map(({ atMm }) => atMm);
  const bearing = bearingOf(cabinet, at.length > 0 ? at : undefined);
  if (!bearing) return { kind: 'off-balance', pastMm: null };
  const pastMm = Math.max(bearing.from - along, along - bearing.to);
  return pastMm >= 0 ? { kind: 'off-balance', pastMm } : undefined;
}

/** Every reason to refuse the hanging; `fixable`: the cabinet cleat can be screwed to something that holds. */
export function refusalsOf({ cabinet, materialOf, wall, railFault }: HangInput, loaded: Load, studs: readonly StudUse[], fixable: boolean): RefusalReason[] {
  const { hanging } = cabinet;
  const reasons: RefusalReason[] = [];
  const cleat = materialOf(cabinet.byId.get(hanging.wallHalf)!.stock);
  if (cleat.kind !== 'plywood' && cleat.kind !== 'solid') reasons.push({ kind: 'cleat-material', material: cleat.name });
  if (hanging.standoff === 'nothing') reasons.push({ kind: 'no-spacer' });
  if (railFault) reasons.push({ kind: 'off-rail', fault: railFault.kind });
  if (hanging.rip && (hanging.bevelDeg < 20 || hanging.bevelDeg > 65)) reasons.push({ kind: 'bevel', bevelDeg: hanging.bevelDeg });
  const unbalanced = offBalance(cabinet, loaded, studs);
  if (unbalanced) reasons.push(unbalanced);
  const back = cabinet.panels.find(({ role }) => role === 'back');
  const missed = hangsOnCleat(hanging) ? missedCarrier(cabinet) : undefined;
  if (missed) reasons.push({ kind: 'half-misses', ...missed });
  else if (!fixable) reasons.push({ kind: 'thin-back-only', backMm: back ? toMm(back.thickness) : 0 });
  if (hanging.lower && !lowerCarrierOf(cabinet)) reasons.push({ kind: 'lower-half-back', backMm: back ? toMm(back.thickness) : 0 });
  if (hanging.rip && screwsEach(cabinet) === 0) reasons.push({ kind: 'no-cabinet-screw' });
  const ground = groundOf(wall);
  if (ground === 'moving') {
    if (!heldByTwoPlanes(cabinet, wall)) return [...reasons, { kind: 'moving', structure: wall.structure }];
    if (wall.fixing.pullN === null || wall.fixing.shearN === null) reasons.push({ kind: 'unrated-plane', plane: 'back' });
    if (hanging.second!.ratedN === 0) reasons.push({ kind: 'unrated-plane', plane: 'second' });
    return hanging.wallScrew.upper + hanging.wallScrew.lower === 0 ? [...reasons, { kind: 'no-wall-screw' }] : reasons;
  }
  if (hanging.plate?.ratedKg === 0) reasons.push({ kind: 'unrated-plate' });
  if (hanging.plate && ground !== 'timber' && ground !== 'masonry') reasons.push({ kind: 'plates-ground', ground });
  if (isUnrated(wall)) reasons.push({ kind: 'unrated-anchor' });
  const limitKg = overGroundKg(wall, loaded.mass.value);
  if (limitKg !== null) reasons.push({ kind: 'ground-too-light', ground, limitKg });
  if (boundToStuds(wall) && !studsKnown(wall)) return [...reasons, { kind: 'no-stud-known' }];
  const { upper, lower } = hanging.wallScrew;
  if (upper + lower === 0) return [...reasons, { kind: 'no-wall-screw' }];
  if (studs.length < 2 && !oneStudWillDo(cabinet, loaded, studs)) reasons.push({ kind: 'too-few-studs', studs: studs.length });
  const worst = studs.find(({ tooShort }) => tooShort);
  if (worst) reasons.push({ kind: 'short-screw', diameters: worst.diameters, reachMm: worst.penetrationMm, minMm: worst.minMm });
  const width = studWidthMm(wall);
  const edge = width === null ? null : studEdge(hanging.plate ? 1 : Math.max(upper, lower), screwById(hanging.wallScrew.screw).diameterMm, width);
  if (edge && isLessMm(edge.hasMm, edge.wantedMm)) reasons.push({ kind: 'stud-edge', ...edge });
  return reasons;
}

/** A single stud suffices up to 15 kg under the conditions of docs/formulas/hanging-verdict.md. */
function oneStudWillDo({ hanging }: ResolvedCabinet, loaded: Load, studs: readonly StudUse[]): boolean {
  const stud = studs[0];
  if (!stud) return false;
  const { upper, lower } = hanging.wallScrew;
  return (
    loaded.mass.value <= ONE_STUD_KG &&
    upper >= 1 &&
    lower >= 1 &&
    (hanging.antiLift || hanging.kind === 'through') &&
    Math.abs(stud.atMm - loaded.along) <= ONE_STUD_OFF_MM
  );
}
