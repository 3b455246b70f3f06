/**
 * Settled layouts, and what is left to cut. The first cut freezes a layout: it stays as it is, whatever changes. Cut parts exist; spoiled parts are needed
 * again; remaining pieces of sheets are used before a new sheet.
 */
import { remainingStockAfter } from '../sawing/remaining-stock.ts';
import type { SheetToCut } from '../sawing/pieces.ts';
import { sequenceOf, type Sequence } from '../sawing/sequence.ts';
import type { Length } from '../length/length.ts';
import type { NestPart, NestPlan, NestProblem, NestSheet } from '../nesting/problem.ts';
import { trimOf } from '../nesting/problem.ts';
import { MATERIALS } from '../stock/materials.ts';
import { keepsOffcut } from '../stock/workshop.ts';
import type { SheetJob } from './cutting.ts';
import { isNewSheet } from './pins.ts';
import { type Design } from '../model/design.ts';
import type { Workshop } from '../model/workshop.ts';
import { shopFacts } from '../model/shop-facts.ts';
import type { KeptLayout } from '../model/sheet-layout.ts';
import type { RecordEntry } from '../model/record.ts';

/** Hash of text rows. Two 32-bit FNV-1a hashes. */
export const textKey = (rows: readonly string[]): string =>
  [0x811c9dc5, 0x01000193]
    .map((start) => {
      let hash = start;
      for (const row of rows) for (let n = 0; n <= row.length; n++) hash = Math.imul(hash ^ (n < row.length ? row.charCodeAt(n) : 10), 0x01000193);
      return (hash >>> 0).toString(36);
    })
    .join('-');

/** Hash of the ids and sizes of pieces. */
export const piecesKey = (parts: readonly NestPart[]): string =>
  textKey(parts.map(({ id, length, width, grain, count }) => `${id} ${length} ${width} ${grain} ${count}`).sort());

/** The current layout of a product: the latest settled one. */
export function layoutOf({ layouts }: Pick<Design, 'layouts'>, product: string): KeptLayout | null {
  const own = Object.values(layouts).filter((each) => each.product === product);
  return own.length === 0 ? null : own.reduce((last, each) => (each.order > last.order ? each : last));
}

/** A plan in the form kept when its first cut is made. */
export function keptLayout(job: SheetJob, plan: NestPlan, id: string, order: number): KeptLayout {
  const { problem } = job;
  return {
    id,
    order,
    product: job.product,
    made: piecesKey(problem.parts),
    kerf: problem.kerf,
    sheets: plan.sheets.map(({ sheet, placements, cuts }) => {
      const kind = problem.sheets.find((each) => each.id === sheet)!;
      return { sheet, length: kind.length, width: kind.width, trim: trimOf(problem, kind), offcut: kind.offcut, placements, cuts: cuts! };
    }),
  };
}

const kgPerM2 = (workshop: Workshop, product: string): number => {
  const { nominal, material } = workshop.products[product]!;
  return (MATERIALS[material].densityKgM3 * nominal.nm) / 1e9;
};

/** The sheets of a plan, as they go to the saw. */
export const sheetsOfPlan = ({ problem, product }: SheetJob, plan: NestPlan, workshop: Workshop): SheetToCut[] =>
  plan.sheets.map((nested) => ({
    problem,
    kind: problem.sheets.find(({ id }) => id === nested.sheet)!,
    nested,
    thick: workshop.products[product]!.nominal.nm,
    kgPerM2: kgPerM2(workshop, product),
  }));

export const sheetsOfLayout = ({ product, kerf, sheets }: KeptLayout, workshop: Workshop): SheetToCut[] =>
  sheets.map(({ sheet, length, width, trim, placements, cuts }) => ({
    problem: { kerf, trim },
    kind: { length, width, trim },
    nested: { sheet, placements, cuts },
    thick: workshop.products[product]!.nominal.nm,
    kgPerM2: kgPerM2(workshop, product),
  }));

/** Progress of a settled layout. */
export interface Progress {
  readonly layout: KeptLayout;
  readonly sequence: Sequence;
  /** Cuts made, each with the entry that records it. */
  readonly done: ReadonlyMap<string, string>;
}

export function progressOf(layout: KeptLayout, record: readonly RecordEntry[], workshop: Workshop): Progress {
  const done = new Map(shopFacts(record).sawn.flatMap(({ id, sawn }) => (sawn.layout === layout.id ? sawn.cuts.map((cut) => [cut, id] as const) : [])));
  return { layout, sequence: sequenceOf(sheetsOfLayout(layout, workshop), workshop.shop), done };
}

