/** Will it go together: the goes against the sum of variances, and what chains are found. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { plan } from '../planner/plan.ts';
import { entered } from '../length/entered.ts';
import { aloneBox, ink, planWith, printRoom, cabinetWith } from '../test/print-room.ts';
import { defaultShop } from '../stock/shop.ts';
import { newSpec } from '../test/family-units.ts';
import { thicknessSd, type ToleranceChain, type Variation } from './tolerance-chain.ts';
import { toleranceChains } from './tolerance-chains.ts';
import { expectedFit, helpsFor, normalBelow, simulateFit } from './fit-simulation.ts';
import type { Length } from '../length/length.ts';
import type { DrawerUnit } from '../model/specs/drawer-unit.ts';

const arbitraryVariation = (n: number): fc.Arbitrary<Variation> =>
  fc.record({
    source: fc.constantFrom(`a${n}`, `b${n}`, 'shared'),
    cause: fc.constantFrom('mean' as const, 'slot' as const, 'length' as const),
    sd: fc.double({ min: 0.01, max: 0.5, noNaN: true }),
    times: fc.constantFrom(-1, 1, 2),
  });
const arbitraryChain: fc.Arbitrary<ToleranceChain> = fc
  .record({
    freeMm: fc.double({ min: -0.2, max: 1, noNaN: true }),
    over: fc.double({ min: 0.1, max: 1, noNaN: true }),
    variations: fc.integer({ min: 1, max: 7 }).chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => arbitraryVariation(i)))),
  })
  .map(({ freeMm, over, variations }) => ({
    id: 'c',
    kind: 'slot',
    guest: { key: 'shelf' },
    host: { key: 'side' },
    other: null,
    panels: [],
    count: 1,
    freeMm,
    maxMm: freeMm + over,
    variations,
  }));

describe('the simulation', () => {
  const RUNS = 8000;
  test('agrees with the sum of variances within its error, errors that are one counted as one', () => {
    fc.assert(
      fc.property(arbitraryChain, fc.integer({ min: 1, max: 1e6 }), (chain, seed) => {
        const run = simulateFit(chain, RUNS, seed);
        const { sdMm, binds, rattles } = expectedFit(chain);
        // Five standard errors: of a mean, of a standard deviation, of a share.
        expect(Math.abs(run.meanMm - chain.freeMm)).toBeLessThanOrEqual((5 * sdMm) / Math.sqrt(RUNS) + 1e-12);
        expect(Math.abs(run.sdMm - sdMm)).toBeLessThanOrEqual((5 * sdMm) / Math.sqrt(2 * RUNS) + 1e-12);
        const within = (share: number): number => 5 * Math.sqrt(Math.max(1 / RUNS, share * (1 - share)) / RUNS);
        expect(Math.abs(run.binds - binds)).toBeLessThanOrEqual(within(binds));
        expect(Math.abs(run.rattles - rattles)).toBeLessThanOrEqual(within(rattles));
        expect(run.bins.counts.reduce((sum, count) => sum + count, 0)).toBe(RUNS);
      }),
      { numRuns: 60 },
    );
  });
  test('is the same for the same seed and another for another', () => {
    const [chain] = fc.sample(arbitraryChain, { numRuns: 1, seed: 7 }) as [ToleranceChain];
    expect(simulateFit(chain, 500, 42)).toEqual(simulateFit(chain, 500, 42));
    expect(simulateFit(chain, 500, 42).meanMm).not.toBe(simulateFit(chain, 500, 43).meanMm);
  });
  test.each([
    [0, 0.5],
    [1, 0.8413447],
    [-1.96, 0.0249979],
    [3, 0.9986501],
  ])('the share below %d is %d', (z, share) => expect(normalBelow(z)).toBeCloseTo(share, 6));
});

describe('readings', () => {
  test('give a spread over as many as were drawn, and a mean that is better known the more there are', () => {
    const nm = (mm: number): Length => (mm * 1e6) as Length;
    expect(thicknessSd({ readings: 2, spread: nm(0.1128) })).toEqual({ place: expect.closeTo(0.1, 9), mean: expect.closeTo(0.1 / Math.SQRT2, 9) });
    expect(thicknessSd({ readings: 5, spread: nm(0.2326) }).mean).toBeCloseTo(0.1 / Math.sqrt(5), 9);
    expect(thicknessSd({ readings: 0, spread: nm(0) }).mean).toBeGreaterThan(thicknessSd({ readings: 1, spread: nm(0) }).mean);
  });
});

describe('chains of the ink cupboard', () => {
  const { stockOf } = planWith();
  const chainsOf = (...edits: Parameters<typeof cabinetWith>[1][]): ToleranceChain[] =>
    toleranceChains(cabinetWith('ink', ...edits).cabinet, (id) => stockOf(id).used, defaultShop());

  test('each dado with its shelf, each shelf between its ends, the back in its rabbets', () => {
    const chains = chainsOf();
    const shelf = chains.find(({ kind, guest }) => kind === 'slot' && guest.key === 'shelf')!;
    expect(shelf.freeMm).toBeCloseTo(0.1, 9); // a push fit
    expect(chains.filter(({ kind }) => kind === 'ends').map(({ guest }) => guest.key)).toEqual(expect.arrayContaining(['shelf', 'bottom', 'back']));
    const back = chains.find(({ kind, guest }) => kind === 'ends' && guest.key === 'back')!;
    expect(back.freeMm).toBeCloseTo(1, 9); // half a millimeter at each edge
    expect(chains.filter(({ kind }) => kind === 'doors')).toEqual([]);
  });
  test('inset doors of a face frame stand between its stiles', () => {
    const frame = { stock: 'birch-18', stile: entered('40 mm'), rail: entered('40 mm'), overhang: entered('0 mm'), inside: 'proud', joined: 'pockets' };
    const doors = chainsOf(ink('front', 'doors'), ink('faceFrame', frame)).find(({ kind }) => kind === 'doors')!;
    expect(doors.host.key).toBe('frame-stile-left');
    expect(doors.freeMm).toBeCloseTo(6, 6);
  });
  test('drawers: bought slides take up half a millimetre, runners leave what was left for them', () => {
    const drawers = (slides: object): ToleranceChain[] => {
      const { cabinet } = aloneBox({ ...(newSpec('drawer-unit') as DrawerUnit), ...slides });
      return toleranceChains(cabinet, (id) => stockOf(id).used, defaultShop()).filter(({ kind }) => kind === 'drawer');
    };
    const spec = newSpec('drawer-unit') as DrawerUnit;
    const bought = drawers({});
    expect(bought).toHaveLength(Object.keys(spec.drawers).length);
    expect(bought[0]!.freeMm).toBe(0.5);
    const { mean, place } = thicknessSd(stockOf(spec.boxStock).used);
    // Cross part and opening 0.15 each, two corners 0.1 deep, both box sides of one sheet.
    expect(expectedFit(bought[0]!).sdMm).toBeCloseTo(Math.sqrt(2 * 0.15 ** 2 + 2 * 0.1 ** 2 + (2 * mean) ** 2 + 2 * place ** 2), 9);
    const runners = drawers({ slides: { ...spec.slides, kind: 'runner', clearance: entered('1 mm') } });
    expect(runners[0]!.freeMm).toBeCloseTo(2, 6);
  });
  test('a tight fit binds more often than a loose one, and the looser fit is what helps it', () => {
    const of = (fit: string): ToleranceChain => chainsOf(ink('fit', fit)).find(({ kind, guest }) => kind === 'slot' && guest.key === 'shelf')!;
    const [tight, loose] = [expectedFit(of('tight')), expectedFit(of('loose'))];
    expect(tight.binds).toBeGreaterThan(loose.binds + 0.2);
    expect(tight.binds).toBeCloseTo(0.5, 6);
    expect(helpsFor(of('tight'), 0.1).map(({ kind }) => kind)).toContain('looser');
  });
  test('inset doors stand in their opening with all their reveals', () => {
    const doors = chainsOf(ink('front', 'doors')).find(({ kind }) => kind === 'doors')!;
    expect(doors.panels).toHaveLength(2);
    expect(doors.freeMm).toBeCloseTo(6, 6); // three reveals of 2 mm
    expect(helpsFor(doors, null).every(({ kind }) => kind === 'cut-last')).toBe(true);
  });
  test('shelves and a divider in a row add up; the thickness of two dividers of one sheet is off the same way', () => {
    const shelf = (id: string, order: number, space: string) => ({ id, order, at: null, in: space, level: 1, fixing: 'fixed' });
    const divider = (id: string, order: number, space: string) => ({ id, order, at: null, in: space, level: 0 });
    const row = (dividers: object, shelves: object): ToleranceChain | undefined =>
      chainsOf(ink('shelves', shelves), ink('dividers', dividers)).find(({ kind }) => kind === 'row');
    expect(row({}, { s1: shelf('s1', 1, 'bottom') })).toBeUndefined();
    const two = row({ d1: divider('d1', 1, 'bottom') }, { s1: shelf('s1', 1, 'bottom'), s2: shelf('s2', 2, 'd1') })!;
    // Four ends of a quarter of a millimeter each.
    expect(two.freeMm).toBeCloseTo(1, 9);
    expect(two.panels).toEqual(['ink/shelf/s1', 'ink/shelf/s2', 'ink/divider/d1']);
    const sd = expectedFit(two).sdMm;
    const { mean, place } = thicknessSd(stockOf('birch-18').used);
    // Two lengths and the sides' distance at 0.15, four depths at 0.1, one thickness.
    expect(sd).toBeCloseTo(Math.sqrt(3 * 0.15 ** 2 + 4 * 0.1 ** 2 + mean ** 2 + place ** 2), 9);
    const three = row(
      { d1: divider('d1', 1, 'bottom'), d2: divider('d2', 2, 'd1') },
      { s1: shelf('s1', 1, 'bottom'), s2: shelf('s2', 2, 'd1'), s3: shelf('s3', 3, 'd2') },
    )!;
    expect(expectedFit(three).sdMm).toBeCloseTo(Math.sqrt(4 * 0.15 ** 2 + 6 * 0.1 ** 2 + (2 * mean) ** 2 + 2 * place ** 2), 9);
  });
  test('what the shop repeats to is what the chains vary by', () => {
    const rough = { repeats: { ...defaultShop().repeats, length: entered('0.6 mm') } };
    const { cabinet } = cabinetWith('ink');
    const sdOf = (shop: Parameters<typeof toleranceChains>[2]): number =>
      expectedFit(toleranceChains(cabinet, (id) => stockOf(id).used, shop).find(({ kind, guest }) => kind === 'ends' && guest.key === 'shelf')!).sdMm;
    expect(sdOf(rough) ** 2 - sdOf(defaultShop()) ** 2).toBeCloseTo(2 * (0.6 ** 2 - 0.15 ** 2), 9);
  });
  test('a sheet that is measured more binds less', () => {
    const { design, record, workshop } = printRoom();
    const none = plan(design, [], workshop);
    const with_ = plan(design, record, workshop);
    const binds = (p: typeof none): number =>
      expectedFit(
        toleranceChains(p.byId.get('ink')!.cabinet, (id) => p.stockOf(id).used, defaultShop()).find(
          ({ kind, guest }) => kind === 'slot' && guest.key === 'shelf',
        )!,
      ).binds;
    expect(binds(none)).toBeGreaterThan(binds(with_));
    expect(entered('18 mm').nm).toBe(18_000_000);
  });
});
