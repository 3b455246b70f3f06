/** Finishes, by what decides the days: coats, drying between them, sanding between, and where they go. */
import type { FinishChoice } from '../carcass/spec-base.ts';
import type { Shop } from '../stock/shop.ts';

export interface Finish {
  readonly id: Exclude<FinishChoice['kind'], 'none'>;
  readonly name: string;
  readonly coats: number;
  /** From one coat to the next, minutes at 20 °C. */
  readonly recoatMin: number;
  /** Until it is handled and glued beside, minutes at 20 °C. */
  readonly dryMin: number;
  /** Sanded lightly before every coat but the first. */
  readonly sanded: boolean;
  /** What is coated on one face only cups: the other gets the same. */
  readonly bothFaces: boolean;
  /** m² a liter covers, one coat. */
  readonly coversM2: number;
  /** Colder it does not dry as it should. */
  readonly leastC: number;
  /** Rags heat up by themselves; vapors want an open window. */
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

/** A finish as it stands in this shop, by the label of its tin where somebody read it. None where the wood stays bare. */
export function finishOf({ kind }: Pick<FinishChoice, 'kind'>, { labels }: Pick<Shop, 'labels'>): Finish | null {
  if (kind === 'none') return null;
  const label = labels.finishes[kind];
  return label ? { ...FINISHES[kind], ...label, source: 'the label of the tin, as entered at Stock' } : FINISHES[kind];
}
