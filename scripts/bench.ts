/**
 * Figures of speed, measured in one run: npm run bench [-- --drag] [-- --server] [-- --write]; those of nesting are in bench-nest.ts.
 * Ratios stand beside times, so that a slow machine does not look like a slow program.
 * --write puts them into docs/benchmarks.md.
 */
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { applyEdit, createPlanner, entered, plan, readProjectFile, search, sheetJobs, type Design, type RecordEntry } from '../packages/core/src/index.ts';
import { benchBuild, benchSure } from './bench-build.ts';
import { benchContents } from './bench-contents.ts';
import { benchFamilies } from './bench-families.ts';
import { benchSizes } from './bench-nests.ts';
import { benchSets } from './bench-set.ts';
import { heading, ms, row, writeTables } from './bench-tables.ts';

const ROOT = fileURLToPath(new URL('..', import.meta.url));
function median(times: number[]): number {
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!;
}
function timed(run: () => void): number {
  const began = performance.now();
  run();
  return performance.now() - began;
}
const read = readProjectFile(readFileSync(`${ROOT}/examples/print-room.carcass.json`, 'utf8'));
if (!read.ok) throw new Error(read.problem.message);
const { design, record, workshop } = read.value;
const width = (of: Design, unit: string, nm: number): Design => applyEdit(of, [{ path: ['units', unit, 'width'], value: entered(`${nm} mm`) }]);

/** Thirty cabinets of eleven panels each on one long wall. */
function room(): Design {
  const { ink } = design.units as { ink: Design['units'][string] };
  const units = Array.from({ length: 30 }, (_, n) => {
    const id = `u${n}`;
    return [id, { ...ink, id, name: `Cupboard ${n + 1}`, order: n, place: { ...ink.place, along: entered(`${n * 800} mm`) } }] as const;
  });
  return { ...design, items: {}, wall: { ...design.wall, width: entered('26 m'), rails: {} }, units: Object.fromEntries(units) };
}

heading('Building a room');
{
  const { units, steps, stepsMs, daysMs } = benchBuild(ROOT);
  row(`days of ${steps} steps of ${units} cabinets laid out anew, median`, ms(median([...daysMs])), 'under 100 ms');
  row('their steps and reasons worked out again, median', ms(median([...stepsMs])));
  const { builds, proved, toTheDay } = benchSure(ROOT);
  row(`builds of the examples, by cabinet and by wall: earliest finish proved, and the day of it`, `${proved} and ${toTheDay} of ${builds}`);
}

heading('On paper');
for (const { name, ms: taken, mb, kilobytes } of benchSets(ROOT)) {
  row(`shop set of ${name}, from the file to the PDF of ${kilobytes.toFixed(0)} kB`, ms(taken), 'under 10 s');
  row('most memory held meanwhile', `${mb.toFixed(0)} MB`, 'under 400 MB');
}

heading('Families of unit');
for (const { what, ms: taken, wantedMs } of benchFamilies(ROOT)) row(what, ms(taken), `under ${wantedMs} ms`);

// --drag: in the browser, against the built product.
if (process.argv.includes('--drag')) {
  const { benchDrags } = await import('../e2e/drag-bench.ts');
  const { shelf, load } = await benchDrags();
  for (const [name, { moves, median: middle, p95, longestTask }] of [
    ['Dragging a shelf in the drawing', shelf],
    ['Dragging the load slider at Hang: figures, drawing and chart', load],
  ] as const) {
    heading(name);
    row(`script, style and layout of a pointer move, median of ${moves}`, ms(middle));
    row('the same, p95', ms(p95), 'under 8 ms');
    row('longest task while dragging', longestTask === 0 ? 'none over 50 ms' : ms(longestTask), 'under 50 ms');
  }
}

// --server: against the built product, with its database.
if (process.argv.includes('--server')) {
  const { benchServer } = await import('./bench-server.ts');
  const { alone, beside, firstPlan, resumed } = await benchServer(ROOT, 20);
  const p95 = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)]!;
  heading('Searches on the server while ten people edit');
  row(`saves alone, p95 of ${alone.length}`, ms(p95(alone)));
  row(`saves beside two searches of 600 parts, p95 of ${beside.length}`, ms(p95(beside)), 'under 100 ms');
  row('the same, median', ms(median([...beside])));
  row('first plan of 600 parts, asked for over HTTP', ms(firstPlan), 'under 1 s');
  row('searches after the server was killed', resumed.join(', '), 'running');
}

