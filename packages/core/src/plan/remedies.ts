/** What would help a tight or overloaded hanging most: fixes for its three most used links. The caller previews each. */
import { strengthen } from '../checks/strengthen.ts';
import type { Fix } from '../checks/finding.ts';
import type { UnitDesign } from './design.ts';
import type { UnitPlan } from './plan.ts';

export function remediesFor(box: UnitDesign, { unit, hangInput, hang }: UnitPlan): Fix[] {
  if (hang.state === 'fine') return [];
  const stretched = hang.links.filter(({ use, fineTo }) => use.value > fineTo).map(({ kind }) => kind);
  return [...new Set(stretched)].flatMap((kind) => strengthen({ box, unit, hangInput }, kind)).slice(0, 6);
}
