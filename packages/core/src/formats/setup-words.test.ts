/** Setups in words: complete, and right about which end and which face. */
import { describe, expect, test } from '@jest/globals';
import back from '../../../../examples/print-room-back.carcass.json' with { type: 'json' };
import { plan } from '../planner/plan.ts';
import { setupsOf } from '../setups/setups.ts';
import { handHeldShop, defaultShop } from '../stock/shop.ts';
import { furnishedRoom, planWith } from '../test/print-room.ts';
import { readProject } from './project-file.ts';
import { setupWords } from './setup-words.ts';

describe('the ink cupboard in the usual shop', () => {
  const { cabinet, parts } = planWith().byId.get('ink')!;
  const made = setupsOf([cabinet], defaultShop());
  const words = made.setups.map((setup) => setupWords(setup, { shop: defaultShop(), blanks: made.blanks, parts }, 'mm'));

  test('a dado: stack, cut, depth, stop; both sides the same end against it and the inside down', () => {
    const dado = words.find(({ set }) => set.some(({ to }) => to.startsWith('14.95')))!;
    expect(dado.title).toBe('Table saw: slots, on the sled or against the gauge');
    expect(dado.set.map(({ what, to }) => `${what}: ${to}`)).toEqual([
      'stack: outer blades + 3 × 3.2 mm + 1.6 mm + shim 0.3 mm',
      'cuts: 17.9 mm',
      'depth: 6 mm',
      'stop: 14.95 mm to the near side of the cutter',
    ]);
    expect(dado.pieces.map(({ mark, name, lies }) => `${mark} ${name}: ${lies}`)).toEqual([
      'A1 left side: bottom end against the stop, inside face down',
      'A2 right side: bottom end against the stop, inside face down',
    ]);
    expect(dado.gauge).toContain('A3 (bottom)');
    expect(dado.caution).toContain('Unplug before the blades are touched');
    expect(dado.caution).toContain('Scrap clamped behind the front edge');
  });
  test('by hand: the router from above, its edge as far off as its base keeps it', () => {
    const shop = handHeldShop();
    const routed = setupsOf([cabinet], shop);
    const all = routed.setups.map((setup) => setupWords(setup, { shop, blanks: routed.blanks, parts }, 'mm'));
    const slot = all.find(({ set }) => set.some(({ to }) => to.includes('begins at 14.95 mm')))!;
    expect(slot.title).toBe('Router: slots, along a straight edge');
    // 16 mm bit, base 75: the edge would lie 67 before the slot, off the piece: it lies beyond.
    expect(slot.set.find(({ what }) => what === 'straight edge')!.to).toContain('beyond the slot, 67 mm from its far wall');
    expect(slot.pieces[0]!.lies).toContain('inside face up');
  });
});

test.each(['mm', 'in'] as const)('every setup of every demo unit has words, in %s', (unit) => {
  for (const { design, record, workshop } of [furnishedRoom(), readProject(back)]) {
    const { cabinets, parts } = plan(design, record, workshop);
    for (const shop of [defaultShop(), handHeldShop()]) {
      const made = setupsOf(
        cabinets.map((each) => each.cabinet),
        shop,
      );
      for (const setup of made.setups) {
        const words = setupWords(setup, { shop, blanks: made.blanks, parts }, unit);
        const all = JSON.stringify(words);
        expect(all).not.toMatch(/undefined|NaN/);
        expect(words.pieces.length).toBeGreaterThan(0);
        expect(words.pieces.reduce((sum, { cuts }) => sum + cuts, 0)).toBe(setup.cuts.length);
        expect(words.pieces.every(({ mark }) => mark !== '')).toBe(true);
        expect(words.gauge.length * words.caution.length).toBeGreaterThan(0);
      }
    }
  }
});

describe('what the machine does not place is told for each part', () => {
  const { design, record, workshop } = readProject(back);
  const { cabinets, parts } = plan(design, record, workshop);
  const wordsOf = (id: string) => {
    const { cabinet } = cabinets.find((each) => each.id === id)!;
    const made = setupsOf([cabinet], defaultShop());
    return made.setups.map((setup) => setupWords(setup, { shop: defaultShop(), blanks: made.blanks, parts }, 'mm'));
  };

  test('a stopped slot says where it begins and ends', () => {
    const stopped = wordsOf('sloped').filter(({ set }) => set.some(({ what }) => what === 'stops'));
    expect(stopped.length).toBeGreaterThan(0);
    expect(stopped[0]!.set.find(({ what }) => what === 'stops')!.to).toMatch(/^begins 6\.2 mm, ends 242\.2 mm from the rear edge$/);
  });
  test('slanted slots of the rack each have their mark, and rows of holes their first and their step', () => {
    const slots = wordsOf('slots').find(({ title }) => title.includes('slanted slots'))!;
    const places = slots.pieces.flatMap((piece) => piece.places);
    expect(places).toHaveLength(12);
    expect(places.every((place) => /^its low side [\d.]+ mm( strong| shy)? from the bottom end at the rear edge$/.test(place))).toBe(true);
    // 8° over the side's own width: width × tan 8°, to a tenth.
    const off = Number(/^([\d.]+)° off square/.exec(slots.set.find(({ what }) => what === 'wedge')!.to)![1]);
    const [, rise, over] = /^from a point to ([\d.]+) mm over ([\d.]+) mm; .* turned over for the other hand$/.exec(
      slots.set.find(({ what }) => what === 'sawn')!.to,
    )!;
    expect(Number(rise)).toBeCloseTo(Number(over) * Math.tan((off * Math.PI) / 180), 1);
    // Both of a pair read the same marks.
    expect(new Set(places).size).toBe(6);
    expect(wordsOf('bays').flatMap(({ pieces }) => pieces.flatMap((piece) => piece.places))).toEqual(
      expect.arrayContaining([expect.stringMatching(/holes every 32 mm, the first/)]),
    );
  });
});
