/** What-if layouts: the sheets of a project under changed conditions. Each gives jobs to nest; the project is unchanged. */
import { machinesOf, widestKerf } from '../stock/shop.ts';
import { boughtAs, offersOf, isSameSize, type Offer } from '../stock/offers.ts';
import type { PartLine } from '../parts/part-line.ts';
import { sheetJobs, type SheetJob, type ToCut } from '../sheets/cutting.ts';
import { type Design } from '../model/design.ts';
import type { Planner } from '../planner/plan.ts';
import type { Workshop } from '../model/workshop.ts';
import { shopFacts } from '../model/shop-facts.ts';
import type { RecordEntry } from '../model/record.ts';

export type WhatIfChange =
  | { readonly what: 'as-is' }
  /** Every cut with the thinnest blade there is. */
  | { readonly what: 'kerf'; readonly kerfNm: number }
  /** One shelf fewer in the cabinet. */
  | { readonly what: 'shelf-fewer'; readonly unit: string; readonly name: string }
  /** Grain direction free except for spanning parts: painted work. */
  | { readonly what: 'grain-free' }
  /** Another sheet size that a merchant offers. */
  | { readonly what: 'offer'; readonly product: string; readonly offer: Offer };

export interface WhatIf {
  readonly change: WhatIfChange;
  readonly jobs: readonly SheetJob[];
  /** The workshop the jobs are cut in. */
  readonly workshop: Workshop;
}

export interface WhatIfInputs {
  readonly planner: Planner;
  readonly design: Design;
  readonly record: readonly RecordEntry[];
  /** As available to the project, corrected by its test cuts. */
  readonly workshop: Workshop;
  readonly offers: readonly Offer[];
  /** The cabinet that loses one shelf. */
  readonly unit: string;
}

/** Spanning parts keep their grain: across it they would bend. */
const SPANNING: readonly PartLine['role'][] = ['shelf', 'bottom', 'ledge', 'top', 'leaf'];

/** The current state first, then every alternative that applies. */
export function whatIfs({ planner, design, record, workshop, offers, unit }: WhatIfInputs): WhatIf[] {
  const finished = shopFacts(record).finished;
  const cutOf = (of: Design): ToCut => ({ cutting: of.cutting, finished, pins: of.pins });
  const { parts } = planner.plan(design, record, workshop);
  const asIs: WhatIf = { change: { what: 'as-is' }, jobs: sheetJobs(parts, workshop, cutOf(design)), workshop };
  return [
    asIs,
    ...thinBlade(parts, workshop, cutOf(design)),
    ...shelfFewer(planner, design, record, workshop, unit, cutOf),
    ...grainFree(parts, workshop, cutOf(design)),
    ...otherSizes(parts, workshop, offers, cutOf(design)),
  ];
}

function thinBlade(parts: readonly PartLine[], workshop: Workshop, cut: ToCut): WhatIf[] {
  const saws = machinesOf(workshop.shop, 'table-saw', 'guided-saw', 'mitre-saw', 'radial-arm').filter(({ kerf }) => kerf);
  const [thinnest] = [...saws].sort((a, b) => a.kerf!.nm - b.kerf!.nm);
  if (!thinnest || thinnest.kerf!.nm >= widestKerf(workshop.shop)) return [];
  const machines = Object.fromEntries(
    Object.entries(workshop.shop.machines).map(([id, machine]) => [id, machine.kerf ? { ...machine, kerf: thinnest.kerf! } : machine]),
  );
  const thin = { ...workshop, shop: { ...workshop.shop, machines } };
  return [{ change: { what: 'kerf', kerfNm: thinnest.kerf!.nm }, jobs: sheetJobs(parts, thin, cut), workshop: thin }];
}

function shelfFewer(
  planner: Planner,
  design: Design,
  record: readonly RecordEntry[],
  workshop: Workshop,
  unit: string,
  cutOf: (of: Design) => ToCut,
): WhatIf[] {
  const spec = design.units[unit];
  if (!spec || !('shelves' in spec)) return [];
  const shelves = Object.values(spec.shelves).sort((a, b) => a.order - b.order);
  const last = shelves.at(-1);
  if (!last) return [];
  const { [last.id]: _gone, ...others } = spec.shelves;
  const fewer = { ...design, units: { ...design.units, [unit]: { ...spec, shelves: others } as typeof spec } };
  const { parts } = planner.plan(fewer, record, workshop);
  return [{ change: { what: 'shelf-fewer', unit, name: spec.name }, jobs: sheetJobs(parts, workshop, cutOf(fewer)), workshop }];
}

function grainFree(parts: readonly PartLine[], workshop: Workshop, cut: ToCut): WhatIf[] {
  const bound = (line: PartLine): boolean => line.grain === 'none' || SPANNING.includes(line.role);
  if (parts.every(bound)) return [];
  const free = parts.map((line) => (bound(line) ? line : { ...line, grain: 'none' as const }));
  return [{ change: { what: 'grain-free' }, jobs: sheetJobs(free, workshop, cut), workshop }];
}

function otherSizes(parts: readonly PartLine[], workshop: Workshop, offers: readonly Offer[], cut: ToCut): WhatIf[] {
  const used = [...new Set(parts.map(({ stock }) => stock))].map((id) => workshop.products[id]!);
  return used.flatMap((product) =>
    offersOf(product, offers)
      .filter((offer) => !isSameSize(product, offer))
      .map((offer): WhatIf => {
        const other = { ...workshop, products: { ...workshop.products, [product.id]: boughtAs(product, offer) } };
        return { change: { what: 'offer', product: product.id, offer }, jobs: sheetJobs(parts, other, cut), workshop: other };
      }),
  );
}
