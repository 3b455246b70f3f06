/**
 * Splitting of the wall cleat across its grain at the upper screw row: the pull over the bevel bends the wood above the screws. A caution only, because the
 * basis is weak. Source: docs/formulas/cleat-splitting.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { bendingAcrossMPa, type Material } from '../stock/materials.ts';
import { formula } from '../explained/explained-value.ts';

/** Tension strength of a cleat across its grain, MPa: for plywood its bending strength across the face grain, at most 5. [ASSUME] */
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
