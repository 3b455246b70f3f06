/**
 * The stages of one cabinet's plan, in order: geometry, parts, weights, ground, hanging, findings. A stage runs again only when something it reads has
 * changed: a load leaves the geometry alone, a note everything, a price everything but a spoiled part's cost.
 */
import { latePanels, type Ticked } from '../build/late-parts.ts';
import type { StockOf } from '../cabinets/box-frame.ts';
import { buildCabinet, faultOfSpec } from '../cabinets/families.ts';
import { Unbuildable } from '../cabinets/family.ts';
import { checkCabinet } from '../checks/checks.ts';
import type { CheckContext } from '../checks/context.ts';
import type { Finding } from '../checks/finding.ts';
import { reachOf } from '../contents/person.ts';
import { answerRow, type RowAnswer } from '../contents/row.ts';
import { boundToStuds, fixingPlaces, groundOf } from '../hang/grounds.ts';
import { analyzeHanging, type HangingAnalysis } from '../hang/hang.ts';
import type { HangInput, RailNeighbour } from '../hang/hang-input.ts';
import { railFault } from '../hang/on-rail.ts';
import { seatingOf, type FirstHang, type Seating } from '../hang/seating.ts';
import { heldByTwoPlanes } from '../hang/two-planes.ts';
import { wallHalfEnds } from '../hang/wall-links.ts';
import { asBuilt, misfitsOf, type BuiltFacts, type Misfit } from '../joints/as-built.ts';
import { toMm, type Length } from '../length/length.ts';
import type { Design } from '../model/design.ts';
import type { Item } from '../model/item.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';
import type { Wall } from '../model/wall.ts';
import type { UnpricedWorkshop, Workshop } from '../model/workshop.ts';
import type { PartLine } from '../parts/part-line.ts';
import { partsOf } from '../parts/parts.ts';
import { loadedCabinet, weightsOf, type CabinetWeights, type Load, type LotsOn } from '../parts/weights.ts';
import { sagOf, type ShelfSag } from '../sag/cabinet-sag.ts';
import { resolveCabinet, type ResolvedCabinet } from '../solid/cabinet.ts';
import { MATERIALS, type Material } from '../stock/materials.ts';
import type { WallFacts } from '../wall/facts.ts';
import { builtFactsOf, sameBuiltFacts } from './built-facts.ts';
import { sameLots } from './contents.ts';
import { onItsRail, onPieces } from './rails.ts';
import { isSame, sameContent, stage } from './stage.ts';

/** Everything one cabinet's plan reads, before its neighbors. */
export interface CabinetInputs {
  readonly spec: CabinetSpec;
  readonly letter: string;
  readonly stockOf: StockOf;
  /** Of the whole project; the stages take this cabinet's own. */
  readonly built: BuiltFacts;
  readonly lots: LotsOn;
  readonly items: Design['items'];
  readonly wall: Wall;
  readonly wallFacts: WallFacts;
}

/** What only the findings read besides. */
export interface CheckInputs {
  readonly children: boolean;
  readonly earthquakes: boolean;
  readonly cutFirst: Design['cutting']['first'];
  readonly person: Design['person'];
  readonly hangs: readonly FirstHang[];
  readonly ticked: Ticked;
  readonly workshop: UnpricedWorkshop;
  readonly products: Workshop['products'];
}

/** Fields of a spec that its geometry does not read. Its height matters for the side of pocket holes, its place along the wall on a rail alone. */
const NOT_SHAPE: ReadonlySet<string> = new Set<keyof CabinetSpec>(['name', 'order', 'contents', 'rows', 'topLoaded', 'over', 'place']);

function sameShape(a: CabinetSpec, b: CabinetSpec): boolean {
  const place = a.place === b.place || (a.hanging.wallRail === null && a.place.up.nm === b.place.up.nm);
  const keys = new Set([...Object.keys(a), ...Object.keys(b)] as (keyof CabinetSpec)[]);
  return place && [...keys].every((key) => NOT_SHAPE.has(key) || a[key] === b[key]);
}

interface GeometryInputs extends Pick<CabinetInputs, 'spec' | 'built' | 'stockOf'> {
  /** The wall of the rail it hangs on; null without a rail. */
  readonly railWall: Wall | null;
}

