/** Splits a space of a shelf box in two, and joins it again: edits inside the cabinet. */
import type { ShelfBox, ShelfElement, SpaceElement } from '../model/specs/shelf-box.ts';

/** One step of an edit inside a cabinet; `undefined` deletes. */
export interface SpecStep {
  readonly path: readonly string[];
  readonly value: unknown;
}

const cutters = (box: ShelfBox): readonly (SpaceElement & { readonly list: 'shelves' | 'dividers' })[] => [
  ...Object.values(box.shelves).map((shelf) => ({ ...shelf, list: 'shelves' as const })),
  ...Object.values(box.dividers).map((divider) => ({ ...divider, list: 'dividers' as const })),
];

/** Inserts a shelf or divider into a space, after all that divide it already. The contents of the space are assumed for the new one too. */
export function splitSpace(box: ShelfBox, space: string, kind: 'shelf' | 'divider', id: string): SpecStep[] {
  const level = cutters(box).reduce((most, each) => (each.in === space ? Math.max(most, each.level + 1) : most), 0);
  const element: SpaceElement = { id, order: 1, at: null, in: space, level };
  const value: SpaceElement | ShelfElement = kind === 'shelf' ? { ...element, fixing: 'fixed' } : element;
  return [
    { path: [kind === 'shelf' ? 'shelves' : 'dividers', id], value },
    { path: ['contents', id], value: box.contents[space] ?? { preset: 'nothing', kg: null } },
  ];
}

/** Deletes a shelf or divider with everything that divides the space it opens. */
export function joinSpaces(box: ShelfBox, id: string): SpecStep[] {
  const gone = [id];
  for (const space of gone) for (const each of cutters(box)) if (each.in === space && !gone.includes(each.id)) gone.push(each.id);
  const all = new Map(cutters(box).map((each) => [each.id, each.list]));
  return gone.flatMap((each): SpecStep[] => [
    ...(all.has(each) ? [{ path: [all.get(each)!, each], value: undefined }] : []),
    ...(Object.hasOwn(box.contents, each) ? [{ path: ['contents', each], value: undefined }] : []),
  ]);
}
