/**
 * Figures of speed and of nesting, measured in one run: npm run bench [-- --write]
 * Ratios stand beside times, so that a slow machine does not look like a slow program.
 * --write puts them into docs/benchmarks.md.
 */
import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { format } from 'prettier';
import { applyEdit, createPlanner, entered, plan, readProjectFile, search, sheetJobs, type Design } from '../packages/core/src/index.ts';
import { benchBuild, benchSure } from './bench-build.ts';
import { benchContents } from './bench-contents.ts';
import { benchNests, benchSizes } from './bench-nests.ts';
import { benchSets } from './bench-set.ts';
import { benchFamilies } from './bench-families.ts';

const ROOT = fileURLToPath(new URL('..', import.meta.url));
const rows: string[] = [];
const row = (what: string, figure: string, wanted = ''): void => {
  rows.push(`| ${what} | ${figure} | ${wanted} |`);
  console.log(`${what}: ${figure}${wanted ? `  (wanted: ${wanted})` : ''}`);
};
const heading = (title: string): void => void rows.push('', `## ${title}`, '', '| what | measured | wanted |', '|---|---|---|');

function median(times: number[]): number {
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!;
}
function timed(run: () => void): number {
  const began = performance.now();
  run();
  return performance.now() - began;
}
const ms = (value: number): string => `${value < 10 ? value.toFixed(2) : value.toFixed(0)} ms`;

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
  const panels = plan(big, record, workshop).units.reduce((sum, { unit }) => sum + unit.panels.length, 0);
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
}

benchContents({ heading, row, timed, median, ms }, read.value);

heading('First nest of the ink cupboard');
{
  const first = (): number => {
    const next = width(design, 'ink', 700 + Math.floor(rows.length * 3));
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

heading('Nesting, score over its own lower bound (1 would be proved best)');
{
  const seconds = Number(process.env['BENCH_SECONDS'] ?? 1);
  for (const { what, ratio, wanted, library, beaten } of benchNests(seconds))
    row(what, `${ratio.toFixed(3)}${library === null ? '' : `; best library ${library.toFixed(3)}, better than ours on ${beaten}`}`, wanted);
  heading('Nesting, by the number of parts');
  for (const { parts, firstMs, settledMs, heapMb } of benchSizes(2 * seconds))
    row(
      `${parts} parts`,
      `first answer ${ms(firstMs)}, settled after ${ms(settledMs)}, heap ${heapMb.toFixed(0)} MB`,
      parts <= 60 ? 'first under 50 ms' : 'first under 1 s, under 300 MB',
    );
  rows.push('', `${seconds} s an instance; the wanted figures are for 1 s.`);
}

if (process.argv.includes('--write')) {
  const [cpu = 'unknown'] = /model name\s*: (.*)/.exec(readFileSync('/proc/cpuinfo', 'utf8'))?.slice(1) ?? [];
  const head = [
    '# Benchmarks',
    '',
    'Written by `npm run bench -- --write`; times are of the machine below, ratios travel.',
    '',
    `Node ${process.version}, ${cpu.trim()}`,
  ];
  const file = `${ROOT}/docs/benchmarks.md`;
  const sectionsOf = (text: string): string[] => text.split(/^(?=## )/m).slice(1);
  const titleOf = (section: string): string => section.slice(0, section.indexOf('\n'));
  const measured = sectionsOf(rows.join('\n'));
  // What this run did not measure (--drag, --server) stays as it was measured last.
  const kept = sectionsOf(readFileSync(file, 'utf8')).filter((each) => !measured.some((own) => titleOf(own) === titleOf(each)));
  writeFileSync(file, await format([...head, '', ...measured, ...kept].join('\n'), { parser: 'markdown', printWidth: 160 }));
}
