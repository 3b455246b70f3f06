/** Elements of a cabinet's lists in order, and the element of each panel. */
import { familyOf, isShelfBox, joinSpaces, type EditStep, type ElementsForm, type CabinetSpec } from '@keen/core';

export interface ElementRow {
  readonly id: string;
  readonly order: number;
}

export const elementsOf = (spec: CabinetSpec, { path }: ElementsForm): ElementRow[] =>
  Object.values((spec as unknown as Record<string, Record<string, ElementRow>>)[path] ?? {}).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** The element of a panel; undefined for a panel of the cabinet as a whole. */
export function elementOf(spec: CabinetSpec, panel: string): { readonly form: ElementsForm; readonly id: string } | undefined {
  for (const form of familyOf(spec).form.elements) for (const { id } of elementsOf(spec, form)) if (form.panel?.(spec, id) === panel) return { form, id };
  return undefined;
}

/** The edit that deletes an element, with everything that depends on it. */
export function withoutElement(spec: CabinetSpec, form: ElementsForm, id: string): EditStep[] {
  const inSpec = (path: readonly string[], value: unknown): EditStep => ({ path: ['units', spec.id, ...path], value });
  if (isShelfBox(spec) && (form.path === 'shelves' || form.path === 'dividers')) return joinSpaces(spec, id).map(({ path, value }) => inSpec(path, value));
  const kept = Object.hasOwn(spec.contents, id) ? [inSpec(['contents', id], undefined)] : [];
  return [inSpec([form.path, id], undefined), ...kept];
}
