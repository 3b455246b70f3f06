/**
 * plan(design, record, workshop): geometry, parts, weights, sag, hanging and findings of every cabinet. A pure function; createPlanner() caches each
 * cabinet's plan until one of its inputs changes.
 */
import { latePanels, type Ticked } from '../build/late-parts.ts';
import { buildCabinet, faultOfSpec } from '../cabinets/families.ts';
import { Unbuildable, type DesignFault } from '../cabinets/family.ts';
import type { Stocked } from '../cabinets/box-frame.ts';
import { checkCabinet, bySeverity } from '../checks/checks.ts';
import type { Finding } from '../checks/finding.ts';
import { blockOf, checkPlaces } from '../checks/place-checks.ts';
import { reachOf } from '../contents/person.ts';
import { answerRow, type RowAnswer } from '../contents/row.ts';
import { judged, type Judged } from '../checks/verdict.ts';
import { analyzeHanging } from '../hang/hang.ts';
import { boundToStuds, fixingPlaces, groundOf } from '../hang/grounds.ts';
import { railFault } from '../hang/on-rail.ts';
import { seatingOf, type FirstHang, type Seating } from '../hang/seating.ts';
import type { HangInput, RailNeighbour } from '../hang/hang-input.ts';
import { heldByTwoPlanes } from '../hang/two-planes.ts';
import { wallHalfEnds } from '../hang/wall-links.ts';
import { toMm } from '../length/length.ts';
import { asBuilt, misfitsOf, type BuiltFacts } from '../joints/as-built.ts';
import { looseLines } from '../parts/loose-parts.ts';
import { partsOf } from '../parts/parts.ts';
import type { PartLine } from '../parts/part-line.ts';
import type { RailPlan } from '../parts/rail-parts.ts';
import { contentsMass, loadedCabinet, weightsOf, type Load, type LotsOn, type CabinetWeights } from '../parts/weights.ts';
import { sagOf, type ShelfSag } from '../sag/cabinet-sag.ts';
import { resolveCabinet, type ResolvedCabinet } from '../solid/cabinet.ts';
import { MATERIALS, type Material } from '../stock/materials.ts';
import { thicknessOf } from '../stock/thickness.ts';
import { widestKerf } from '../stock/shop.ts';
import { wallFacts, type WallFacts } from '../wall/facts.ts';
import type { WallBlock } from '../wall/placed.ts';
import type { Wall } from '../model/wall.ts';
import { builtFacts } from './built-facts.ts';
import { homesByCabinet, lotsOf, sameLots, type Homes } from './contents.ts';
import { learnedWorkshop } from './learned-workshop.ts';
import { onItsRail, onPieces, railNeighbours, railPlans } from './rails.ts';
import { specsInOrder, type Design } from '../model/design.ts';
import type { ThicknessReading, RecordEntry } from '../model/record.ts';
import type { Workshop } from '../model/workshop.ts';
import { shopFacts } from '../model/shop-facts.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

export interface CabinetPlan {
  readonly id: string;
  readonly name: string;
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
  readonly stockOf: (productId: string) => Stocked;
}

export interface Planner {
  plan(design: Design, record: readonly RecordEntry[], workshop: Workshop): Plan;
}

/** Inputs of one cabinet's plan. */
interface CabinetInputs {
  readonly spec: CabinetSpec;
  readonly wall: Wall;
  /** Derived from the wall, so not compared. */
  readonly facts: WallFacts;
  readonly children: boolean;
  readonly earthquakes: boolean;
  readonly cutFirst: Design['cutting']['first'];
  readonly person: Design['person'];
  readonly items: Design['items'];
  readonly lots: LotsOn;
  readonly record: readonly RecordEntry[];
  readonly cutFrom: Design['cutFrom'];
  /** Derived from the record and the settled layouts, so not compared. */
  readonly built: BuiltFacts;
  readonly workshop: Workshop;
  /** From the record: results of first hangings. */
  readonly hangs: readonly FirstHang[];
  /** From the record: steps that are ticked. */
  readonly ticked: Ticked;
  readonly letter: string;
}

interface Cached {
  readonly inputs: CabinetInputs;
  readonly made: Made;
  /** Loads of neighbors on the same rail, serialized, and the plan made with them. */
  readonly shared: string;
  readonly plan: CabinetPlan;
}

/** A cabinet between the two phases of planning. */
interface Making {
  readonly inputs: CabinetInputs;
  readonly before: Cached | undefined;
  readonly made: Made;
}

/** Views of the record, folded once until a fact is added. */
interface ReadRecord {
  readonly record: readonly RecordEntry[];
  readonly cutFrom: Design['cutFrom'];
  readonly workshop: Workshop;
  readonly built: BuiltFacts;
  readonly hangs: readonly FirstHang[];
  readonly ticked: Ticked;
  readonly readings: readonly ThicknessReading[];
  readonly learned: Workshop;
}

