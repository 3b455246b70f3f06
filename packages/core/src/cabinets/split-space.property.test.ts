/** Spaces split as deep as anyone likes, and made one again. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered } from '../length/entered.ts';
import { audit } from '../test/audit.ts';
import { boxOf, solidOf } from '../test/print-room.ts';
import { joinSpaces, splitSpace, type SpecStep } from './split-space.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';

function apply(box: ShelfBox, steps: readonly SpecStep[]): ShelfBox {
  return steps.reduce<ShelfBox>((made, { path: [list, key], value }) => {
    const { [key!]: _old, ...rest } = (made as unknown as Record<string, Record<string, unknown>>)[list!]!;
    return { ...made, [list!]: value === undefined ? rest : { ...rest, [key!]: value } };
  }, box);
}
const large = (): ShelfBox => boxOf({ width: entered('1600 mm'), height: entered('1500 mm'), shelves: 0 });
const spaces = (box: ShelfBox): string[] => solidOf(box).compartments.map(({ keptBy }) => keptBy);

const cuts = fc.array(fc.record({ kind: fc.constantFrom('shelf' as const, 'divider' as const), pick: fc.nat() }), { minLength: 1, maxLength: 5 });

test('each split adds one space, under the name of what was put in, and changes no other name; the wood stays sound', () => {
  fc.assert(
    fc.property(cuts, (row) => {
      let box = large();
      row.forEach(({ kind, pick }, index) => {
        const before = spaces(box);
        const space = before[pick % before.length]!;
        box = apply(box, splitSpace(box, space, kind, `n${index}`));
        expect(spaces(box).sort()).toEqual([...before, `n${index}`].sort());
      });
      const solid = solidOf(box);
      fc.pre(solid.compartments.every(({ width, height }) => width.value > 40e6 && height.value > 110e6));
      expect(audit(solid)).toEqual([]);
    }),
    { numRuns: 60 },
  );
});

test('taking out what was put in last gives the box that was', () => {
  fc.assert(
    fc.property(cuts, (row) => {
      let box = large();
      row.forEach(({ kind, pick }, index) => {
        const before = box;
        const names = spaces(box);
        box = apply(box, splitSpace(box, names[pick % names.length]!, kind, `n${index}`));
        expect(apply(box, joinSpaces(box, `n${index}`))).toEqual(before);
      });
    }),
    { numRuns: 60 },
  );
});

test('taking out a divider takes what stands in the bay it opens: no element is left that cuts a space that is gone', () => {
  let box = apply(large(), splitSpace(large(), 'bottom', 'divider', 'bay'));
  box = apply(box, splitSpace(box, 'bay', 'shelf', 'inBay'));
  box = apply(box, splitSpace(box, 'bottom', 'shelf', 'left'));
  const joined = apply(box, joinSpaces(box, 'bay'));
  expect([Object.keys(joined.shelves), Object.keys(joined.dividers)]).toEqual([['left'], []]);
  expect(spaces(joined)).toEqual(['bottom', 'left']);
  expect(Object.keys(joined.contents).sort()).toEqual(['bottom', 'left']);
});
