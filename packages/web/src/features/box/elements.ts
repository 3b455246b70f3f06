/** Elements of a unit's lists, in their order, and which of them a panel is drawn from. */
import { familyOf, isShelfBox, joinSpaces, type EditStep, type ElementsForm, type UnitDesign } from '@keen/core';

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

/** The edit that takes an element out, with what only makes sense together with it. */
export function withoutElement(box: UnitDesign, form: ElementsForm, id: string): EditStep[] {
  const inUnit = (path: readonly string[], value: unknown): EditStep => ({ path: ['units', box.id, ...path], value });
  if (isShelfBox(box) && (form.path === 'shelves' || form.path === 'dividers')) return joinSpaces(box, id).map(({ path, value }) => inUnit(path, value));
  const kept = Object.hasOwn(box.contents, id) ? [inUnit(['contents', id], undefined)] : [];
  return [inUnit([form.path, id], undefined), ...kept];
}