const geometry = stage(
  ({ spec, built, railWall, stockOf }: GeometryInputs): ResolvedCabinet => {
    const fault = faultOfSpec(spec);
    if (fault) throw new Unbuildable(fault);
    const cabinet = resolveCabinet(asBuilt(buildCabinet(railWall ? onItsRail(spec, railWall, stockOf) : spec, stockOf), built));
    return railWall ? onPieces(cabinet, spec, railWall) : cabinet;
  },
  { spec: sameShape },
);

const parts = stage(({ cabinet, letter }: { readonly cabinet: ResolvedCabinet; readonly letter: string }): PartLine[] => partsOf(cabinet, letter));

interface WeightInputs extends Pick<CabinetSpec, 'contents' | 'topLoaded'>, Pick<CabinetInputs, 'lots' | 'stockOf'> {
  readonly cabinet: ResolvedCabinet;
}

const materialsOf =
  (stockOf: StockOf) =>
  (id: string): Material =>
    MATERIALS[stockOf(id).product.material];

const weights = stage(
  ({ cabinet, contents, topLoaded, lots, stockOf }: WeightInputs): { readonly weights: CabinetWeights; readonly loaded: Load } => {
    const of = weightsOf(cabinet, contents, topLoaded, materialsOf(stockOf), lots);
    return { weights: of, loaded: loadedCabinet(of) };
  },
  { lots: sameLots },
);

interface RowInputs extends Pick<CabinetSpec, 'rows'> {
  readonly cabinet: ResolvedCabinet;
  /** The items its rows hold: another item's edit leaves the answers alone. */
  readonly held: readonly (readonly [id: string, item: Item])[];
}

const rows = stage(
  ({ cabinet, rows: specified, held }: RowInputs): RowAnswer[] => {
    const items = new Map(held);
    return Object.values(specified)
      .sort((a, b) => a.order - b.order)
      .flatMap((row) => {
        const inside = cabinet.compartments.find(({ keptBy }) => keptBy === row.on)?.width;
        const answer = inside ? answerRow(row, (id) => items.get(id), inside) : null;
        return answer ? [answer] : [];
      });
  },
  { held: (a, b) => a.length === b.length && a.every(([id, item], index) => id === b[index]![0] && item === b[index]![1]) },
);

/** The items that rows hold, in order, without those that are gone. */
const heldBy = (specified: CabinetSpec['rows'], items: Design['items']): RowInputs['held'] =>
  Object.values(specified).flatMap((row) => row.items.flatMap((id) => (Object.hasOwn(items, id) ? [[id, items[id]!] as const] : [])));

interface GroundInputs extends Pick<CabinetInputs, 'wall' | 'wallFacts' | 'stockOf'>, Pick<CabinetSpec, 'place' | 'hanging'> {
  readonly cabinet: ResolvedCabinet;
  readonly weights: CabinetWeights;
}

/** The installation, without neighbors on its rail. */
const ground = stage(({ cabinet, weights: of, wall, wallFacts, place, hanging, stockOf }: GroundInputs): HangInput => {
  const moving = groundOf(wall) === 'moving';
  // In a vehicle its ribs decide where the fixings go, where they are known.
  const onRibs = boundToStuds(wall) || (moving && wallFacts.studs.length > 0);
  const studsMm =
    moving && !heldByTwoPlanes(cabinet, wall)
      ? []
      : onRibs
        ? wallFacts.studs.map((at) => toMm(at) - toMm(place.along.nm))
        : fixingPlaces(wallHalfEnds(cabinet), toMm(wall.fixing.every.nm));
  return {
    cabinet,
    weights: of,
    wall,
    studsMm,
    materialOf: materialsOf(stockOf),
    isFaced: (id) => stockOf(id).product.faced,
    neighbours: [],
    railFault: railFault({ hanging, place }, cabinet, wall),
  };
});

interface HangStageInputs {
  readonly alone: HangInput;
  readonly neighbours: readonly RailNeighbour[];
}

const hanging = stage(
  ({ alone, neighbours }: HangStageInputs): { readonly input: HangInput; readonly analysis: HangingAnalysis } => {
    const input = { ...alone, neighbours };
    return { input, analysis: analyzeHanging(input) };
  },
  { neighbours: sameContent },
);

const sag = stage(({ cabinet, weights: of, materialOf }: Pick<HangInput, 'cabinet' | 'weights' | 'materialOf'>): ShelfSag[] => sagOf(cabinet, of, materialOf));

