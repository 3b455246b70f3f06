/** Drawers on bought slides: the load on a pair against its rating. Source: docs/formulas/opened.md. */
import type { MovingPart } from '../parts/opened.ts';
import { evaluate, formula } from '../explained/explained-value.ts';
import type { HangInput } from './hang-input.ts';
import { link, type Link } from './link.ts';

const SLIDE_USE = formula({
  label: 'slide-use',
  unit: 'share',
  text: '(contents + drawer) / rated',
  source: 'docs/formulas/opened.md',
  terms: { contents: 'kg', drawer: 'kg', rated: 'kg' },
  compute: ({ contents, drawer, rated }) => (rated > 0 ? (contents + drawer) / rated : 99),
});

/** One link per drawer on rated slides, with the contents multiplied by `factor`. */
export function slideLinks({ cabinet, weights }: HangInput, openings: readonly MovingPart[], factor: number): Link[] {
  return cabinet.hardware.flatMap(({ kind, panel, ratedKg }): Link[] => {
    if (kind !== 'slide' || ratedKg === undefined) return [];
    const drawer = openings.find(({ panels }) => panels.includes(panel));
    if (!drawer) return [];
    const contents = factor * weights.contents.filter(({ compartment }) => compartment.floor === drawer.floor).reduce((sum, { mass }) => sum + mass.value, 0);
    const use = evaluate(SLIDE_USE, { contents, drawer: drawer.ownKg, rated: ratedKg });
    return [link({ id: `slide-${panel}`, kind: 'slide', name: { key: 'link-slide', of: drawer.name.of ?? '' }, use, panels: drawer.panels })];
  });
}
