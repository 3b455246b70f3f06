/** Ids survive edits: adding or taking out one element changes no other. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { entered } from '../length/entered.ts';
import { solidOf } from '../test/print-room.ts';
import { arbitraryBox } from '../test/arbitrary-box.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';

const ids = (box: ShelfBox): Set<string> => new Set(solidOf(box).panels.map(({ id }) => id));
const spaces = (box: ShelfBox): Map<string, string> => new Map(solidOf(box).compartments.map(({ keptBy, floor }) => [keptBy, floor]));

test('adding a shelf adds one id and changes no other, wherever it goes in', () => {
  fc.assert(
    fc.property(arbitraryBox, fc.double({ min: 0, max: 9, noNaN: true }), fc.option(fc.integer({ min: 40, max: 300 })), (box, order, at) => {
      const more: ShelfBox = {
        ...box,
        shelves: { ...box.shelves, fresh: { id: 'fresh', order, at: at === null ? null : entered(`${at} mm`), in: 'bottom', level: 0, fixing: 'fixed' } },
      };
      expect(ids(more)).toEqual(new Set([...ids(box), `${box.id}/shelf/fresh`]));
      const after = spaces(more);
      for (const [keptBy, floor] of spaces(box)) expect(after.get(keptBy)).toBe(floor);
    }),
    { numRuns: 200 },
  );
});

test('taking a shelf out takes one id away and changes no other', () => {
  fc.assert(
    fc.property(
      arbitraryBox.filter(({ shelves }) => Object.keys(shelves).length > 0),
      fc.nat(),
      (box, pick) => {
        const keys = Object.keys(box.shelves);
        const gone = keys[pick % keys.length]!;
        const { [gone]: _gone, ...rest } = box.shelves;
        const left = ids({ ...box, shelves: rest });
        expect(new Set([...left, `${box.id}/shelf/${gone}`])).toEqual(ids(box));
        expect(left.has(`${box.id}/shelf/${gone}`)).toBe(false);
      },
    ),
    { numRuns: 200 },
  );
});

test('a joint changed from butt to dado changes only the two panels that meet', () => {
  fc.assert(
    fc.property(
      arbitraryBox.filter(({ bottom }) => bottom.runs === 'between'),
      (box) => {
        // The lip moves the bottom up only in a dado: keep it out of the comparison.
        const flat = { ...box, bottom: { ...box.bottom, lip: entered('0 mm') } };
        const butt = solidOf({ ...flat, bottom: { ...flat.bottom, joint: 'butt' } });
        const dado = solidOf({ ...flat, bottom: { ...flat.bottom, joint: 'dado' } });
        const changed = dado.panels
          .filter((panel) => JSON.stringify(panel) !== JSON.stringify(butt.byId.get(panel.id)))
          .map(({ id }) => id.slice(box.id.length + 1));
        expect(new Set(changed)).toEqual(new Set(['side/left', 'side/right', 'bottom']));
      },
    ),
    { numRuns: 100 },
  );
});