/** Whether the pieces still to be cut differ from the layout's: added, changed, removed or spoiled. */
export function isOutOfDate(job: SheetJob, { layout, sequence, done }: Progress): boolean {
  const cut = new Set(sequence.steps.flatMap(({ id, near, far }) => (done.has(id) ? [near, far].flatMap((piece) => piece?.part ?? []) : [])));
  const sizes = (a: number, b: number): string => (a < b ? `${a} ${b}` : `${b} ${a}`);
  const there = layout.sheets.flatMap(({ placements }) =>
    placements.filter(({ part }) => !cut.has(part)).map(({ part, dx, dy }) => `${part} ${sizes(dx, dy)}`),
  );
  const wanted = job.problem.parts.map(({ id, length, width }) => `${id} ${sizes(length, width)}`);
  const known = new Set(there);
  return there.length !== wanted.length || wanted.some((each) => !known.has(each));
}

/** A settled layout as a job and a plan, to be drawn and cut like any other. */
export function asPlan(job: SheetJob, layout: KeptLayout, { products }: Pick<Workshop, 'products'>): { readonly job: SheetJob; readonly plan: NestPlan } {
  const { grain } = job.problem.sheets[0] ?? { grain: 'none' as const };
  const sheets = layout.sheets.map(({ sheet, length, width, trim, offcut }): NestSheet => ({
    id: sheet,
    length,
    width,
    trim,
    offcut,
    count: null,
    grain,
    cost: null,
  }));
  const count = layout.sheets.length;
  return {
    job: { product: job.product, problem: { ...job.problem, kerf: layout.kerf, sheets } },
    plan: {
      sheets: layout.sheets.map(({ sheet, placements, cuts }) => ({ sheet, placements, cuts })),
      unplaced: [],
      bound: { sheets: 0, cost: null, why: 'this layout is settled: cuts of it are made' },
      proved: false,
      score: { sheets: count, cost: products[job.product]!.price * layout.sheets.filter(({ sheet }) => isNewSheet(sheet, job.product)).length },
      seed: 0,
      effort: 0,
    },
  };
}

/** Parts that a cut frees: there after it, and not before. */
export const partsOff = ({ sequence }: Pick<Progress, 'sequence'>, cut: string): string[] =>
  sequence.steps.filter(({ id }) => id === cut).flatMap(({ near, far }) => [near, far].flatMap((piece) => piece?.part ?? []));

/**
 * The rest of a job, laid out over what is really left: remaining pieces of cut sheets and stock on hand first, at no cost, then new sheets. `job` no
 * longer has the parts that exist, and has spoiled ones again.
 */
export function jobOverTheRest(job: SheetJob, progress: Progress, workshop: Workshop): SheetJob {
  const { layout, sequence, done } = progress;
  const lying = remainingStockAfter(layout.sheets, sequence.steps, new Set(done.keys())).filter(({ piece }) => piece.part === null);
  const { grain } = workshop.products[job.product]!;
  const touched = new Set(sequence.steps.filter(({ id }) => done.has(id)).map(({ sheet }) => sheet));
  // A fully cut sheet has left its offcuts to the store.
  const open = new Set(sequence.steps.filter(({ id }) => !done.has(id)).map(({ sheet }) => sheet));
  const rest = lying
    .filter(({ sheet, piece }) => touched.has(sheet) && open.has(sheet) && (!piece.left || keepsOffcut(workshop.shop, piece)))
    .map(({ sheet, piece }): NestSheet => ({
      id: `${layout.id}/${piece.id}`,
      length: piece.dx,
      width: piece.dy,
      count: 1,
      grain,
      cost: job.problem.sheets.some(({ cost }) => cost !== null) ? 0 : null,
      offcut: true,
      // Edges of a remaining piece that were never trimmed are trimmed like the sheet's.
      trim: piece.left || sequence.steps.some(({ sheet: own, purpose }) => own === sheet && purpose === 'trim') ? (0 as Length) : layout.sheets[sheet]!.trim,
    }));
  // An offcut with cuts in it is no longer an offcut.
  const gone = new Set(layout.sheets.flatMap(({ sheet, offcut }, index) => (offcut && touched.has(index) ? [sheet] : [])));
  const problem: NestProblem = { ...job.problem, sheets: [...rest, ...job.problem.sheets.filter(({ id }) => !gone.has(id))] };
  return { product: job.product, problem };
}