/** A planner with its own cache; one per open project. */
export function createPlanner(): Planner {
  let cache = new Map<string, Cached>();
  let held: { readonly items: Design['items']; readonly homes: Homes } | undefined;
  let known: { readonly wall: Wall; readonly facts: WallFacts } | undefined;
  let read: ReadRecord | undefined;
  return {
    plan(design, record, workshop) {
      const next = new Map<string, Cached>();
      if (read?.record !== record || read.cutFrom !== design.cutFrom || read.workshop !== workshop)
        read = {
          record,
          cutFrom: design.cutFrom,
          workshop,
          built: builtFacts(design, record),
          hangs: shopFacts(record).hung.map(({ hung }) => ({ unit: hung.unit, asked: hung.asked.nm, came: hung.came.nm, allowed: hung.allowed.nm })),
          ticked: shopFacts(record).ticked,
          readings: shopFacts(record).readings,
          learned: learnedWorkshop(record, workshop).workshop,
        };
      const { built } = read;
      const stockOf = stockReader(read.readings, read.learned);
      if (held?.items !== design.items) held = { items: design.items, homes: homesByCabinet(design.items) };
      const { homes } = held;
      const { wall, children, earthquakes, person } = design;
      if (known?.wall !== wall) known = { wall, facts: wallFacts(wall) };
      const { facts } = known;
      const unplanned: UnplannedCabinet[] = [];
      const making = specsInOrder(design).flatMap((spec, index): Making[] => {
        const inputs: CabinetInputs = {
          spec,
          wall,
          facts,
          children,
          earthquakes,
          cutFirst: design.cutting.first,
          person,
          items: design.items,
          lots: lotsOf(homes, spec),
          record,
          cutFrom: design.cutFrom,
          built,
          hangs: read!.hangs,
          ticked: read!.ticked,
          workshop,
          letter: cabinetLetter(index),
        };
        const before = cache.get(spec.id);
        if (before !== undefined && sameInputs(before.inputs, inputs)) return [{ inputs, before, made: before.made }];
        const made = attempted(() => checkedGeometry(inputs, stockOf));
        if ('fault' in made) unplanned.push(unplannedCabinet(inputs, made.fault));
        return 'fault' in made ? [] : [{ inputs, before: undefined, made: made.value }];
      });
      const neighbours = railNeighbours(making.map(({ made }) => made));
      const alone = making.flatMap(({ inputs, before, made }): { readonly plan: CabinetPlan; readonly spec: CabinetSpec }[] => {
        const loads = neighbours(made);
        const shared = JSON.stringify(loads);
        const finished = before?.shared === shared ? { value: before.plan } : attempted(() => finishCabinet(inputs, made, loads, stockOf));
        if ('fault' in finished) {
          unplanned.push(unplannedCabinet(inputs, finished.fault));
          return [];
        }
        next.set(inputs.spec.id, { inputs, made, shared, plan: finished.value });
        return [{ plan: finished.value, spec: inputs.spec }];
      });
      cache = next;
      const places = checkPlaces(
        wall,
        alone.map(({ plan: cabinetPlan, spec }) => ({ ...cabinetPlan, spec })),
      );
      const cabinets = alone.map(({ plan: cabinetPlan }) => {
        const here = places.get(cabinetPlan.id) ?? [];
        return here.length > 0 ? { ...cabinetPlan, findings: bySeverity([...here, ...cabinetPlan.findings]) } : cabinetPlan;
      });
      const rails = railPlans(design, cabinets, stockOf);
      return {
        cabinets,
        unplanned,
        byId: new Map(cabinets.map((cabinetPlan) => [cabinetPlan.id, cabinetPlan])),
        rails,
        parts: [...cabinets.flatMap(({ parts }) => parts), ...rails.flatMap(({ parts }) => parts), ...looseLines(design.loose, stockOf)],
        findings: [...unplanned.map(({ finding }) => finding), ...cabinets.flatMap(({ findings }) => findings)],
        stockOf,
      };
    },
  };
}

/** Compares by identity, since documents are immutable; items on its floors one by one. */
const sameInputs = (a: CabinetInputs, b: CabinetInputs): boolean =>
  a.spec === b.spec &&
  a.wall === b.wall &&
  a.children === b.children &&
  a.earthquakes === b.earthquakes &&
  a.cutFirst === b.cutFirst &&
  a.person === b.person &&
  a.record === b.record &&
  a.cutFrom === b.cutFrom &&
  a.workshop === b.workshop &&
  a.letter === b.letter &&
  sameLots(a.lots, b.lots) &&
  Object.values(a.spec.rows).every(({ items }) => items.every((id) => a.items[id] === b.items[id]));

/** The whole plan without a cache, for the command and tests. */
export const plan = (design: Design, record: readonly RecordEntry[], workshop: Workshop): Plan => createPlanner().plan(design, record, workshop);

/**
 * Products with the thickness to build with.
 * @throws RangeError on a product missing from the workshop; readers check that first
 */
export function stockReader(readings: readonly ThicknessReading[], workshop: Workshop): (id: string) => Stocked {
  const memory = new Map<string, Stocked>();
  const kerf = widestKerf(workshop.shop);
  return (id) => {
    const known = memory.get(id);
    if (known) return known;
    const product = workshop.products[id];
    if (!product) throw new RangeError(`there is no product '${id}' in the workshop`);
    const stocked: Stocked = { product, used: thicknessOf(product, readings), kerf, fits: workshop.shop.fits };
    memory.set(id, stocked);
    return stocked;
  };
}

