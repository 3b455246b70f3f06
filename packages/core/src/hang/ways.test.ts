/** Ways to hang beside a whole cleat: brackets, a notched half, keyhole plates, two planes. */
import fc from 'fast-check';
import { describe, expect, test } from '@jest/globals';
import { onWall } from '../test/check-case.ts';
import { applyEdit, type EditStep } from '../model/edit.ts';
import { plan } from '../planner/plan.ts';
import { entered } from '../length/entered.ts';
import { ink, printRoom, typed } from '../test/print-room.ts';
import { proudYield } from './fasteners.ts';
import { bearingShares, worstBracket } from './bearing-shares.ts';
import { bracketPatterns, bracketShares, studShares } from './stud-shares.ts';
import { MOVING } from './two-planes.ts';

const whole = (least: number, most: number): fc.Arbitrary<number> => fc.integer({ min: least, max: most });

function hung(...edits: readonly EditStep[]) {
  const { design, record, workshop } = printRoom();
  return plan(applyEdit(design, edits), record, workshop).cabinets.find(({ id }) => id === 'ink')!;
}
const twoBrackets = ink('hanging.brackets', { count: 2, length: typed('x', '120 mm').value });
const useOf = ({ hang }: ReturnType<typeof hung>, id: string): number => hang.links.find((each) => each.id === id)!.use.value;

describe('brackets', () => {
  test('each pattern carries the whole weight about its centre; two brackets share it by levers', () => {
    expect(bracketPatterns(900, [60, 640], 205)).toEqual([[675, 225]]);
    fc.assert(
      fc.property(whole(2, 6), whole(1, 900), whole(0, 1000), (count, weight, share) => {
        const middles = Array.from({ length: count }, (_, index) => 50 + 140 * index);
        const centre = middles[0]! + ((middles.at(-1)! - middles[0]!) * share) / 1000;
        for (const pattern of bracketPatterns(weight, middles, centre)) {
          const sum = pattern.reduce((a, b) => a + b, 0);
          const moment = pattern.reduce((a, newtons, index) => a + newtons * middles[index]!, 0);
          expect(sum).toBeCloseTo(weight, 6);
          expect(moment).toBeCloseTo(weight * centre, 3);
        }
      }),
    );
  });

  test('studs take the greatest of every pattern: at least what any one lays on them', () => {
    fc.assert(
      fc.property(whole(2, 5), whole(2, 4), whole(100, 900), (count, studs, centre) => {
        const brackets = Array.from({ length: count }, (_, index) => ({ from: (900 * index) / (count - 1), to: (900 * index) / (count - 1) + 100 }));
        const at = Array.from({ length: studs }, (_, index) => 70 + (860 * index) / (studs - 1));
        const middles = brackets.map(({ from }) => from + 50);
        const patterns = bracketPatterns(1000, middles, centre);
        const shares = bracketShares(patterns, brackets, at);
        for (const way of ['simple', 'continuous', 'rigid'] as const) expect(shares[way].reduce((a, b) => a + b, 0)).toBeGreaterThanOrEqual(1000 - 1e-6);
        if (count === 2) expect(shares.simple.reduce((a, b) => a + b, 0)).toBeCloseTo(1000, 6);
      }),
    );
  });

  test('one bracket as long as the half would be the half: the same shares', () => {
    const alone = bracketShares([[800]], [{ from: 0, to: 700 }], [120, 520]);
    expect(alone.simple).toEqual(studShares(800, 0, 700, [120, 520]).simple);
  });

  test('a cupboard on two of them: named, each with its share of the screws, holes only where they are', () => {
    const plain = hung();
    const made = hung(twoBrackets);
    expect(made.cabinet.hanging.brackets).toEqual(['ink/cabinet-half/left', 'ink/cabinet-half/right']);
    expect(made.cabinet.byId.get('ink/cabinet-half/right')!.frame.origin.along).toBe(made.cabinet.outside.width.value - 120_000_000);
    const share = worstBracket(made.cabinet, made.hang.loaded.along);
    expect(share).toBeGreaterThanOrEqual(0.5);
    expect(share).toBeLessThan(0.6);
    // The same count of screws, half of them with the worse share of the load.
    const ratio = useOf(made, 'cabinet-half') / (2 * share * useOf(plain, 'cabinet-half'));
    // Brackets weigh a little less than the whole half.
    expect(ratio).toBeLessThan(1);
    expect(ratio).toBeGreaterThan(0.98);
    // Weight that comes at the ends bends the half otherwise than weight spread over it; the whole of it still arrives.
    const { stretches } = bearingShares(made.cabinet, 1000, made.hang.loaded.along, [100, 500]);
    expect(stretches.reduce((sum, { newtons }) => sum + newtons, 0)).toBeCloseTo(1000, 6);
    const blank = made.parts.find(({ role }) => role === 'cleat-blank')!;
    expect(blank.panels).toEqual(['ink/cabinet-half/left', 'ink/cabinet-half/right', 'ink/wall-half']);
    expect(blank.length.value).toBe(plain.parts.find(({ role }) => role === 'cleat-blank')!.length.value);
  });

  test('the bevel under the worse of them bears its share; a whole half is not asked', () => {
    const made = hung(twoBrackets);
    const share = worstBracket(made.cabinet, made.hang.loaded.along);
    // Birch plywood bears 2.5 MPa across its grain.
    expect(useOf(made, 'bevel')).toBeCloseTo((share * made.hang.weight.value) / (120 * 17.8) / 2.5, 9);
    expect(hung().hang.links.some(({ id }) => id === 'bevel')).toBe(false);
  });

  test('fewer screws than brackets leave one without: refused', () => {
    expect(hung(twoBrackets, ink('hanging.cabinetScrew.count', 1)).hang.refusals.map(({ kind }) => kind)).toContain('no-cabinet-screw');
  });

  test('another bracket changes the id of none', () => {
    const three = hung(ink('hanging.brackets', { count: 3, length: typed('x', '120 mm').value }));
    expect(three.cabinet.hanging.brackets).toEqual(['ink/cabinet-half/left', 'ink/cabinet-half/between-1', 'ink/cabinet-half/right']);
  });
});