heading('Following an edit');
{
  const planner = createPlanner();
  planner.plan(design, record, workshop);
  let at = 700;
  const edit = (): number => {
    const next = width(design, 'ink', ++at);
    return timed(() => void planner.plan(next, record, workshop));
  };
  for (let n = 0; n < 60; n++) edit();
  const one = median(Array.from({ length: 200 }, edit));
  row('plan() after a width of the ink cupboard (11 panels, 17 kinds of thing in it, three cabinets beside it), median', ms(one), '');
  const bare: Design = { ...design, items: {}, wall: { ...design.wall, rails: {} }, units: { ink: design.units['ink']! } };
  const alone = createPlanner();
  const editBare = (): number => {
    const next = width(bare, 'ink', ++at);
    return timed(() => void alone.plan(next, record, workshop));
  };
  for (let n = 0; n < 60; n++) editBare();
  row('plan() after a width of the same cupboard alone, filled by a guess, median', ms(median(Array.from({ length: 200 }, editBare))), 'under 5 ms');

  const big = room();
  const panels = plan(big, record, workshop).cabinets.reduce((sum, { cabinet }) => sum + cabinet.panels.length, 0);
  const whole = median(Array.from({ length: 9 }, () => timed(() => void plan(big, record, workshop))));
  row(`plan() of a room of ${panels} panels, from nothing`, ms(whole), 'under 100 ms');
  const roomPlanner = createPlanner();
  roomPlanner.plan(big, record, workshop);
  let n = 700;
  const inRoom = median(
    Array.from({ length: 60 }, () => {
      const next = width(big, 'u7', ++n);
      return timed(() => void roomPlanner.plan(next, record, workshop));
    }),
  );
  row('one edit in that room, as a share of planning it all', `${((100 * inRoom) / whole).toFixed(1)} % (${ms(inRoom)})`, 'about 1 of 30 cabinets');
  const again = (next: (n: number) => readonly [Design, typeof record, typeof workshop]): number =>
    median(
      Array.from({ length: 60 }, (_, each) => {
        roomPlanner.plan(big, record, workshop);
        const inputs = next(each);
        return timed(() => void roomPlanner.plan(...inputs));
      }),
    );
  const note = (id: number): RecordEntry => ({
    id: `bench-${id}`,
    at: '2026-03-01T10:00:00Z',
    kind: 'note',
    note: { text: 'the door sticks', photos: [], nextTime: false },
  });
  const [priced] = Object.values(workshop.products);
  row('nothing changed in that room, with its findings', ms(again(() => [{ ...big }, record, workshop])), 'under 2 ms');
  row('a note', ms(again((id) => [big, [...record, note(id)], workshop])), 'under 2 ms');
  row('a price', ms(again((price) => [big, record, { ...workshop, products: { ...workshop.products, [priced!.id]: { ...priced!, price } } }])), 'under 5 ms');
}

benchContents({ heading, row, timed, median, ms }, read.value);

heading('First nest of the ink cupboard');
{
  let tried = 0;
  const first = (): number => {
    const next = width(design, 'ink', 700 + 3 * ++tried);
    const { parts } = plan(next, record, workshop);
    return timed(() => {
      for (const { problem } of sheetJobs(
        parts.filter(({ unit }) => unit === 'ink'),
        workshop,
      )) {
        const stepper = search(problem);
        stepper.step(1);
        stepper.plan();
      }
    });
  };
  for (let n = 0; n < 20; n++) first();
  row('first layouts of its parts, median', ms(median(Array.from({ length: 50 }, first))), 'under 150 ms, with the hop to the worker');
}

heading('The command');
{
  spawnSync(`${ROOT}/bin/keen`, ['sum', 'list']);
  const start = median(Array.from({ length: 9 }, () => timed(() => void spawnSync(`${ROOT}/bin/keen`, ['sum', 'list']))));
  const bare = median(Array.from({ length: 9 }, () => timed(() => void spawnSync(process.execPath, ['-e', '0']))));
  row('bin/keen sum list, whole command', `${ms(start)}, ${(start / bare).toFixed(1)} times an empty Node`, 'under 500 ms');
}

heading('Nesting, by the number of parts');
for (const { parts, firstMs, settledMs, heapMb } of benchSizes(2))
  row(
    `${parts} parts`,
    `first answer ${ms(firstMs)}, settled after ${ms(settledMs)}, heap ${heapMb.toFixed(0)} MB`,
    parts <= 60 ? 'first under 50 ms' : 'first under 0.3 s, under 300 MB',
  );

if (process.argv.includes('--write')) await writeTables(ROOT);
