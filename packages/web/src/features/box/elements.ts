/** Elements of a unit's lists, in their order, and which of them a panel is drawn from. */
import { familyOf, type ElementsForm, type UnitDesign } from '@keen/core';

export interface ElementRow {
  readonly id: string;
  readonly order: number;
}

export const elementsOf = (box: UnitDesign, { path }: ElementsForm): ElementRow[] =>
  Object.values((box as unknown as Record<string, Record<string, ElementRow>>)[path] ?? {}).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** The element a panel stands for; undefined for what belongs to the unit as a whole. */
export function elementOf(box: UnitDesign, panel: string): { readonly form: ElementsForm; readonly id: string } | undefined {
  for (const form of familyOf(box).form.elements) for (const { id } of elementsOf(box, form)) if (form.panel?.(box, id) === panel) return { form, id };
  return undefined;
}
