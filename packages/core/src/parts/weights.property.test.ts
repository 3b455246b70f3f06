import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { arbitraryBox } from '../test/arbitrary-box.ts';
import { aloneBox } from '../test/print-room.ts';
import { contentsMass, HARDWARE_SHARE, loadedCabinet } from './weights.ts';

const close = (a: number, b: number): void => expect(Math.abs(a - b)).toBeLessThan(1e-6 * (1 + Math.abs(b)));

test('the loaded unit is the empty one and its contents: masses add, moments add', () => {
  fc.assert(
    fc.property(arbitraryBox, fc.double({ min: 0, max: 4, noNaN: true }), (box, factor) => {
      const { weights } = aloneBox(box);
      const loaded = loadedCabinet(weights, factor);
      const { empty, contents } = weights;
      close(loaded.mass.value, empty.mass.value + factor * contentsMass(weights));
      for (const axis of ['along', 'up', 'out'] as const) {
        const moment = empty.mass.value * empty[axis] + contents.reduce((sum, load) => sum + factor * load.mass.value * load[axis], 0);
        close(loaded[axis] * loaded.mass.value, moment);
      }
    }),
    { numRuns: 60 },
  );
});

test('a box is as heavy on the left as on the right: its centre stands in the middle', () => {
  fc.assert(
    fc.property(arbitraryBox, (box) => {
      const { weights } = aloneBox(box);
      close(weights.empty.along, box.width.nm / 2e6);
    }),
    { numRuns: 40 },
  );
});

test('what is fixed to the wall does not hang, and hardware is a twentieth of the wood', () => {
  const { weights, cabinet } = aloneBox(fc.sample(arbitraryBox, { numRuns: 1, seed: 7 })[0]!);
  const wood = cabinet.panels.filter(({ onWall }) => !onWall).reduce((sum, { id }) => sum + weights.panels.get(id)!.value, 0);
  close(weights.empty.mass.value, wood * (1 + HARDWARE_SHARE));
  expect(cabinet.panels.filter(({ onWall }) => onWall).map(({ role }) => role)).toEqual(['wall-half']);
});

test('no preset puts more into a space than the space holds', () => {
  fc.assert(
    fc.property(arbitraryBox, (box) => {
      const { weights } = aloneBox({
        ...box,
        contents: Object.fromEntries(Object.keys(box.contents).map((id) => [id, { preset: 'tools' as const, kg: null }])),
      });
      for (const { mass, compartment } of weights.contents) {
        const litres = ((compartment.width.value * compartment.depth.value) / 1e12) * Math.max(0, compartment.height.value / 1e6);
        expect(mass.value).toBeLessThanOrEqual(Math.max(0, 0.6 * litres) + 1e-9);
      }
    }),
    { numRuns: 40 },
  );
});
