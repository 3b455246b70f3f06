/** Rearranges a cabinet by edits: mirrored left to right, one bay divided like another, copied to another project. Items move with their places. */
import { familyOf, isShelfBox } from '../cabinets/families.ts';
import type { StockOf } from '../cabinets/box-frame.ts';
import { insideOf } from '../cabinets/shelf-box-build.ts';
import { findSpace, treeOf, writeTree, type Cutter, type SpaceNode } from '../cabinets/space-tree.ts';
import { joinSpaces } from '../cabinets/split-space.ts';
import { enteredFromNm, type Entered } from '../length/entered.ts';
import type { Design } from '../model/design.ts';
import type { EditStep } from '../model/edit.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

/** Keys whose values swap when left becomes right. */
const SIDES: readonly (readonly [string, string])[] = [
  ['hanging.leftInset', 'hanging.rightInset'],
  ['fillerLeft', 'fillerRight'],
  ['wingLeft', 'wingRight'],
  ['pins.from', 'pins.fromRight'],
];
const HANDS: Readonly<Record<string, string>> = { 'door-left': 'door-right', 'door-right': 'door-left' };

/** A cabinet mirrored left to right, with its contents; no edit for a family that cannot be mirrored (it stands in a corner). */
export function mirrored(design: Design, id: string, stockOf: StockOf): EditStep[] {
  const spec = design.units[id]!;
  const at = (path: string): unknown => path.split('.').reduce<unknown>((node, key) => (node as Record<string, unknown> | null | undefined)?.[key], spec);
  const steps: EditStep[] = [];
  const set = (path: string, value: unknown): void => {
    if (at(path) !== value) steps.push({ path: ['units', id, ...path.split('.')], value });
  };
  for (const [left, right] of SIDES) {
    if (at(left) === undefined || at(right) === undefined) continue;
    set(left, at(right));
    set(right, at(left));
  }
  set('front', HANDS[spec.front] ?? spec.front);
  for (const { path, across, fields } of familyOf(spec).form.elements) {
    if (!across) continue;
    const rows = Object.values((spec as unknown as Record<string, Record<string, { id: string; order: number }>>)[path]!).sort((a, b) => a.order - b.order);
    rows.forEach((row, index) => {
      set(`${path}.${row.id}.order`, rows[rows.length - 1 - index]!.order);
      for (const field of fields)
        if (field.kind === 'choice' && field.options.includes('door-left')) {
          const value = at(`${path}.${row.id}.${field.path.join('.')}`) as string;
          set(`${path}.${row.id}.${field.path.join('.')}`, HANDS[value] ?? value);
        }
    });
  }
  return isShelfBox(spec) ? [...steps, ...mirroredInside(design, spec, stockOf)] : steps;
}

/** Whether mirroring a cabinet changes anything. */
export const canMirror = (spec: CabinetSpec): boolean => isShelfBox(spec) || familyOf(spec).form.elements.some(({ across }) => across);

function mirroredInside(design: Design, box: ShelfBox, stockOf: StockOf): EditStep[] {
  const { placed } = insideOf(box, stockOf);
  const thickness = stockOf(box.stock).used.value;
  const widths = new Map(placed.map(({ element, within }) => [element.id, within.width.value]));
  /** Measured from the other end: the width left beyond the divider. */
  const fromRight = (cutter: Cutter): Entered | null => (cutter.at === null ? null : enteredFromNm((widths.get(cutter.id) ?? 0) - cutter.at.nm - thickness));
  const turn = (node: SpaceNode): SpaceNode => {
    const parts = node.parts.map(turn);
    if (node.kind !== 'divider') return { ...node, parts };
    return { ...node, parts: parts.reverse(), cutters: [...node.cutters].reverse().map((cutter) => ({ ...cutter, at: fromRight(cutter) })) };
  };
  const { shelves, dividers, names } = writeTree(turn(treeOf(box)));
  const base = ['units', box.id];
  return [
    ...Object.entries(shelves).map(([key, value]) => ({ path: [...base, 'shelves', key], value })),
    ...Object.entries(dividers).map(([key, value]) => ({ path: [...base, 'dividers', key], value })),
    ...renamed(design, box, names),
  ];
}