/** A cabinet before its hanging: geometry and weights. */
interface Made {
  readonly spec: CabinetSpec;
  readonly cabinet: ResolvedCabinet;
  readonly weights: CabinetWeights;
  readonly loaded: Load;
  readonly rows: readonly RowAnswer[];
  readonly hangInput: HangInput;
}

/** The value of a planning step, or its fault: a fault of the program takes out one cabinet, never the page. */
function attempted<T>(step: () => T): { readonly value: T } | { readonly fault: DesignFault } {
  try {
    return { value: step() };
  } catch (error) {
    if (error instanceof Unbuildable) return { fault: error.fault };
    return { fault: { code: 'failed', path: [], message: `planning it failed (${String(error)})`, accepted: 'the design before the last change' } };
  }
}

const unplannedCabinet = ({ spec: { id, name }, letter }: CabinetInputs, fault: DesignFault): UnplannedCabinet => {
  const { path, message, accepted } = fault;
  const station = path[0] === 'hanging' ? 'hang' : 'box';
  return { id, name, letter, fault, finding: { check: 'not-planned', unit: id, severity: 'stop', station, panels: [], path, message, accepted, fixes: [] } };
};

function checkedGeometry(inputs: CabinetInputs, stockOf: (id: string) => Stocked): Made {
  const fault = faultOfSpec(inputs.spec);
  if (fault) throw new Unbuildable(fault);
  return geometryOf(inputs, stockOf);
}

function geometryOf({ spec, wall, facts, lots, items, built }: CabinetInputs, stockOf: (id: string) => Stocked): Made {
  const materialOf = (id: string): Material => MATERIALS[stockOf(id).product.material];
  const cabinet = onPieces(resolveCabinet(asBuilt(buildCabinet(onItsRail(spec, wall, stockOf), stockOf), built)), spec, wall);
  const weights = weightsOf(cabinet, spec.contents, spec.topLoaded, materialOf, lots);
  const moving = groundOf(wall) === 'moving';
  // In a vehicle its ribs decide where the fixings go, where they are known.
  const onRibs = boundToStuds(wall) || (moving && facts.studs.length > 0);
  const studsMm =
    moving && !heldByTwoPlanes(cabinet, wall)
      ? []
      : onRibs
        ? facts.studs.map((at) => toMm(at) - toMm(spec.place.along.nm))
        : fixingPlaces(wallHalfEnds(cabinet), toMm(wall.fixing.every.nm));
  const rows = Object.values(spec.rows)
    .sort((a, b) => a.order - b.order)
    .flatMap((row) => {
      const inside = cabinet.compartments.find(({ keptBy }) => keptBy === row.on)?.width;
      const answer = inside ? answerRow(row, (id) => (Object.hasOwn(items, id) ? items[id] : undefined), inside) : null;
      return answer ? [answer] : [];
    });
  const hangInput: HangInput = {
    cabinet,
    weights,
    wall,
    studsMm,
    materialOf,
    isFaced: (id) => stockOf(id).product.faced,
    neighbours: [],
    railFault: railFault(spec, cabinet, wall),
  };
  return { spec, cabinet, weights, loaded: loadedCabinet(weights), rows, hangInput };
}

function finishCabinet(
  { spec, wall, facts, children, earthquakes, cutFirst, person, workshop, letter, built, hangs, ticked }: CabinetInputs,
  made: Made,
  neighbours: readonly RailNeighbour[],
  stockOf: (id: string) => Stocked,
): CabinetPlan {
  const { cabinet, weights, loaded, rows } = made;
  const hangInput = { ...made.hangInput, neighbours };
  const parts = partsOf(cabinet, letter);
  const sag = sagOf(cabinet, weights, hangInput.materialOf);
  const hanging = analyzeHanging(hangInput);
  const seating = seatingOf(spec.id, spec.hanging.seats?.nm ?? null, hangs);
  const zone = reachOf(person.height.nm);
  const findings = checkCabinet({
    spec,
    cabinet,
    hangInput,
    hang: hanging,
    sag,
    parts,
    wall,
    facts,
    children,
    earthquakes,
    seating,
    cutFirst,
    workshop,
    stockOf,
    rows,
    zone,
    misfits: misfitsOf(cabinet, built),
    late: latePanels(cabinet, ticked),
  });
  return {
    id: spec.id,
    name: spec.name,
    letter,
    cabinet,
    parts,
    weights,
    loaded,
    contentsKg: contentsMass(weights),
    sag,
    rows,
    hangInput,
    hang: judged(hanging, findings),
    block: blockOf(spec, cabinet),
    seating,
    findings,
  };
}

/** A, B … Z, AA, AB … */
export function cabinetLetter(index: number): string {
  const last = String.fromCharCode(65 + (index % 26));
  return index < 26 ? last : cabinetLetter(Math.floor(index / 26) - 1) + last;
}
