/** Elements of a cabinet's lists, in their order, and which of them a panel is drawn from. */
import { familyOf, isShelfBox, joinSpaces, type EditStep, type ElementsForm, type CabinetSpec } from '@keen/core';

export interface ElementRow {
  readonly id: string;
  readonly order: number;
}

export const elementsOf = (spec: CabinetSpec, { path }: ElementsForm): ElementRow[] =>
  Object.values((spec as unknown as Record<string, Record<string, ElementRow>>)[path] ?? {}).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** The element a panel stands for; undefined for what belongs to the cabinet as a whole. */
export function elementOf(spec: CabinetSpec, panel: string): { readonly form: ElementsForm; readonly id: string } | undefined {
  for (const form of familyOf(spec).form.elements) for (const { id } of elementsOf(spec, form)) if (form.panel?.(spec, id) === panel) return { form, id };
  return undefined;
}

/** The edit that takes an element out, with what only makes sense together with it. */
export function withoutElement(spec: CabinetSpec, form: ElementsForm, id: string): EditStep[] {
  const inSpec = (path: readonly string[], value: unknown): EditStep => ({ path: ['units', spec.id, ...path], value });
  if (isShelfBox(spec) && (form.path === 'shelves' || form.path === 'dividers')) return joinSpaces(spec, id).map(({ path, value }) => inSpec(path, value));
  const kept = Object.hasOwn(spec.contents, id) ? [inSpec(['contents', id], undefined)] : [];
  return [inSpec([form.path, id], undefined), ...kept];
}