/** Moves everything stored under a space's name to its new name: contents, rows, inserts and item places. */
function renamed(design: Design, spec: CabinetSpec, names: ReadonlyMap<string, string>): EditStep[] {
  const moved = [...names].some(([from, to]) => from !== to);
  if (!moved) return [];
  const name = (space: string): string => names.get(space) ?? space;
  const byName = <T>(rows: Readonly<Record<string, T>>): Record<string, T> =>
    Object.fromEntries(Object.entries(rows).map(([space, value]) => [name(space), value]));
  const rows = Object.fromEntries(Object.entries(spec.rows).map(([key, row]) => [key, { ...row, on: name(row.on) }]));
  const inserts = Object.fromEntries(Object.entries(spec.inserts).map(([key, insert]) => [key, { ...insert, in: name(insert.in) }]));
  return [
    { path: ['units', spec.id, 'contents'], value: byName(spec.contents) },
    { path: ['units', spec.id, 'rows'], value: rows },
    { path: ['units', spec.id, 'inserts'], value: inserts },
    ...Object.values(design.items).flatMap((item): EditStep[] => {
      const here = item.homes[spec.id];
      return here ? [{ path: ['items', item.id, 'homes', spec.id], value: byName(here) }] : [];
    }),
  ];
}

/** Divided spaces of a shelf box that can serve as a pattern for `space`: not those it lies in. */
export function patternsFor(box: ShelfBox, space: string): string[] {
  const tree = treeOf(box);
  const found: string[] = [];
  const visit = (node: SpaceNode, above: readonly string[]): void => {
    if (node.kind !== null && !holds(node, space) && !found.includes(node.id) && !above.includes(node.id)) found.push(node.id);
    // The first part keeps the name of its space, and is no pattern of its own.
    node.parts.forEach((part, index) => visit(part, index === 0 ? [...above, node.id] : above));
  };
  visit(tree, []);
  return found;
}

const holds = (node: SpaceNode, space: string): boolean => (node.kind === null ? node.id === space : node.parts.some((part) => holds(part, space)));

/**
 * Divides an undivided space like another one, assuming the same contents. `freshId` names each new element. Typed positions are copied; the checks say
 * whether they fit.
 */
export function cutLike(box: ShelfBox, space: string, pattern: string, freshId: (kind: 'shelf' | 'divider') => string): EditStep[] {
  const from = findSpace(treeOf(box), pattern);
  if (!from || from.kind === null || holds(from, space)) return [];
  const level =
    1 + [...Object.values(box.shelves), ...Object.values(box.dividers)].reduce((most, each) => (each.in === space ? Math.max(most, each.level) : most), -1);
  const names = new Map<string, string>();
  const fresh = (node: SpaceNode): SpaceNode => ({
    ...node,
    cutters: node.cutters.map((cutter) => {
      const id = freshId(node.kind === 'divider' ? 'divider' : 'shelf');
      names.set(cutter.id, id);
      return { ...cutter, id };
    }),
    parts: node.parts.map(fresh),
  });
  const { shelves, dividers } = writeTree(fresh(from), space, level);
  const base = ['units', box.id];
  return [
    ...Object.entries(shelves).map(([key, value]) => ({ path: [...base, 'shelves', key], value })),
    ...Object.entries(dividers).map(([key, value]) => ({ path: [...base, 'dividers', key], value })),
    ...[...names].map(([old, id]) => ({ path: [...base, 'contents', id], value: box.contents[old] ?? { preset: 'nothing', kg: null } })),
  ];
}

/** Removes everything that divides a space. */
export function uncut(box: ShelfBox, space: string): EditStep[] {
  const cutters = [...Object.values(box.shelves), ...Object.values(box.dividers)].filter((each) => each.in === space);
  const steps = new Map(cutters.flatMap(({ id }) => joinSpaces(box, id)).map((step) => [step.path.join('/'), step]));
  return [...steps.values()].map(({ path, value }) => ({ path: ['units', box.id, ...path], value }));
}

/** A cabinet as it would be in another project: on no rail, after the existing cabinets, without items. */
export function specFor(target: Pick<Design, 'units'>, spec: CabinetSpec, id: string): CabinetSpec {
  const last = Math.max(0, ...Object.values(target.units).map(({ order }) => order));
  return { ...spec, id, order: last + 1, hanging: { ...spec.hanging, wallRail: null } };
}
