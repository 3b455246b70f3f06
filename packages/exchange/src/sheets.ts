/** The sheets of a project, laid out to be drawn: as they are settled, or else searched for with the same effort everywhere. */
import { asPlan, finishedParts, layoutOf, search, sheetJobs, toMm, trimOf, type NestPlan, type Plan, type ProjectFile, type SheetJob } from '@keen/core';
import type { SheetToDraw } from './dxf.ts';

/** Rounds of the search: the same layout on every machine. */
const EFFORT = 20;

/** Sheets product by product. What fits on no sheet is named in `unplaced`. */
export function layOut(
  { design, record, workshop }: ProjectFile,
  { parts }: Plan,
): { readonly sheets: readonly SheetToDraw[]; readonly unplaced: readonly string[] } {
  const { cutting, pins } = design;
  const laid = sheetJobs(parts, workshop, { cutting, pins, finished: finishedParts(record) }).map((job) => {
    const settled = layoutOf(design, job.product);
    if (settled) return asPlan(job, settled, workshop);
    const stepper = search(job.problem, 1);
    stepper.step(EFFORT);
    return { job, plan: stepper.plan() };
  });
  return {
    sheets: laid.flatMap(({ job, plan }) => sheetsToDraw(job, plan, workshop.products[job.product]!.name)),
    unplaced: laid.flatMap(({ plan }) => plan.unplaced.map(({ part, why }) => `${part}: ${why}`)),
  };
}

/** The sheets of one plan, numbered. */
export const sheetsToDraw = ({ problem }: SheetJob, { sheets }: NestPlan, name: string): SheetToDraw[] =>
  sheets.map(({ sheet, placements }, index) => {
    const kind = problem.sheets.find(({ id }) => id === sheet)!;
    return { title: `${name}, sheet ${index + 1}`, lengthMm: toMm(kind.length), widthMm: toMm(kind.width), trimMm: toMm(trimOf(problem, kind)), placements };
  });
