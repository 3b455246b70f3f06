/** Will it go together: the goes against the sum of variances, and what chains are found. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { plan } from '../plan/plan.ts';
import { entered } from '../length/entered.ts';
import { ink, planWith, printRoom, unitWith } from '../test/print-room.ts';
import { usualShop } from '../stock/shop.ts';
import { fitChains, thicknessSd, type FitChain, type Variation } from './fit-chain.ts';
import { expectedFit, helpsFor, normalBelow, simulateFit } from './fit-simulation.ts';
import type { Length } from '../length/length.ts';

const arbitraryVariation = (n: number): fc.Arbitrary<Variation> =>
  fc.record({
    source: fc.constantFrom(`a${n}`, `b${n}`, 'shared'),
    cause: fc.constantFrom('mean' as const, 'slot' as const, 'length' as const),
    sd: fc.double({ min: 0.01, max: 0.5, noNaN: true }),
    times: fc.constantFrom(-1, 1, 2),
  });
const arbitraryChain: fc.Arbitrary<FitChain> = fc
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
    mostMm: freeMm + over,
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
    const [chain] = fc.sample(arbitraryChain, { numRuns: 1, seed: 7 }) as [FitChain];
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
  const chainsOf = (...edits: Parameters<typeof unitWith>[1][]): FitChain[] => fitChains(unitWith('ink', ...edits).unit, (id) => stockOf(id).used, usualShop());

  test('each dado with its shelf, each shelf between its ends, the back in its rabbets', () => {
    const chains = chainsOf();
    const shelf = chains.find(({ kind, guest }) => kind === 'slot' && guest.key === 'shelf')!;
    expect(shelf.freeMm).toBeCloseTo(0.1, 9); // a push fit
    expect(chains.filter(({ kind }) => kind === 'ends').map(({ guest }) => guest.key)).toEqual(expect.arrayContaining(['shelf', 'bottom', 'back']));
    const back = chains.find(({ kind, guest }) => kind === 'ends' && guest.key === 'back')!;
    expect(back.freeMm).toBeCloseTo(1, 9); // half a millimetre at each edge
    expect(chains.filter(({ kind }) => kind === 'doors')).toEqual([]);
  });
  test('a tight fit binds more often than a loose one, and the looser fit is what helps it', () => {
    const of = (fit: string): FitChain => chainsOf(ink('fit', fit)).find(({ kind, guest }) => kind === 'slot' && guest.key === 'shelf')!;
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
  test('a sheet that is measured more binds less', () => {
    const { design, record, workshop } = printRoom();
    const none = plan(design, [], workshop);
    const with_ = plan(design, record, workshop);
    const binds = (p: typeof none): number =>
      expectedFit(
        fitChains(p.byId.get('ink')!.unit, (id) => p.stockOf(id).used, usualShop()).find(({ kind, guest }) => kind === 'slot' && guest.key === 'shelf')!,
      ).binds;
    expect(binds(none)).toBeGreaterThan(binds(with_));
    expect(entered('18 mm').nm).toBe(18_000_000);
  });
});
