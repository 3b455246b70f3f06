/** plan() of each unit of the back wall alone, at the change of one of its values, and of the whole wall from nothing. */
import { readFileSync } from 'node:fs';
import { applyEdit, createPlanner, entered, labelWords, plan, readProjectFile, type Design } from '../packages/core/src/index.ts';

export interface FamilyFigure {
  readonly what: string;
  readonly ms: number;
  readonly wantedMs: number;
}

const median = (times: number[]): number => times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!;
const timed = (run: () => void): number => {
  const began = performance.now();
  run();
  return performance.now() - began;
};

export function benchFamilies(root: string): FamilyFigure[] {
  const read = readProjectFile(readFileSync(`${root}/examples/print-room-back.carcass.json`, 'utf8'));
  if (!read.ok) throw new Error(read.problem.message);
  const { design, record, workshop } = read.value;
  const warmed = Object.values(design.units).map((spec) => {
    const alone: Design = { ...design, units: { [spec.id]: spec } };
    const planner = createPlanner();
    let n = 0;
    // The depth of the joints goes into every length: nothing of the cabinet is memoized.
    const edit = (): number => {
      const next = applyEdit(alone, [{ path: ['units', spec.id, 'jointDepth'], value: entered(`${5 + (n++ % 20) / 10} mm`) }]);
      return timed(() => void planner.plan(next, record, workshop));
    };
    for (let warm = 0; warm < 40; warm++) edit();
    return { spec, planner, alone, edit };
  });
  // All of them once, so that the first is not measured colder than the last.
  for (const { edit } of warmed) for (let warm = 0; warm < 20; warm++) edit();
  const figures = warmed.map(({ spec, planner, alone, edit }): FamilyFigure => {
    const panels = planner.plan(alone, record, workshop).cabinets[0]!.cabinet.panels.length;
    return {
      what: `plan() of the ${labelWords({ key: `family-${spec.family}` })}, ${panels} panels`,
      ms: median(Array.from({ length: 120 }, edit)),
      wantedMs: 5,
    };
  });
  const whole = median(Array.from({ length: 9 }, () => timed(() => void plan(design, record, workshop))));
  return [...figures, { what: `plan() of the back wall, ${Object.keys(design.units).length} units, from nothing`, ms: whole, wantedMs: 100 }];
}
