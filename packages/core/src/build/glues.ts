/** Glues, by what determines a glue-up: open time, clamp time, and least temperature. */
import type { Shop } from '../model/shop.ts';
import type { GlueId } from '../model/build-choices.ts';

export interface Glue {
  readonly id: GlueId;
  readonly name: string;
  /** Open time, minutes at 20 °C. */
  readonly openMin: number;
  /** Clamp time, minutes at 20 °C. */
  readonly clampMin: number;
  /** Until it can be worked or loaded, minutes from clamping, at 20 °C. */
  readonly cureMin: number;
  /** Least temperature: below it the glue chalks, or does not set. */
  readonly leastC: number;
  /** Residue on bare wood resists stain and clear finish. */
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

/** A glue with the corrections of its label in this shop. */
export function glueOf(id: GlueId, { labels }: Pick<Shop, 'labels'>): Glue {
  const label = labels.glues[id];
  return label ? { ...GLUES[id], ...label, source: 'the label of the bottle, as entered at Stock' } : GLUES[id];
}
