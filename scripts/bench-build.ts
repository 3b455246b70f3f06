/** The build of the demo's larger wall: its steps from nothing, and its days laid out anew when a step is done. */
import { readFileSync } from 'node:fs';
import { dayStart, plan, planBuild, readProjectFile, scheduleOf, tasksOf, windowsFrom } from '../packages/core/src/index.ts';

export interface BuildFigures {
  readonly units: number;
  readonly steps: number;
  readonly stepsMs: readonly number[];
  readonly daysMs: readonly number[];
}

const RUNS = 30;
const timed = (run: () => void): number => {
  const began = performance.now();
  run();
  return performance.now() - began;
};

export function benchBuild(root: string): BuildFigures {
  const read = readProjectFile(readFileSync(`${root}/examples/print-room-back.carcass.json`, 'utf8'));
  if (!read.ok) throw new Error(read.problem.message);
  const { design, record, workshop } = read.value;
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
  return { units: made.units.length, steps: steps.length, stepsMs, daysMs };
}
