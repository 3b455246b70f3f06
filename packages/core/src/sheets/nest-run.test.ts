import { expect, test } from '@jest/globals';
import { auditPlan } from '../nesting/audit.ts';
import { mm } from '../length/length.ts';
import { starterWorkshop } from '../stock/catalogue.ts';
import { runNest, type NestOrder } from './nest-run.ts';

const workshop = starterWorkshop();
const product = Object.values(workshop.products).find(({ kind }) => kind === 'sheet')!;
const order = (count: number): NestOrder => ({
  workshop,
  then: 'settings',
  job: {
    product: product.id,
    problem: {
      kerf: mm(3),
      trim: mm(5),
      cuts: 'guillotine',
      sheets: [{ id: product.id, length: mm(2440), width: mm(1220), count: null, grain: 'length', cost: 60, offcut: false }],
      parts: Array.from({ length: count }, (_, n) => ({
        id: `p${n}`,
        length: mm(310 + ((n * 97) % 500)),
        width: mm(140 + ((n * 61) % 260)),
        count: 1,
        grain: 'either' as const,
        group: null,
        order: 0,
      })),
    },
  },
});

/** A clock that says so many milliseconds more each time it is asked: the same run every time. */
const TICK_MS = 20;
function counted(): { now: () => number; pause: () => Promise<void>; pauses: () => number } {
  let [time, pauses] = [0, 0];
  return {
    now: () => (time += TICK_MS),
    pause: () => {
      pauses++;
      return Promise.resolve();
    },
    pauses: () => pauses,
  };
}

test('tells better plans as they come, breathes between, and answers with a sound one', async () => {
  const clock = counted();
  const shares: number[] = [];
  const plan = await runNest(order(60), { ms: 800, clock, onBetter: (_, share) => void shares.push(share) });
  expect(auditPlan(order(60).job.problem, plan!)).toEqual([]);
  expect(plan!.unplaced).toEqual([]);
  expect(shares.length).toBeGreaterThan(0);
  expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  expect(clock.pauses()).toBeGreaterThan(5);
});

test('the same clock and seed, the same plan', async () => {
  const [one, other] = await Promise.all([1, 1].map((seed) => runNest(order(40), { ms: 700, seed, clock: counted() })));
  expect(one).toEqual(other);
});

test('nobody wants the answer any more: it ends after the chunk, with nothing', async () => {
  let chunks = 0;
  expect(await runNest(order(60), { ms: 1e9, clock: counted(), wanted: () => ++chunks < 3 })).toBeNull();
  expect(chunks).toBe(3);
});