interface FindingInputs extends Omit<CheckContext, 'zone' | 'priceOf'> {
  readonly personHeight: Length;
  /** The products with their prices, where a finding tells the cost of a part; otherwise null. */
  readonly priced: Workshop['products'] | null;
}

const findings = stage(
  ({ personHeight, priced, ...context }: FindingInputs): Finding[] =>
    checkCabinet({ ...context, zone: reachOf(personHeight), priceOf: (id) => (priced && Object.hasOwn(priced, id) ? priced[id]!.price : 0) }),
  { seating: sameContent, misfits: sameContent, late: sameContent },
);

/** A cabinet up to its weights, which its neighbors on a rail need. */
export interface LoadedStages {
  readonly inputs: CabinetInputs;
  /** What is built of this cabinet. */
  readonly built: BuiltFacts;
  readonly geometry: ReturnType<typeof geometry>;
  readonly weights: ReturnType<typeof weights>;
  readonly rows: ReturnType<typeof rows>;
  readonly ground: ReturnType<typeof ground>;
}

export interface FinishedStages {
  readonly loaded: LoadedStages;
  readonly neighbours: readonly RailNeighbour[];
  readonly checked: CheckInputs;
  readonly seating: Seating;
  readonly parts: ReturnType<typeof parts>;
  readonly hanging: ReturnType<typeof hanging>;
  readonly sag: ReturnType<typeof sag>;
  readonly findings: ReturnType<typeof findings>;
}

/**
 * Geometry, weights and ground of a cabinet.
 * @throws Unbuildable where its entries contradict each other
 */
export function loadStages(before: LoadedStages | undefined, inputs: CabinetInputs): LoadedStages {
  if (before && isSame(before.inputs, inputs, { lots: sameLots })) return before;
  const { spec, stockOf, lots, items, wall, wallFacts } = inputs;
  const own = builtFactsOf(inputs.built, spec.id);
  const built = before && sameBuiltFacts(before.built, own) ? before.built : own;
  const made = geometry(before?.geometry, { spec, built, railWall: spec.hanging.wallRail === null ? null : wall, stockOf });
  const cabinet = made.value;
  const loads = weights(before?.weights, { cabinet, contents: spec.contents, topLoaded: spec.topLoaded, lots, stockOf });
  return {
    inputs,
    built,
    geometry: made,
    weights: loads,
    rows: rows(before?.rows, { cabinet, rows: spec.rows, held: heldBy(spec.rows, items) }),
    ground: ground(before?.ground, { cabinet, weights: loads.value.weights, wall, wallFacts, place: spec.place, hanging: spec.hanging, stockOf }),
  };
}

/** Parts, hanging, sag and findings, with the loads of the neighbors on the same rail. */
export function finishStages(
  before: FinishedStages | undefined,
  loaded: LoadedStages,
  neighbours: readonly RailNeighbour[],
  checked: CheckInputs,
): FinishedStages {
  if (before?.loaded === loaded && isSame(before.checked, checked) && sameContent(before.neighbours, neighbours)) return before;
  const { inputs, built, geometry: made, rows: answered, ground: alone } = loaded;
  const { spec, letter, wall, wallFacts: facts, stockOf } = inputs;
  const cabinet = made.value;
  const lines = parts(before?.parts, { cabinet, letter });
  const hung = hanging(before?.hanging, { alone: alone.value, neighbours });
  const { input, analysis } = hung.value;
  const sags = sag(before?.sag, { cabinet, weights: input.weights, materialOf: input.materialOf });
  const { children, earthquakes, cutFirst, person, hangs, ticked, workshop, products } = checked;
  const seating = seatingOf(spec.id, spec.hanging.seats?.nm ?? null, hangs);
  const misfits: Misfit[] = misfitsOf(cabinet, built);
  const found = findings(before?.findings, {
    spec,
    cabinet,
    hangInput: input,
    hang: analysis,
    sag: sags.value,
    parts: lines.value,
    wall,
    facts,
    children,
    earthquakes,
    seating,
    cutFirst,
    workshop,
    stockOf,
    rows: answered.value,
    personHeight: person.height.nm,
    misfits,
    late: latePanels(cabinet, ticked),
    priced: misfits.length > 0 ? products : null,
  });
  return { loaded, neighbours, checked, seating, parts: lines, hanging: hung, sag: sags, findings: found };
}
