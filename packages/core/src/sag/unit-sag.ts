/** Sag of every floor of a unit under what it holds. Strength (bending over allowable) goes to the checks, looks stay here. */
import type { MaterialOf, UnitWeights } from '../parts/weights.ts';
import { toMm } from '../length/length.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedUnit } from '../solid/unit.ts';
import { apply, formula, type Figure } from '../worked/figure.ts';
import { BENDING_STIFFNESS, BENDING_USE, GLUED_ENDS, SAG_LATER, SAG_LIMIT, SAG_NOW } from './shelf-sag.ts';

export interface ShelfSag {
  readonly panel: string;
  readonly now: Figure;
  readonly later: Figure;
  readonly limit: Figure;
  readonly bending: Figure;
}

/** Sags are known, and shown, to a tenth of a millimetre: only what is over the limit by that is said to show. */
export const shows = ({ later, limit }: Pick<ShelfSag, 'later' | 'limit'>): boolean => Math.round(later.value * 10) > Math.round(limit.value * 10);

const G0 = 9.80665;
const SHELF_LOAD = formula({
  label: 'shelf-load',
  unit: 'N',
  text: '(contents + own mass) · g₀',
  source: 'g₀ = 9.80665 m/s²',
  terms: { contents: 'kg', own: 'kg' },
  compute: ({ contents, own }) => (contents + own) * G0,
});

export function sagOf(unit: ResolvedUnit, weights: UnitWeights, materialOf: MaterialOf): ShelfSag[] {
  return weights.contents.map(({ compartment, mass }) => {
    const panel = unit.byId.get(compartment.floor)!;
    const material = materialOf(panel.stock);
    const source = { kind: 'table' as const, name: material.name, tag: material.source };
    const along = panel.grain !== 'width';
    const L = { value: toMm(compartment.width.value), length: compartment.width };
    const B = { value: toMm(panel.width.value), length: panel.width };
    const t = { value: toMm(panel.thickness), source: panel.thicknessFrom };
    const Q = apply(SHELF_LOAD, { contents: mass, own: weights.panels.get(panel.id)! });
    const EI = apply(BENDING_STIFFNESS, { E: { value: along ? material.stiffnessAlongMPa : material.stiffnessAcrossMPa, source }, B, t });
    const now = apply(SAG_NOW, { κ: endsFactor(unit, panel), Q, L, EI });
    return {
      panel: panel.id,
      now,
      later: apply(SAG_LATER, { 'sag now': now, creep: { value: material.creep, source } }),
      limit: apply(SAG_LIMIT, { L }),
      bending: apply(BENDING_USE, { Q, L, B, t, F: { value: material.bendingMPa, source } }),
    };
  });
}

function endsFactor(unit: ResolvedUnit, panel: ResolvedPanel): number {
  const ends = unit.meetings.filter(({ guest, edge }) => guest === panel.id && (edge === 'start' || edge === 'end'));
  return ends.length === 2 && ends.every(({ joint }) => joint.glue && joint.kind === 'dado') ? GLUED_ENDS : 1;
}
