/** Glues, by what decides a glue-up: how long the joint may stay open, how long it is clamped, and under what it does not set. */

import type { Shop } from '../stock/shop.ts';

export type GlueId = 'white' | 'yellow' | 'slow-yellow' | 'hide' | 'epoxy' | 'polyurethane';

export interface Glue {
  readonly id: GlueId;
  readonly name: string;
  /** Spread to clamped, minutes at 20 °C. */
  readonly openMin: number;
  /** In the clamps, minutes at 20 °C. */
  readonly clampMin: number;
  /** Until it may be worked on or loaded, minutes from the clamps going on, at 20 °C. */
  readonly cureMin: number;
  /** Colder it turns to chalk, or does not set. */
  readonly leastC: number;
  /** What it leaves on bare wood keeps stain and clear finish off. */
  readonly sealsWood: boolean;
  readonly source: string;
}

const row = (id: GlueId, name: string, openMin: number, clampMin: number, cureHours: number, leastC: number, sealsWood = true): Glue => ({
  id,
  name,
  openMin,
  clampMin,
  cureMin: cureHours * 60,
  leastC,
  sealsWood,
  source: '[ASSUME] from the low side of what labels of the kind say; the label of the bottle at hand counts',
});

export const GLUES: Readonly<Record<GlueId, Glue>> = {
  white: row('white', 'white wood glue', 12, 60, 24, 10),
  yellow: row('yellow', 'yellow wood glue', 8, 45, 24, 10),
  'slow-yellow': row('slow-yellow', 'slow-setting wood glue', 20, 60, 24, 10),
  hide: row('hide', 'liquid hide glue', 25, 180, 24, 10, false),
  epoxy: row('epoxy', 'slow epoxy', 45, 480, 24, 8),
  polyurethane: row('polyurethane', 'polyurethane glue', 15, 120, 8, 5),
};

export const GLUE_IDS = Object.keys(GLUES) as readonly GlueId[];

/** A glue as it stands in this shop: by the label of its bottle where somebody read it. */
export function glueOf(id: GlueId, { labels }: Pick<Shop, 'labels'>): Glue {
  const label = labels.glues[id];
  return label ? { ...GLUES[id], ...label, source: 'the label of the bottle, as entered at Stock' } : GLUES[id];
}
