/** Figures of set-out and of placing, for bench.ts. */
import {
  applyEdit,
  createPlanner,
  entered,
  kgOf,
  mm,
  newItem,
  reachOf,
  setOut,
  type Design,
  type ProjectFile,
  type SetOutJob,
} from '../packages/core/src/index.ts';
import type { Item } from '../packages/core/src/model/item.ts';

export interface Bench {
  readonly heading: (title: string) => void;
  readonly row: (what: string, figure: string, wanted?: string) => void;
  readonly timed: (run: () => void) => number;
  readonly median: (times: number[]) => number;
  readonly ms: (value: number) => string;
}

/** So many kinds of thing, the same on every machine; a few stand together. */
function things(count: number): Item[] {
  let state = count;
  const dice = (): number => {
    state = (state * 1664525 + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
  const between = (low: number, high: number) => entered(`${Math.round(low + dice() * (high - low))} mm`);
  return Array.from({ length: count }, (_, n) => ({
    ...newItem({ id: `i${n}`, order: n, unit: 'mm' }),
    width: between(30, 200),
    depth: between(40, 220),
    height: between(40, 300),
    kg: 4 * dice(),
    count: 1 + Math.floor(4 * dice()),
    near: dice() < 0.4 ? `g${Math.floor((dice() * count) / 8)}` : '',
    reach: (['daily', 'weekly', 'seldom'] as const)[Math.floor(3 * dice())]!,
  }));
}

const jobOf = (items: readonly Item[]): SetOutJob => ({
  lots: items.map((item) => ({ item, count: item.count, pinned: false, on: null })),
  width: mm(1200),
  depth: mm(280),
  height: mm(60_000),
  thickness: mm(18),
  floorUp: mm(900),
  zone: reachOf(mm(1720)),
  elements: ['bottom'],
  topHeight: mm(0),
  maxLevels: 400,
  grow: true,
});

const SECONDS = 1;

export function benchContents({ heading, row, timed, median, ms }: Bench, { design, record, workshop }: ProjectFile): void {
  heading('Set-out: height over its own lower bound (1 would be proved best), floors 1.2 m wide');
  for (const count of [50, 200, 500]) {
    const job = jobOf(things(count));
    const first = median(Array.from({ length: 7 }, () => timed(() => void setOut(job, kgOf).best())));
    const search = setOut(job, kgOf);
    const { height: start, bound } = search.best();
    const until = performance.now() + SECONDS * 1000;
    while (performance.now() < until) search.step(1);
    const { height, effort, levels } = search.best();
    row(
      `${count} kinds of thing`,
      `first answer ${ms(first)} at ${(start / bound).toFixed(3)}; after ${SECONDS} s ${(height / bound).toFixed(3)} (${levels.length} floors, ${effort} tries)`,
      count === 200 ? 'first answer under 300 ms' : '',
    );
  }

  heading('Placing');
  const ink = design.units['ink']!;
  const units = Object.fromEntries(
    Array.from({ length: 30 }, (_, n) => [
      `u${n}`,
      { ...ink, id: `u${n}`, order: n, name: `Cupboard ${n}`, place: { ...ink.place, along: entered(`${n * 800} mm`) } },
    ]),
  );
  const room: Design = { ...design, items: {}, wall: { ...design.wall, width: entered('26 m'), rails: {} }, units };
  const planner = createPlanner();
  planner.plan(room, record, workshop);
  let at = 0;
  const move = (): number => {
    const next = applyEdit(room, [{ path: ['units', 'u7', 'place', 'along'], value: entered(`${5600 + (++at % 40)} mm`) }]);
    return timed(() => void planner.plan(next, record, workshop));
  };
  for (let n = 0; n < 30; n++) move();
  row('one of 30 cabinets moved, all checked against each other and the wall', ms(median(Array.from({ length: 100 }, move))), 'under 16 ms');
}