describe('a notched half', () => {
  const notched = (at: string, depth: string) =>
    hung(ink('hanging.notch', { at: typed('x', at).value, length: typed('x', '100 mm').value, depth: typed('x', depth).value }));

  test('bends more, by what is left of it; nothing else changes away from the studs', () => {
    const plain = hung();
    const made = notched('300 mm', '20 mm');
    expect(made.hang.studs.length).toBe(plain.hang.studs.length);
    expect(useOf(made, 'wall-half')).toBeGreaterThan(useOf(plain, 'wall-half'));
    expect(useOf(made, 'stud-1')).toBe(useOf(plain, 'stud-1'));
    expect(notched('300 mm', '30 mm').hang.links.find(({ id }) => id === 'wall-half')!.use.value).toBeGreaterThan(useOf(made, 'wall-half'));
  });

  test('a stud behind it takes no screw', () => {
    const [first] = hung().hang.studs;
    const made = notched(`${Math.round(first!.atMm) - 50} mm`, '20 mm');
    expect(made.hang.studs.map(({ atMm }) => atMm)).not.toContain(first!.atMm);
  });
});

describe('keyhole plates', () => {
  const plates = (ratedKg: number, ...more: readonly EditStep[]) => hung(ink('hanging.kind', 'plates'), ink('hanging.plate.ratedKg', ratedKg), ...more);

  test('one on each stud behind the rail, in its middle; nobody knows what they carry: refused', () => {
    const made = plates(0);
    expect(made.hang.refusals.map(({ kind }) => kind)).toEqual(['unrated-plate']);
    expect(made.cabinet.hanging.rip).toBeNull();
    expect(made.cabinet.hanging.wallScrew).toMatchObject({ upper: 1, lower: 0 });
  });

  test('the straight sum of what hangs in it and what draws it off', () => {
    const { hang } = plates(40);
    for (const { use, shear, tension, lateral, pull } of hang.studs) expect(use.value).toBeCloseTo(shear.value / lateral.value + tension.value / pull.value, 9);
  });

  test('more of a rating never uses it more, and never holds more than its screw', () => {
    fc.assert(
      fc.property(whole(1, 60), whole(0, 60), (kg, more) => {
        const [less, greater] = [plates(kg).hang.studs[0]!, plates(kg + more).hang.studs[0]!];
        expect(greater.use.value).toBeLessThanOrEqual(less.use.value + 1e-9);
        expect(less.lateral.value).toBeLessThanOrEqual((kg * 9.80665) / 1.5 + 1e-9);
      }),
      { numRuns: 12 },
    );
    expect(plates(500).hang.studs[0]!.lateral.value).toBe(plates(400).hang.studs[0]!.lateral.value);
  });

  test('unlocked it is never better than tight', () => {
    const { contents } = printRoom().design.units['ink']!;
    const light = [ink('contents', Object.fromEntries(Object.keys(contents).map((space) => [space, { preset: 'nothing', kg: 0.1 }])))];
    // A doubled stud is wide enough for so thick a screw.
    const strong = [typed('hanging.wallScrew.length', '100 mm'), ink('hanging.wallScrew.screw', '8mm'), onWall('studs.width', entered('76 mm')), ...light];
    const [locked, loose] = [plates(400, ...strong), plates(400, ...strong, ink('hanging.antiLift', false))];
    expect(locked.hang.links[0]!.use.value).toBe(loose.hang.links[0]!.use.value);
    expect([locked.hang.state, loose.hang.state]).toEqual(['fine', 'tight']);
  });

  test('on wallboard alone they are not covered', () => {
    expect(plates(40, onWall('fixing.into', 'covering')).hang.refusals).toContainEqual({ kind: 'plates-ground', ground: 'anchors' });
  });

  test('a screw clear of what holds it: less the further out, and never more than what crushes the wood', () => {
    const at = (leverMm: number): number => proudYield({ diameterMm: 4.8, rootMm: 3.3, yieldMPa: 550, mainMm: 40, leverMm, gravity: 0.42 });
    fc.assert(fc.property(whole(0, 60), whole(1, 60), (lever, more) => void expect(at(lever + more)).toBeLessThan(at(lever))));
    // By hand, lever 15.7: q = 23.2 MPa · 3.3 = 76.7 N/mm, M = 550 · 3.3³/6 = 3294 N mm; bent: 76.7 (√(15.7² + 2 · 3294/76.7) − 15.7) = 195 N, over 2.2.
    expect(at(15.7)).toBeCloseTo(88.6, 0);
  });
});

