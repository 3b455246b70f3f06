/**
 * Density, stiffness and strength of sheet goods and boards. Sources: docs/formulas/materials.md. (m): from memory, to be confirmed. Weight uses the
 * default density, stiffness and strength the low side: never the optimistic end for both.
 */
import type { MaterialId } from '../model/workshop.ts';

export interface Material {
  readonly id: MaterialId;
  readonly name: string;
  /** hollow: two skins on a frame. */
  readonly kind: 'plywood' | 'fibre' | 'solid' | 'hollow' | 'glass';
  readonly densityKgM3: number;
  /** Specific gravity for the fastener formulas, oven-dry basis. */
  readonly gravity: number;
  readonly stiffnessAlongMPa: number;
  readonly stiffnessAcrossMPa: number;
  /** Long-term allowable bending along the grain; permanent load already included. */
  readonly bendingMPa: number;
  /** Creep multiplier on sustained deflection. */
  readonly creep: number;
  /** Allowable crushing on the face of a slot's lip. */
  readonly bearingMPa: number;
  /** Planar shear of the lip under a slot. [ASSUME] */
  readonly lipShearMPa: number;
  readonly source: string;
}

const sheet = (
  id: MaterialId,
  name: string,
  kind: Material['kind'],
  densityKgM3: number,
  gravity: number,
  along: number,
  across: number,
  bendingMPa: number,
  creep: number,
  source: string,
): Material => ({
  id,
  name,
  kind,
  densityKgM3,
  gravity,
  stiffnessAlongMPa: along,
  stiffnessAcrossMPa: across,
  bendingMPa,
  creep,
  bearingMPa: kind === 'fibre' ? 1.5 : 2.5,
  lipShearMPa: kind === 'fibre' ? 0.15 : 0.35,
  source,
});

const solid = (id: MaterialId, name: string, densityKgM3: number, gravity: number, along: number, bendingMPa: number, bearingMPa: number): Material => ({
  id,
  name,
  kind: 'solid',
  densityKgM3,
  gravity,
  stiffnessAlongMPa: along,
  stiffnessAcrossMPa: along / 15,
  bendingMPa,
  creep: 1.6,
  bearingMPa,
  lipShearMPa: 0.35,
  source: 'G [NDS T12.3.3A]; E, F NDS No. 2 or clear wood [WH] (m); across the grain along/15 [ASSUME]',
});

export const MATERIALS: Readonly<Record<MaterialId, Material>> = Object.fromEntries(
  [
    sheet('birch-plywood', 'Birch plywood', 'plywood', 680, 0.55, 9000, 6500, 12, 1.8, '[FP](m)'),
    sheet('hardwood-faced-plywood', 'Hardwood-faced plywood', 'plywood', 560, 0.42, 6500, 3500, 7, 1.8, '[ASSUME]'),
    sheet('softwood-plywood', 'Softwood plywood', 'plywood', 530, 0.42, 7400, 2000, 7, 1.8, '[APA](m); G [NDS 12.3.3B]'),
    sheet('lauan-plywood', 'Lauan plywood', 'plywood', 530, 0.42, 6000, 3000, 7, 1.8, '[ASSUME]'),
    sheet('mdf', 'MDF', 'fibre', 750, 0.42, 2200, 2200, 2.5, 3.25, '[A208.2, EN 622-5](m)'),
    sheet('particleboard', 'Particleboard, faced', 'fibre', 660, 0.42, 1600, 1600, 2, 3.25, '[A208.1 M-2, EN 312](m)'),
    sheet('osb', 'OSB', 'fibre', 620, 0.5, 4900, 2000, 4, 2.5, '[EN 12369-1](m)'),
    sheet('hardboard', 'Hardboard', 'fibre', 950, 0.42, 3500, 3500, 4, 3.25, '[WH](m)'),
    solid('spf', 'Spruce, pine or fir', 430, 0.42, 8500, 6, 2.9),
    solid('douglas-fir', 'Douglas fir or larch', 530, 0.5, 11000, 6.2, 4.3),
    solid('southern-pine', 'Southern pine', 590, 0.55, 9700, 6.5, 3.9),
    solid('red-oak', 'Red oak', 700, 0.67, 10000, 9, 5.6),
    solid('hard-maple', 'Hard maple', 705, 0.63, 10500, 9, 5),
    solid('yellow-poplar', 'Yellow poplar', 460, 0.43, 8700, 7, 2.9),
    solid('white-pine', 'White pine boards', 390, 0.36, 7500, 5.5, 2.4),
    { ...sheet('hollow-core', 'Hollow door', 'hollow', 250, 0.25, 1500, 1500, 1, 3.25, '[ASSUME]'), bearingMPa: 0.5, lipShearMPa: 0 },
    { ...sheet('glass', 'Glass', 'glass', 2500, 0.3, 70_000, 70_000, 8, 1, '[ASSUME]'), bearingMPa: 0, lipShearMPa: 0 },
  ].map((row) => [row.id, row]),
) as Record<MaterialId, Material>;

/** Bending strength across the grain, MPa: assumed to fall with the stiffness. [ASSUME] Sheets without grain are equal both ways. */
export const bendingAcrossMPa = ({ bendingMPa, stiffnessAcrossMPa, stiffnessAlongMPa }: Material): number =>
  (bendingMPa * stiffnessAcrossMPa) / stiffnessAlongMPa;
