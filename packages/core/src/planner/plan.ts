/**
 * plan(design, record, workshop): geometry, parts, weights, sag, hanging and findings of every cabinet. A pure function; createPlanner() caches each
 * cabinet's plan until one of its inputs changes.
 */
import type { StockOf } from '../cabinets/box-frame.ts';
import { Unbuildable, type DesignFault } from '../cabinets/family.ts';
import { bySeverity } from '../checks/checks.ts';
import type { Finding } from '../checks/finding.ts';
import { blockOf, checkPlaces } from '../checks/place-checks.ts';
import { judged, type Judged } from '../checks/verdict.ts';
import type { RowAnswer } from '../contents/row.ts';
import type { HangingAnalysis } from '../hang/hang.ts';
import type { HangInput } from '../hang/hang-input.ts';
import type { Seating } from '../hang/seating.ts';
import { specsInOrder, type Design } from '../model/design.ts';
import type { RecordEntry } from '../model/record.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';
import type { Wall } from '../model/wall.ts';
import type { Workshop } from '../model/workshop.ts';
import { looseLines } from '../parts/loose-parts.ts';
import type { PartLine } from '../parts/part-line.ts';
import type { RailPlan } from '../parts/rail-parts.ts';
import { contentsMass, type CabinetWeights, type Load } from '../parts/weights.ts';
import type { ShelfSag } from '../sag/cabinet-sag.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { WallBlock } from '../wall/placed.ts';
import { finishStages, loadStages, type CheckInputs, type FinishedStages, type LoadedStages } from './cabinet-stages.ts';
import { lotsOf } from './contents.ts';
import { projectFactsReader } from './project-facts.ts';
import { railNeighbours, railPlans } from './rails.ts';
import { sameContent, sameList, stage, type Kept } from './stage.ts';

export interface CabinetPlan {
  readonly id: string;
  readonly name: string;
  /** As entered. */
  readonly spec: CabinetSpec;
  readonly letter: string;
  readonly cabinet: ResolvedCabinet;
  readonly parts: readonly PartLine[];
  readonly weights: CabinetWeights;
  readonly loaded: Load;
  readonly contentsKg: number;
  readonly sag: readonly ShelfSag[];
  readonly rows: readonly RowAnswer[];
  readonly hangInput: HangInput;
  readonly hang: Judged;
  readonly block: WallBlock;
  /** How far its cleats settle into one another. */
  readonly seating: Seating;
  readonly findings: readonly Finding[];
}

/** A cabinet that cannot be planned: its entries contradict each other, or planning failed. Every other cabinet is planned as usual. */
export interface UnplannedCabinet {
  readonly id: string;
  readonly name: string;
  readonly letter: string;
  /** Code 'failed' for a fault of the program rather than of the design. */
  readonly fault: DesignFault;
  readonly finding: Finding;
}

export interface Plan {
  readonly cabinets: readonly CabinetPlan[];
  readonly unplanned: readonly UnplannedCabinet[];
  readonly byId: ReadonlyMap<string, CabinetPlan>;
  readonly rails: readonly RailPlan[];
  /** The cut list of all cabinets, rails and loose parts. */
  readonly parts: readonly PartLine[];
  readonly findings: readonly Finding[];
  readonly stockOf: StockOf;
}

export interface Planner {
  plan(design: Design, record: readonly RecordEntry[], workshop: Workshop): Plan;
}

interface PlannedStages {
  readonly stages: FinishedStages;
  readonly alone: Kept<PlannedInputs, CabinetPlan>;
  /** With the findings at its place on the wall. */
  readonly placed: Kept<{ readonly plan: CabinetPlan; readonly here: readonly Finding[] }, CabinetPlan>;
}

const withPlace = stage(({ plan: alone, here }: { readonly plan: CabinetPlan; readonly here: readonly Finding[] }): CabinetPlan =>
  here.length > 0 ? { ...alone, findings: bySeverity([...here, ...alone.findings]) } : alone,
);
const onWall = stage(({ wall, cabinets }: { readonly wall: Wall; readonly cabinets: readonly CabinetPlan[] }) => checkPlaces(wall, cabinets), {
  cabinets: sameList,
});
const rails = stage(
  ({ wall, units, cabinets, stockOf }: Pick<Design, 'wall' | 'units'> & { readonly cabinets: readonly CabinetPlan[]; readonly stockOf: StockOf }): RailPlan[] =>
    railPlans({ wall, units }, cabinets, stockOf),
  { cabinets: sameList },
);
const loose = stage(({ loose: parts, stockOf }: Pick<Design, 'loose'> & { readonly stockOf: StockOf }): PartLine[] => looseLines(parts, stockOf));

