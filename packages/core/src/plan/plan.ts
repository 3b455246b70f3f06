/**
 * plan(design, record, workshop): geometry, parts, weights, sag, hanging and findings of every unit.
 * A pure function; createPlanner() remembers each unit's plan until one of its inputs changes.
 */
import { buildShelfBox } from '../carcass/shelf-box-build.ts';
import type { Stocked } from '../carcass/box-frame.ts';
import { checkUnit } from '../checks/checks.ts';
import type { Finding } from '../checks/finding.ts';
import { hang, type HangPlan } from '../hang/hang.ts';
import type { HangInput } from '../hang/hang-input.ts';
import { toMm } from '../length/length.ts';
import { partsOf, type PartLine } from '../parts/parts.ts';
import { contentsMass, loadedUnit, weightsOf, type Load, type UnitWeights } from '../parts/weights.ts';
import { sagOf, type ShelfSag } from '../sag/unit-sag.ts';
import { resolveUnit, type ResolvedUnit } from '../solid/unit.ts';
import { MATERIALS, type Material } from '../stock/materials.ts';
import { thicknessOf } from '../stock/thickness.ts';
import type { ThicknessReading, Workshop } from '../stock/workshop.ts';
import { studCentres, type Wall } from '../wall/wall.ts';
import { standingReadings, unitsInOrder, type Design, type RecordEntry, type UnitDesign } from './design.ts';

export interface UnitPlan {
  readonly id: string;
  readonly name: string;
  readonly letter: string;
  readonly unit: ResolvedUnit;
  readonly parts: readonly PartLine[];
  readonly weights: UnitWeights;
  readonly loaded: Load;
  readonly contentsKg: number;
  readonly sag: readonly ShelfSag[];
  readonly hangInput: HangInput;
  readonly hang: HangPlan;
  readonly findings: readonly Finding[];
}

export interface Plan {
  readonly units: readonly UnitPlan[];
  readonly byId: ReadonlyMap<string, UnitPlan>;
  /** The cut list of all units. */
  readonly parts: readonly PartLine[];
  readonly findings: readonly Finding[];
  readonly stockOf: (productId: string) => Stocked;
}

export interface Planner {
  plan(design: Design, record: readonly RecordEntry[], workshop: Workshop): Plan;
}

interface Cached {
  readonly wall: Wall;
  readonly children: boolean;
  readonly record: readonly RecordEntry[];
  readonly workshop: Workshop;
  readonly letter: string;
  readonly plan: UnitPlan;
}

/** A planner with its own memory. One per open project is enough. */
export function createPlanner(): Planner {
  let cache = new Map<UnitDesign, Cached>();
  return {
    plan(design, record, workshop) {
      const next = new Map<UnitDesign, Cached>();
      const stockOf = stockReader(standingReadings(record), workshop);
      const units = unitsInOrder(design).map((box, index) => {
        const letter = unitLetter(index);
        const known = cache.get(box);
        const fresh =
          known &&
          known.wall === design.wall &&
          known.children === design.children &&
          known.record === record &&
          known.workshop === workshop &&
          known.letter === letter;
        const unitPlan = fresh ? known.plan : planUnit(box, design, workshop, stockOf, letter);
        next.set(box, { wall: design.wall, children: design.children, record, workshop, letter, plan: unitPlan });
        return unitPlan;
      });
      cache = next;
      return {
        units,
        byId: new Map(units.map((unit) => [unit.id, unit])),
        parts: units.flatMap(({ parts }) => parts),
        findings: units.flatMap(({ findings }) => findings),
        stockOf,
      };
    },
  };
}

/** The whole plan, without memory: for the command line and tests. */
export const plan = (design: Design, record: readonly RecordEntry[], workshop: Workshop): Plan => createPlanner().plan(design, record, workshop);

/** Products with the thickness to build with. Throws a RangeError on a product that is not in the workshop: readers check that first. */
export function stockReader(readings: readonly ThicknessReading[], workshop: Workshop): (id: string) => Stocked {
  const memory = new Map<string, Stocked>();
  return (id) => {
    const known = memory.get(id);
    if (known) return known;
    const product = workshop.products[id];
    if (!product) throw new RangeError(`there is no product '${id}' in the workshop`);
    const stocked: Stocked = { product, used: thicknessOf(product, readings), kerf: workshop.machines.kerf.nm };
    memory.set(id, stocked);
    return stocked;
  };
}

function planUnit(box: UnitDesign, design: Design, workshop: Workshop, stockOf: (id: string) => Stocked, letter: string): UnitPlan {
  const materialOf = (id: string): Material => MATERIALS[stockOf(id).product.material];
  const unit = resolveUnit(buildShelfBox(box, stockOf));
  const weights = weightsOf(unit, box.contents, box.topLoaded, materialOf);
  const parts = partsOf(unit, letter);
  const sag = sagOf(unit, weights, materialOf);
  const studsMm = studCentres(design.wall).map((at) => toMm(at) - toMm(box.place.along.nm));
  const hangInput: HangInput = { unit, weights, wall: design.wall, studsMm, materialOf, isFaced: (id) => stockOf(id).product.faced };
  const hanging = hang(hangInput);
  const findings = checkUnit({ box, unit, hangInput, hang: hanging, sag, parts, wall: design.wall, children: design.children, workshop, stockOf });
  return {
    id: box.id,
    name: box.name,
    letter,
    unit,
    parts,
    weights,
    loaded: loadedUnit(weights),
    contentsKg: contentsMass(weights),
    sag,
    hangInput,
    hang: hanging,
    findings,
  };
}

/** A, B … Z, AA, AB … */
export function unitLetter(index: number): string {
  const last = String.fromCharCode(65 + (index % 26));
  return index < 26 ? last : unitLetter(Math.floor(index / 26) - 1) + last;
}
