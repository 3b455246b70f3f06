/** The inside of a box as a tree: read and written back it is the same box, and every space keeps what it is called by. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered } from '../length/entered.ts';
import { boxOf, solidOf } from '../test/print-room.ts';
import { findSpace, treeOf, writeTree, type SpaceNode } from './space-tree.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';

const boxes: fc.Arbitrary<ShelfBox> = fc
  .array(fc.record({ shelf: fc.boolean(), in: fc.nat(), level: fc.integer({ min: 0, max: 3 }) }), { maxLength: 8 })
  .map((rows) => {
    const names = ['bottom'];
    const shelves: Record<string, object> = {};
    const dividers: Record<string, object> = {};
    rows.forEach(({ shelf, in: space, level }, index) => {
      const element = { id: `e${index}`, order: index, at: null, in: names[space % names.length]!, level };
      if (shelf) shelves[element.id] = { ...element, fixing: 'fixed' };
      else dividers[element.id] = element;
      names.push(element.id);
    });
    return { ...boxOf({ width: entered('2000 mm'), height: entered('2000 mm') }), shelves, dividers } as unknown as ShelfBox;
  });

const leaves = (node: SpaceNode): string[] => (node.kind === null ? [node.id] : node.parts.flatMap(leaves));
const placed = (box: ShelfBox) =>
  solidOf(box)
    .compartments.map(({ keptBy, at, width, height }) => [keptBy, at.along, at.up, width.value, height.value] as const)
    .sort((a, b) => (a[0] < b[0] ? -1 : 1));

test('written back, every space is where it was under the name it had', () => {
  fc.assert(
    fc.property(boxes, (box) => {
      fc.pre(solidOf(box).compartments.every(({ width, height }) => width.value > 0 && height.value > 0));
      const { shelves, dividers, names } = writeTree(treeOf(box));
      expect([...names]).toEqual([...names].map(([old]) => [old, old]));
      // Elements that cut nothing that is there are let go.
      expect(placed({ ...box, shelves, dividers })).toEqual(placed(box));
    }),
    { numRuns: 120 },
  );
});

test('its leaves are the spaces things stand in, each once; any of them is found', () => {
  fc.assert(
    fc.property(boxes, (box) => {
      fc.pre(solidOf(box).compartments.every(({ width, height }) => width.value > 0 && height.value > 0));
      const tree = treeOf(box);
      expect(leaves(tree).sort()).toEqual(
        solidOf(box)
          .compartments.map(({ keptBy }) => keptBy)
          .sort(),
      );
      for (const id of leaves(tree)) expect(findSpace(tree, id)?.id).toBe(id);
      expect(findSpace(tree, 'nowhere')).toBeNull();
    }),
    { numRuns: 80 },
  );
});
