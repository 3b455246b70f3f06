/** The sheet layouts of a project for drawing: settled, given by a caller, or searched with the same effort everywhere. */
import {
  asPlan,
  auditPlan,
  shopFacts,
  layoutOf,
  progressOf,
  Refusal,
  search,
  sequenceOf,
  sheetJobs,
  sheetsOfPlan,
  toMm,
  trimOf,
  type NestPlan,
  type Plan,
  type ProjectFile,
  type Sequence,
  type SheetJob,
} from '@keen/core';
import type { SheetToDraw, UnplacedPart } from './dxf.ts';

/** Search rounds: the same layout on every machine. */
const EFFORT = 20;

/** One product's sheets as they are cut. */
export interface LaidOut {
  readonly job: SheetJob;
  readonly plan: NestPlan;
  readonly sequence: Sequence;
  /** Its settled layout, and the cuts made; null where none is. */
  readonly settled: { readonly id: string; readonly sawn: ReadonlySet<string> } | null;
}

/**
 * Product by product. `known`: unsettled layouts by product, such as those on a screen, so that paper shows the same.
 * @throws Refusal where one does not match the parts
 */
export function layOut({ design, record, workshop }: ProjectFile, { parts }: Plan, known: ReadonlyMap<string, NestPlan> = new Map()): LaidOut[] {
  const { cutting, pins } = design;
  return sheetJobs(parts, workshop, { cutting, pins, finished: shopFacts(record).finished }).map((job): LaidOut => {
    const kept = layoutOf(design, job.product);
    if (kept) {
      const { sequence, done } = progressOf(kept, record, workshop);
      return { ...asPlan(job, kept, workshop), sequence, settled: { id: kept.id, sawn: new Set(done.keys()) } };
    }
    const own = known.get(job.product);
    const [wrong] = own ? auditPlan(job.problem, own) : [];
    if (wrong !== undefined)
      throw new Refusal('layout', `a layout does not fit the parts as they are saved: ${wrong}`, `layouts.${job.product}`, 'a layout of the parts as they are');
    const plan = own ?? searched(job);
    return { job, plan, sequence: sequenceOf(sheetsOfPlan(job, plan, workshop), workshop.shop), settled: null };
  });
}

function searched(job: SheetJob): NestPlan {
  const stepper = search(job.problem, 1);
  stepper.step(EFFORT);
  return stepper.plan();
}

/** Parts that fit on no sheet, and why. */
export const unplacedOf = (laid: readonly LaidOut[]): UnplacedPart[] => laid.flatMap(({ plan }) => plan.unplaced);

/** The sheets of all products, numbered. */
export const allSheets = (laid: readonly LaidOut[], { workshop }: Pick<ProjectFile, 'workshop'>): SheetToDraw[] =>
  laid.flatMap(({ job, plan }) => sheetsToDraw(job, plan, workshop.products[job.product]!.name));

/** The sheets of one plan, numbered. */
export const sheetsToDraw = ({ problem }: SheetJob, { sheets }: NestPlan, name: string): SheetToDraw[] =>
  sheets.map(({ sheet, placements }, index) => {
    const kind = problem.sheets.find(({ id }) => id === sheet)!;
    return { title: `${name}, sheet ${index + 1}`, lengthMm: toMm(kind.length), widthMm: toMm(kind.width), trimMm: toMm(trimOf(problem, kind)), placements };
  });
