/**
 * Splitting of the wall cleat across its grain at the upper screw row: what is pulled over the bevel
 * bends the strip above the screws. A caution only: the basis is weak. Source: docs/formulas/cleat-splitting.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { bendingAcrossMPa, type Material } from '../stock/materials.ts';
import { formula } from '../explained/explained-value.ts';

/** Tension across the grain of a cleat, MPa: plywood by what it bears in bending across its face grain, never over 5. [ASSUME] */
export const splittingMPa = (material: Material): number =>
  material.kind === 'plywood' ? Math.min(ASSUMED.splitPlywood.value, bendingAcrossMPa(material)) : ASSUMED.splitSolid.value;

export const CLEAT_SPLITTING = formula({
  label: 'cleat-splitting',
  unit: 'MPa',
  text: "6 (H' (b − s) + V' t/2) / t², H' = H / (4 (b − s) + head)",
  source: '[eq] docs/formulas/cleat-splitting.md',
  terms: { H: 'N', V: 'N', b: 'mm', s: 'mm', t: 'mm', head: 'mm' },
  compute: ({ H, V, b, s, t, head }) => {
    const spread = 4 * (b - s) + head;
    return (6 * (H * (b - s) + (V * t) / 2)) / spread / t ** 2;
  },
});
