/** The shopping list, everything needed before the first cut: sheets and boards with their prices, hardware, fasteners, bands, glue, finish. */
import type { BuildPlan } from '../build/step.ts';
import { finishOf } from '../build/finishes.ts';
import { glueOf } from '../build/glues.ts';
import { labelWords } from '../checks/words/labels.ts';
import { groundOf } from '../hang/grounds.ts';
import { hangingHoles } from '../hang/holes.ts';
import { screwById } from '../joints/screws.ts';
import type { DisplayUnit, Length } from '../length/length.ts';
import type { Design } from '../model/design.ts';
import type { Plan, CabinetPlan } from '../planner/plan.ts';
import type { Purchase } from './purchase.ts';
import type { Workshop } from '../model/workshop.ts';

export interface ShoppingLine {
  readonly id: string;
  readonly kind: 'sheet' | 'board' | 'hardware' | 'fastener' | 'band' | 'glue' | 'finish';
  readonly what: string;
  /** Length and width of a sheet or board, length of a screw; null where there is none. */
  readonly size: { readonly length: Length; readonly width: Length | null } | null;
  /** Pieces, or lengths in mm, liters, joints. */
  /** Unit it is sold in; null for the reader's own. */
  readonly home: DisplayUnit | null;
  readonly amount: number;
  readonly in: 'pieces' | 'mm' | 'l' | 'joints';
  /** Price of one, in the workshop's currency; null where unknown. */
  readonly price: number | null;
  /** Names of the cabinets it is for; empty for shared supplies. */
  readonly for: readonly string[];
}

/** `purchases` belong to the current layouts; `build` is the build of the same cabinets. */
export function shoppingOf(
  { cabinets }: Pick<Plan, 'cabinets'>,
  { wall, build: choices, units: specs }: Pick<Design, 'wall' | 'build' | 'units'>,
  workshop: Pick<Workshop, 'products' | 'shop'>,
  purchases: readonly Purchase[],
  build: Pick<BuildPlan, 'steps'>,
): ShoppingLine[] {
  const list = new GatheredLine();
  for (const line of stockLines(purchases, workshop)) list.add(line);
  for (const cabinetPlan of cabinets) {
    for (const { kind, name, count } of cabinetPlan.cabinet.hardware) {
      const what = labelWords(name);
      list.add({
        id: `hardware/${kind}/${what}`,
        kind: 'hardware',
        what,
        size: null,
        home: null,
        amount: count,
        in: 'pieces',
        price: null,
        for: [cabinetPlan.name],
      });
    }
    for (const { joint } of cabinetPlan.cabinet.connections) {
      if (!joint.fastening) continue;
      const { by, screw, length, count } = joint.fastening;
      list.fastener(
        by === 'screws' ? `${screwById(screw).name} screws` : FASTENERS[by],
        length,
        count,
        cabinetPlan.name,
        by === 'dowels' ? null : screwById(screw).unit,
      );
    }
    hangingFasteners(list, cabinetPlan, wall, specs);
  }
  const nameOf = (id: string | null): string[] => cabinets.flatMap((cabinetPlan) => (cabinetPlan.id === id ? [cabinetPlan.name] : []));
  let joints = 0;
  for (const { detail, unit } of build.steps) {
    if (detail.kind === 'band')
      list.add({ id: 'band', kind: 'band', what: 'edge band', size: null, home: null, amount: detail.lengthMm, in: 'mm', price: null, for: nameOf(unit) });
    if (detail.kind === 'coat') {
      const { id, name } = finishOf({ kind: detail.finish as 'oil' }, workshop.shop)!;
      list.add({
        id: `finish/${id}`,
        kind: 'finish',
        what: name,
        size: null,
        home: null,
        amount: detail.liters.value,
        in: 'l',
        price: null,
        for: nameOf(unit),
      });
    }
    if (detail.kind === 'glue') joints += detail.glue?.joints ?? 0;
  }
  if (joints > 0)
    list.add({
      id: 'glue',
      kind: 'glue',
      what: glueOf(choices.glue, workshop.shop).name,
      size: null,
      home: null,
      amount: joints,
      in: 'joints',
      price: null,
      for: [],
    });
  return list.lines();
}

/** Sheets and boards as lines of the list; `whoFor` names the cabinets of each product. */
export const stockLines = (
  purchases: readonly Purchase[],
  { products }: Pick<Workshop, 'products'>,
  whoFor: (product: string) => readonly string[] = () => [],
): ShoppingLine[] =>
  purchases.map(({ product, count }) => {
    const { name, kind, length, width, price, unit } = products[product]!;
    return {
      id: `stock/${product}`,
      kind,
      what: name,
      size: { length: length.nm, width: width.nm },
      home: unit,
      amount: count,
      in: 'pieces',
      price,
      for: whoFor(product),
    };
  });

const FASTENERS = { pockets: 'pocket screws', brads: 'brads', dowels: 'dowels' } as const;

/** Fasteners into the wall, and through the carcass into the cleat. */
function hangingFasteners(list: GatheredLine, { id, name, cabinet, hang, seating }: CabinetPlan, wall: Design['wall'], specs: Design['units']): void {
  const holes = hangingHoles({ cabinet, hang, wall, at: specs[id]!.place, seating: seating.lower });
  const { wallBoring, carcassBoring, carcass } = holes;
  list.fastener(`${screwById(wallBoring.screw).name} screws`, wallBoring.length, holes.wall.length, name, screwById(wallBoring.screw).unit);
  const inCarcass = carcass.reduce((sum, { fromLeft }) => sum + fromLeft.length, 0);
  if (carcassBoring) list.fastener(`${screwById(carcassBoring.screw).name} screws`, carcassBoring.length, inCarcass, name, screwById(carcassBoring.screw).unit);
  if (groundOf(wall) === 'masonry') list.fastener(`plugs, ${wall.fixing.plug.replace('mm', ' mm')}`, null, holes.wall.length, name);
  if (groundOf(wall) === 'anchors') list.fastener('anchors for wallboard', null, holes.wall.length, name);
}

const ORDER: readonly ShoppingLine['kind'][] = ['sheet', 'board', 'hardware', 'fastener', 'band', 'glue', 'finish'];

class GatheredLine {
  private readonly byId = new Map<string, ShoppingLine>();

  /** Merges equal things into one line. */
  add(line: ShoppingLine): void {
    if (line.amount <= 0) return;
    const before = this.byId.get(line.id);
    this.byId.set(line.id, before ? { ...before, amount: before.amount + line.amount, for: [...new Set([...before.for, ...line.for])] } : line);
  }

  fastener(what: string, length: Length | null, count: number, name: string, home: DisplayUnit | null = null): void {
    this.add({
      id: `fastener/${what}/${length ?? ''}`,
      kind: 'fastener',
      what,
      size: length === null || length === 0 ? null : { length, width: null },
      home,
      amount: count,
      in: 'pieces',
      price: null,
      for: [name],
    });
  }

  /** In the order of the yard: large things first. */
  lines(): ShoppingLine[] {
    return [...this.byId.values()].sort(
      (a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind) || (a.what < b.what ? -1 : a.what > b.what ? 1 : (a.size?.length ?? 0) - (b.size?.length ?? 0)),
    );
  }
}

/** Total of the priced lines, plus tax where prices exclude it; in the workshop's currency. */
export function shoppingCost(lines: readonly ShoppingLine[], { percent, included }: Workshop['tax']): { readonly net: number; readonly tax: number } {
  const net = lines.reduce((sum, { price, amount }) => sum + (price ?? 0) * amount, 0);
  return { net, tax: included ? 0 : (net * percent) / 100 };
}
