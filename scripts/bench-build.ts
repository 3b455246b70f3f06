/** The build of the demo's larger wall: its steps from nothing, its days laid out anew when a step is done; and how sure the days of all examples are. */
import { readdirSync, readFileSync } from 'node:fs';
import { dayOf, dayStart, plan, planBuild, readProjectFile, scheduleOf, tasksOf, windowsFrom } from '../packages/core/src/index.ts';

export interface BuildFigures {
  readonly units: number;
  readonly steps: number;
  readonly stepsMs: readonly number[];
  readonly daysMs: readonly number[];
}

/** Builds of the examples, cabinet by cabinet and wall by wall. */
export interface SureFigures {
  readonly builds: number;
  /** Nothing finishes earlier. */
  readonly proved: number;
  /** Nothing finishes on an earlier day. */
  readonly toTheDay: number;
}

const RUNS = 30;
const timed = (run: () => void): number => {
  const began = performance.now();
  run();
  return performance.now() - began;
};

function example(root: string, name: string) {
  const read = readProjectFile(readFileSync(`${root}/examples/${name}`, 'utf8'));
  if (!read.ok) throw new Error(read.problem.message);
  return read.value;
}

export function benchSure(root: string): SureFigures {
  const begins = dayStart('2026-12-01');
  const found = readdirSync(`${root}/examples`)
    .filter((name) => name.endsWith('.carcass.json'))
    .flatMap((name) => {
      const { design, workshop } = example(root, name);
      const made = plan(design, [], workshop);
      const ids = Object.keys(design.units);
      return (ids.length > 1 ? [[], ...ids.map((id) => [id])] : [[]]).flatMap((only) => {
        const { steps, edges } = planBuild(made, design, [], workshop, [], only);
        return scheduleOf(tasksOf(steps, edges, design.build, new Map()), windowsFrom(design.build, begins), begins) ?? [];
      });
    });
  return {
    builds: found.length,
    proved: found.filter(({ proved }) => proved).length,
    toTheDay: found.filter(({ least, finish }) => dayOf(least) === dayOf(finish)).length,
  };
}

export function benchBuild(root: string): BuildFigures {
  const { design, record, workshop } = example(root, 'print-room-back.carcass.json');
  const made = plan(design, record, workshop);
  const begins = dayStart('2026-12-01');
  const { steps, edges } = planBuild(made, design, record, workshop, []);
  const stepsMs = Array.from({ length: RUNS }, () => timed(() => planBuild(made, design, record, workshop, [])));
  const daysMs = Array.from({ length: RUNS }, (_, n) =>
    timed(() => {
      const done = new Map(steps.slice(0, n).map(({ id }) => [id, begins] as const));
      scheduleOf(tasksOf(steps, edges, design.build, done), windowsFrom(design.build, begins), begins);
    }),
  );
  return { units: made.cabinets.length, steps: steps.length, stepsMs, daysMs };
}
