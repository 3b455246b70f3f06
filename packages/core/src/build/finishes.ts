/** Finishes, by what determines the schedule: coats, drying times, sanding between coats, and where they go. */
import type { FinishChoice } from '../model/specs/spec-base.ts';
import type { Shop } from '../model/shop.ts';

export interface Finish {
  readonly id: Exclude<FinishChoice['kind'], 'none'>;
  readonly name: string;
  readonly coats: number;
  /** Between coats, minutes at 20 °C. */
  readonly recoatMin: number;
  /** Until it can be handled and glued next to, minutes at 20 °C. */
  readonly dryMin: number;
  /** Sanded lightly before every coat but the first. */
  readonly sanded: boolean;
  /** A panel coated on one face cups: the other face gets the same. */
  readonly bothFaces: boolean;
  /** Coverage of one coat, m² per liter. */
  readonly coversM2: number;
  /** Least temperature for proper drying. */
  readonly leastC: number;
  /** Rags can self-heat; vapors need an open window. */
  readonly rags: boolean;
  readonly solvent: boolean;
  readonly source: string;
}

const SOURCE = '[ASSUME] from the slow side of what labels of the kind say; the label of the tin at hand counts';

export const FINISHES: Readonly<Record<Finish['id'], Finish>> = {
  oil: {
    id: 'oil',
    name: 'hardening oil',
    coats: 2,
    recoatMin: 12 * 60,
    dryMin: 24 * 60,
    sanded: false,
    bothFaces: true,
    coversM2: 14,
    leastC: 12,
    rags: true,
    solvent: true,
    source: SOURCE,
  },
  varnish: {
    id: 'varnish',
    name: 'water-based varnish',
    coats: 3,
    recoatMin: 3 * 60,
    dryMin: 12 * 60,
    sanded: true,
    bothFaces: true,
    coversM2: 10,
    leastC: 12,
    rags: false,
    solvent: false,
    source: SOURCE,
  },
  paint: {
    id: 'paint',
    name: 'primer and two coats of paint',
    coats: 3,
    recoatMin: 6 * 60,
    dryMin: 24 * 60,
    sanded: true,
    bothFaces: true,
    coversM2: 9,
    leastC: 10,
    rags: false,
    solvent: false,
    source: SOURCE,
  },
  stain: {
    id: 'stain',
    name: 'stain and two clear coats',
    coats: 3,
    recoatMin: 6 * 60,
    dryMin: 24 * 60,
    sanded: false,
    bothFaces: true,
    coversM2: 10,
    leastC: 12,
    rags: true,
    solvent: true,
    source: SOURCE,
  },
};

/** A finish with the corrections of its label in this shop. None where the wood stays bare. */
export function finishOf({ kind }: Pick<FinishChoice, 'kind'>, { labels }: Pick<Shop, 'labels'>): Finish | null {
  if (kind === 'none') return null;
  const label = labels.finishes[kind];
  return label ? { ...FINISHES[kind], ...label, source: 'the label of the tin, as entered at Stock' } : FINISHES[kind];
}