/** A planner with its own cache; one per open project. */
export function createPlanner(): Planner {
  const factsOf = projectFactsReader();
  let loadedBefore = new Map<string, LoadedStages>();
  let plannedBefore = new Map<string, PlannedStages>();
  let wallBefore: ReturnType<typeof onWall> | undefined;
  let railsBefore: ReturnType<typeof rails> | undefined;
  let looseBefore: ReturnType<typeof loose> | undefined;
  let before: Plan | undefined;
  return {
    plan(design, record, workshop) {
      const { stockOf, built, hangs, ticked, homes, wallFacts, workshop: unpriced } = factsOf(design, record, workshop);
      const { wall, children, earthquakes, person, items } = design;
      const unplanned: UnplannedCabinet[] = [];
      const loaded = specsInOrder(design).flatMap((spec, index): LoadedStages[] => {
        const letter = cabinetLetter(index);
        const made = attempted(() =>
          loadStages(loadedBefore.get(spec.id), { spec, letter, stockOf, built, lots: lotsOf(homes, spec), items, wall, wallFacts }),
        );
        if ('value' in made) return [made.value];
        unplanned.push(unplannedCabinet(spec, letter, made.fault));
        return [];
      });
      loadedBefore = new Map(loaded.map((each) => [each.inputs.spec.id, each]));
      const checked: CheckInputs = {
        children,
        earthquakes,
        cutFirst: design.cutting.first,
        person,
        hangs,
        ticked,
        workshop: unpriced,
        products: workshop.products,
      };
      const neighbours = railNeighbours(loaded.map(onRailOf));
      const planned = loaded.flatMap((each): Omit<PlannedStages, 'placed'>[] => {
        const { spec, letter } = each.inputs;
        const known = plannedBefore.get(spec.id);
        const finished = attempted(() => finishStages(known?.stages, each, neighbours(onRailOf(each)), checked));
        if ('value' in finished) return [{ stages: finished.value, alone: cabinetPlan(known?.alone, plannedInputsOf(finished.value)) }];
        unplanned.push(unplannedCabinet(spec, letter, finished.fault));
        return [];
      });
      wallBefore = onWall(wallBefore, { wall, cabinets: planned.map(({ alone }) => alone.value) });
      const places = wallBefore.value;
      const rows = planned.map(({ stages, alone }): PlannedStages => {
        const here = places.get(alone.value.id) ?? [];
        return { stages, alone, placed: withPlace(plannedBefore.get(alone.value.id)?.placed, { plan: alone.value, here }) };
      });
      plannedBefore = new Map(rows.map((each) => [each.alone.value.id, each]));
      const cabinets = rows.map(({ placed }) => placed.value);
      railsBefore = rails(railsBefore, { wall, units: design.units, cabinets, stockOf });
      looseBefore = loose(looseBefore, { loose: design.loose, stockOf });
      before = assembled(before, { cabinets, unplanned, rails: railsBefore.value, loose: looseBefore.value, stockOf });
      return before;
    },
  };
}

interface Assembled extends Pick<Plan, 'cabinets' | 'unplanned' | 'rails' | 'stockOf'> {
  readonly loose: readonly PartLine[];
}

/** The plan of all cabinets; the same object as before where nothing in it changed. */
function assembled(before: Plan | undefined, { cabinets, unplanned, rails: ofRails, loose: ofLoose, stockOf }: Assembled): Plan {
  const parts = [...cabinets.flatMap((each) => each.parts), ...ofRails.flatMap((each) => each.parts), ...ofLoose];
  const isSame = before && before.stockOf === stockOf && before.rails === ofRails && sameList(before.parts, parts);
  if (isSame && sameList(before.cabinets, cabinets) && sameContent(before.unplanned, unplanned)) return before;
  return {
    cabinets,
    unplanned,
    byId: new Map(cabinets.map((each) => [each.id, each])),
    rails: ofRails,
    parts,
    findings: [...unplanned.map(({ finding }) => finding), ...cabinets.flatMap(({ findings }) => findings)],
    stockOf,
  };
}

const onRailOf = ({ inputs: { spec }, geometry, weights, ground }: LoadedStages) => ({
  spec,
  cabinet: geometry.value,
  loaded: weights.value.loaded,
  hangInput: ground.value,
});

/** What the stages of a cabinet came to. */
const cabinetPlan = stage(
  ({ spec, analysis, findings, ...made }: PlannedInputs): CabinetPlan => ({
    ...made,
    id: spec.id,
    name: spec.name,
    spec,
    contentsKg: contentsMass(made.weights),
    hang: judged(analysis, findings),
    block: blockOf(spec, made.cabinet),
    findings,
  }),
  { seating: sameContent },
);

interface PlannedInputs extends Pick<
  CabinetPlan,
  'spec' | 'letter' | 'cabinet' | 'parts' | 'weights' | 'loaded' | 'sag' | 'rows' | 'hangInput' | 'seating' | 'findings'
> {
  readonly analysis: HangingAnalysis;
}

function plannedInputsOf({ loaded, parts, hanging, sag, seating, findings }: FinishedStages): PlannedInputs {
  const { inputs, geometry, weights, rows } = loaded;
  return {
    spec: inputs.spec,
    letter: inputs.letter,
    cabinet: geometry.value,
    parts: parts.value,
    ...weights.value,
    sag: sag.value,
    rows: rows.value,
    hangInput: hanging.value.input,
    analysis: hanging.value.analysis,
    seating,
    findings: findings.value,
  };
}

/** The whole plan without a cache, for the command and tests. */
export const plan = (design: Design, record: readonly RecordEntry[], workshop: Workshop): Plan => createPlanner().plan(design, record, workshop);

/** The value of a planning step, or its fault: a fault of the program takes out one cabinet, never the page. */
function attempted<T>(step: () => T): { readonly value: T } | { readonly fault: DesignFault } {
  try {
    return { value: step() };
  } catch (error) {
    if (error instanceof Unbuildable) return { fault: error.fault };
    return { fault: { code: 'failed', path: [], message: `planning it failed (${String(error)})`, accepted: 'the design before the last change' } };
  }
}

function unplannedCabinet({ id, name }: CabinetSpec, letter: string, fault: DesignFault): UnplannedCabinet {
  const { path, message, accepted } = fault;
  const station = path[0] === 'hanging' ? 'hang' : 'box';
  return { id, name, letter, fault, finding: { check: 'not-planned', unit: id, severity: 'stop', station, panels: [], path, message, accepted, fixes: [] } };
}

/** A, B … Z, AA, AB … */
export function cabinetLetter(index: number): string {
  const last = String.fromCharCode(65 + (index % 26));
  return index < 26 ? last : cabinetLetter(Math.floor(index / 26) - 1) + last;
}
