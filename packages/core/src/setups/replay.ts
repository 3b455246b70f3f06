/**
 * Replays setups on the blanks from their numbers alone: cutter width, distance of its near side from the reference, depth, face down. Tests compare the
 * result with the designed parts.
 */
import type { Length } from '../length/length.ts';
import type { EdgeId, Face, PanelPoint } from '../solid/panel.ts';
import type { OperationBlank, HolesWork, Operation, SlotWork } from './operations.ts';
import type { Setups } from './setups.ts';
import type { SetupCut } from './setup.ts';
import type { Shop } from '../model/shop.ts';

/** A slot as it comes out of the machine, from the corner of the blank. */
export interface Milled {
  readonly operation: string;
  readonly panel: string;
  readonly face: Face;
  readonly across: boolean;
  readonly near: number;
  readonly far: number;
  readonly depth: number;
  /** Along itself; null runs out over the blank. */
  readonly from: number | null;
  readonly to: number | null;
}

export interface Bored {
  readonly operation: string;
  readonly panel: string;
  readonly on: Face | EdgeId;
  readonly at: readonly PanelPoint[];
  readonly diameter: number;
  readonly depth: number | null;
}

export interface Replayed {
  readonly slots: readonly Milled[];
  readonly holes: readonly Bored[];
  /** Slanted slots and edge grooves: width and depth, with their angle, or their wall above the reference face. */
  readonly others: readonly {
    readonly operation: string;
    readonly width: number;
    readonly depth: number;
    readonly turnedDeg: number;
    readonly from: number | null;
  }[];
  /** Bevels: the line on the reference face from the opposite edge, and the angle from square. */
  readonly bevels: readonly { readonly operation: string; readonly panel: string; readonly edge: EdgeId; readonly at: number; readonly deg: number }[];
  /** Pieces ripped to width, from the near edge. */
  readonly widths: readonly { readonly panel: string; readonly at: number }[];
  /** Number of times each operation was made. */
  readonly times: ReadonlyMap<string, number>;
}

export function replay({ setups, blanks }: Setups, shop: Shop): Replayed {
  const slots: Milled[] = [];
  const holes: Bored[] = [];
  const others: Replayed['others'][number][] = [];
  const bevels: Replayed['bevels'][number][] = [];
  const widths: Replayed['widths'][number][] = [];
  const times = new Map<string, number>();
  for (const { cuts } of setups)
    for (const cut of cuts) {
      const { operation } = cut;
      times.set(operation.id, (times.get(operation.id) ?? 0) + 1);
      const blank = blanks.get(operation.panel)!;
      const { work } = operation;
      if (work.kind === 'slot') slots.push(milled(cut, work, blank));
      if (work.kind === 'holes') holes.push(bored(operation, work, cut, shop));
      if (work.kind === 'slanted-slot' || work.kind === 'edge-groove') others.push(turnedOrStanding(cut, blank));
      if (work.kind === 'width') widths.push({ panel: operation.panel, at: cut.way.setting.distance! });
      if (work.kind === 'bevel') {
        const { tilt, distance } = cut.way.setting;
        const leans = tilt!.standing ? 90 - tilt!.deg : tilt!.deg;
        bevels.push({ operation: operation.id, panel: operation.panel, edge: work.edge, at: distance!, deg: cut.way.face === 'reference' ? leans : -leans });
      }
    }
  return { slots, holes, others, bevels, widths, times };
}

function widthOf({ stack, router, blade }: SetupCut['way']['setting']): number {
  if (stack) return stack.cuts + stack.over;
  const { cuts, over } = (router ?? blade)!;
  return cuts + (over.at(-1) ?? 0);
}

function turnedOrStanding({ operation, way }: SetupCut, { panel: { thickness } }: OperationBlank): Replayed['others'][number] {
  const { setting, face } = way;
  const width = widthOf(setting);
  const { work } = operation;
  const long = thickness / Math.cos(((work.kind === 'edge-groove' ? work.deg : 0) * Math.PI) / 180);
  const from = setting.distance === undefined ? null : face === 'reference' ? setting.distance : long - setting.distance - width;
  return { operation: operation.id, width, depth: setting.depth!, turnedDeg: setting.gaugeDeg ?? 0, from };
}

/** The cutter's near side is at `distance` from what lies against the fence; further passes move over by the remainder. */
function milled({ operation, way }: SetupCut, { across }: SlotWork, blank: OperationBlank): Milled {
  const { setting, against, face } = way;
  const size = across ? blank.length : blank.width;
  const width = widthOf(setting);
  const low = against === 'start' || against === 'near';
  const near = low ? setting.distance! : size - setting.distance! - width;
  return {
    operation: operation.id,
    panel: operation.panel,
    face: face!,
    across,
    near,
    far: near + width,
    depth: setting.depth!,
    from: setting.stops?.from ?? null,
    to: setting.stops?.to ?? null,
  };
}

function bored(operation: Operation, work: HolesWork, { way }: SetupCut, shop: Shop): Bored {
  const { setting, against } = way;
  const bit = setting.bit === undefined ? undefined : shop.bits[setting.bit];
  const at = Array.from({ length: work.count }, (_, n) => ({ u: work.at.u + work.step.u * n, v: work.at.v + work.step.v * n }));
  // With a fence or jig the machine gives the inset; along it holes are drilled at marks.
  const held = setting.distance !== undefined && against !== null;
  const across = against === 'start' || against === 'end' ? 'u' : 'v';
  const placed = held ? at.map((point) => ({ ...point, [across]: against === 'start' || against === 'near' ? setting.distance! : point[across] })) : at;
  const diameter = bit ? bit.diameter.nm + bit.over.nm : work.diameter;
  return {
    operation: operation.id,
    panel: operation.panel,
    on: work.on,
    at: placed,
    diameter,
    depth: setting.depth === undefined ? work.depth : (setting.depth as Length | null),
  };
}
