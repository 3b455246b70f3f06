/** Several projects cut from the same sheets and boards, bought on one trip to the yard. The projects are unchanged. */
import type { PartLine } from '../parts/part-line.ts';
import { widestKerf } from '../stock/shop.ts';
import { boardJobs, sheetJobs, type BoardJob, type SheetJob, type ToCut } from './cutting.ts';
import { type Design } from '../model/design.ts';
import { learnedWorkshop } from '../planner/learned-workshop.ts';
import { plan } from '../planner/plan.ts';
import type { Workshop } from '../model/workshop.ts';
import { shopFacts } from '../model/shop-facts.ts';
import type { RecordEntry } from '../model/record.ts';

export interface TripProject {
  readonly id: string;
  readonly design: Design;
  readonly record: readonly RecordEntry[];
  /** As available to this project: stock reserved for others is not in it. */
  readonly workshop: Workshop;
}

/** Stock that one project, or all of them, would be cut from. */
export interface ToBeCut {
  readonly sheets: readonly SheetJob[];
  readonly boards: readonly BoardJob[];
}

export interface YardTrip {
  /** Lines of all projects; marks and ids start with the number of the project, from 1, in the given order. */
  readonly parts: readonly PartLine[];
  readonly together: ToBeCut;
  /** Each project alone, in the given order. */
  readonly alone: readonly ToBeCut[];
  /** The store of all the projects, and the widest kerf of their saws. */
  readonly workshop: Workshop;
  /** Cabinets that could not be planned: nothing is bought for them. */
  readonly leftOut: readonly { readonly project: string; readonly cabinet: string }[];
}

/**
 * Everything still to be cut of all projects, laid out together and project by project. The first cut is free where the projects disagree; pinned parts are
 * free here.
 * @throws RangeError without a project
 */
export function yardTrip(projects: readonly TripProject[]): YardTrip {
  if (projects.length === 0) throw new RangeError('a trip is for one project at least');
  const read = projects.map((project, index) => {
    const { workshop } = learnedWorkshop(project.record, project.workshop);
    const { parts, unplanned } = plan(project.design, project.record, workshop);
    const toCut: ToCut = { cutting: project.design.cutting, finished: shopFacts(project.record).finished, pins: {} };
    return { ...project, workshop, number: `${index + 1}`, planned: parts, unplanned, toCut };
  });
  const workshop = commonWorkshop(read.map((each) => each.workshop));
  const parts = read.flatMap(({ planned, number }) => planned.map((line) => numbered(line, number)));
  const [{ toCut: first }] = read as [(typeof read)[number]];
  const isAgreed = read.every(({ toCut }) => toCut.cutting.first === first.cutting.first);
  const common: ToCut = {
    cutting: isAgreed ? first.cutting : { ...first.cutting, first: 'any' },
    finished: new Set(read.flatMap(({ toCut, number }) => [...toCut.finished].map((id) => `${number}/${id}`))),
    pins: {},
  };
  return {
    parts,
    together: { sheets: sheetJobs(parts, workshop, common), boards: boardJobs(parts, workshop) },
    alone: read.map((each) => ({ sheets: sheetJobs(each.planned, each.workshop, each.toCut), boards: boardJobs(each.planned, each.workshop) })),
    workshop,
    leftOut: read.flatMap(({ id, unplanned }) => unplanned.map(({ name }) => ({ project: id, cabinet: name }))),
  };
}

/** Index of the project a piece of the trip belongs to. */
export const projectOfPiece = (piece: string): number => Number(piece.slice(0, piece.indexOf('/'))) - 1;

const numbered = (line: PartLine, number: string): PartLine => ({
  ...line,
  id: `${number}/${line.id}`,
  mark: `${number} ${line.mark}`,
  panels: line.panels.map((id) => `${number}/${id}`),
  mirrorOf: line.mirrorOf === null ? null : `${number} ${line.mirrorOf}`,
});

function commonWorkshop(workshops: readonly Workshop[]): Workshop {
  const widest = workshops.reduce((a, b) => (widestKerf(b.shop) > widestKerf(a.shop) ? b : a));
  return {
    ...widest,
    products: Object.assign({}, ...workshops.map(({ products }) => products)) as Workshop['products'],
    pieces: Object.assign({}, ...workshops.map(({ pieces }) => pieces)) as Workshop['pieces'],
  };
}
