/** The inside of a shelf box as a tree of spaces: read from its shelves and dividers, mirrored or copied, and written back as elements. */
import { FLOOR } from './shelf-box.ts';
import type { ShelfBox, ShelfElement, SpaceElement } from '../model/specs/shelf-box.ts';

export type Cutter = ShelfElement | SpaceElement;

/** An undivided space, or one divided by n shelves or dividers into n + 1 parts. */
export interface SpaceNode {
  readonly id: string;
  readonly kind: 'shelf' | 'divider' | null;
  readonly cutters: readonly Cutter[];
  readonly parts: readonly SpaceNode[];
}

interface Levels {
  readonly shelf: number;
  readonly divider: number;
}
const UNCUT: Levels = { shelf: -1, divider: -1 };

const rowsOf = (rows: Readonly<Record<string, Cutter>>): Cutter[] => Object.values(rows).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** The tree of a box without elements that divide no existing space. Order as in spaces.ts. */
export function treeOf({ shelves, dividers }: Pick<ShelfBox, 'shelves' | 'dividers'>): SpaceNode {
  const used = new Set<string>();
  const visit = (id: string, done: Levels): SpaceNode => {
    const here = (rows: Readonly<Record<string, Cutter>>, after: number): Cutter[] =>
      rowsOf(rows).filter((row) => row.in === id && row.level > after && !used.has(row.id));
    const [s, d] = [here(shelves, done.shelf), here(dividers, done.divider)];
    const next = Math.min(...s.map(({ level }) => level), ...d.map(({ level }) => level));
    if (!Number.isFinite(next)) return { id, kind: null, cutters: [], parts: [] };
    const kind = s.some(({ level }) => level === next) ? ('shelf' as const) : ('divider' as const);
    const cutters = (kind === 'shelf' ? s : d).filter(({ level }) => level === next);
    cutters.forEach((row) => used.add(row.id));
    const past = kind === 'shelf' ? { shelf: next, divider: Math.max(done.divider, next - 1) } : { shelf: next, divider: next };
    return { id, kind, cutters, parts: [visit(id, past), ...cutters.map((row) => visit(row.id, UNCUT))] };
  };
  return visit(FLOOR, UNCUT);
}

/** The subtree of this name, whole as before it was divided. */
export function findSpace(node: SpaceNode, id: string): SpaceNode | null {
  if (node.id === id) return node;
  for (const part of node.parts) {
    const found = findSpace(part, id);
    if (found) return found;
  }
  return null;
}

export interface Written {
  readonly shelves: Readonly<Record<string, ShelfElement>>;
  readonly dividers: Readonly<Record<string, SpaceElement>>;
  /** New name of each undivided space, by its old name. */
  readonly names: ReadonlyMap<string, string>;
}

/** A tree as elements again, dividing the space `into` from `level` on. */
export function writeTree(tree: SpaceNode, into = FLOOR, level = 0): Written {
  const shelves: Record<string, ShelfElement> = {};
  const dividers: Record<string, SpaceElement> = {};
  const names = new Map<string, string>();
  const write = (node: SpaceNode, space: string, at: number): void => {
    if (node.kind === null) {
      names.set(node.id, space);
      return;
    }
    node.cutters.forEach((cutter, index) => {
      const placed = { ...cutter, in: space, level: at, order: index + 1 };
      if (node.kind === 'shelf') shelves[cutter.id] = placed as ShelfElement;
      else dividers[cutter.id] = placed;
    });
    const [first, ...others] = node.parts;
    write(first!, space, at + 1);
    others.forEach((part, index) => write(part, node.cutters[index]!.id, 0));
  };
  write(tree, into, level);
  return { shelves, dividers, names };
}