describe('two planes', () => {
  const bolted = (count: number, ratedN: number, ...more: readonly EditStep[]) =>
    hung(
      onWall('structure', 'vehicle'),
      onWall('fixing.pullN', 6000),
      onWall('fixing.shearN', 4500),
      onWall('fixing.rating', 'working'),
      ink('hanging.kind', 'through'),
      ink('hanging.second', { plane: 'bottom', count, ratedN }),
      ...more,
    );

  test('each alone takes three times the weight and what pushes it aside', () => {
    const { hang } = bolted(6, 3000);
    const most = Math.max(...MOVING.map(({ ways, up }) => Math.hypot(ways, up)));
    expect(useOf(bolted(6, 3000), 'plane-second')).toBeCloseTo((hang.weight.value * most) / ((6 * 3000) / 1.5), 9);
    const screws = hang.studs.length * (bolted(6, 3000).cabinet.hanging.wallScrew.upper + bolted(6, 3000).cabinet.hanging.wallScrew.lower);
    // The lesser of pull and shear counts, two thirds of it.
    expect(useOf(bolted(6, 3000), 'plane-back')).toBeCloseTo((hang.weight.value * most) / ((screws * 4500) / 1.5), 9);
    expect(hang.refusals).toEqual([]);
    expect(hang.state).toBe('tight');
  });

  test('more fixings never use it more; unrated ones refuse it, each plane by name', () => {
    expect(useOf(bolted(8, 3000), 'plane-second')).toBeLessThan(useOf(bolted(6, 3000), 'plane-second'));
    expect(bolted(6, 0).hang.refusals).toEqual([{ kind: 'unrated-plane', plane: 'second' }]);
    expect(bolted(6, 3000, onWall('fixing.pullN', null)).hang.refusals).toEqual([{ kind: 'unrated-plane', plane: 'back' }]);
  });

  test('a door leaf has no second plane', () => {
    expect(bolted(6, 3000, onWall('structure', 'panel-door')).hang.refusals.map(({ kind }) => kind)).toContain('moving');
  });
});
