/**
 * The slot rack: many thin shelves, or pairs of short tabs, in slots tilted back so that rolls and sheets stay put. The lowest corner of the first clears
 * the floor, the highest of the last clears the top; the others are evenly spaced, each rounded from the whole.
 */
import { NM_PER, roundToNm, type Length } from '../length/length.ts';
import type { Connection } from '../solid/connection.ts';
import { leaning, type Panel } from '../solid/panel.ts';
import type { Compartment, CabinetGeometry } from '../solid/cabinet.ts';
import { ALONG, OUT, vector } from '../solid/vector.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { own, panelOf, thicknessTerm, type StockOf } from './box-frame.ts';
import { placeHanging } from './cleat-build.ts';
import { jointOf, connect } from './joinery.ts';
import { newShell, shellFrame, shellConnections, shellOutside, shellPanels, type ShellFrame } from './shell.ts';
import type { FromThings, ThingsIn } from './family.ts';
import { inOrder } from './spaces.ts';
import { newBase, pick, type NewSpec } from './new-spec.ts';
import type { SlotRack, RackSlot } from '../model/specs/slot-rack.ts';

export function newSlotRack(start: NewSpec): SlotRack {
  const { unit, backStock } = start;
  const slots = Array.from({ length: 6 }, (_, index): RackSlot => ({ id: `t${index + 1}`, order: index + 1 }));
  return {
    ...newBase(
      'slot-rack',
      start,
      slots.map(({ id }) => id),
    ),
    ...newShell(unit, backStock),
    holds: 'shelves',
    slotStock: backStock,
    tiltDeg: 6,
    first: pick(unit, '40', '1 1/2'),
    last: pick(unit, '100', '4'),
    tabLength: pick(unit, '80', '3'),
    setback: pick(unit, '10', '3/8'),
    slots: Object.fromEntries(slots.map((slot) => [slot.id, slot])),
  };
}

interface LaidSlot {
  readonly slot: RackSlot;
  readonly number: number;
  /** Upper face at the rear, above the cabinet's bottom. */
  readonly rearUp: Length;
  /** Vertical, from this upper face to the underside of the next, or to the ceiling. */
  readonly clear: ExplainedLength;
}

export function buildSlotRack(box: SlotRack, stockOf: StockOf): CabinetGeometry {
  const base = shellFrame(box, stockOf, [minus('slot-setback', box.setback.nm, { source: own(box, 'setback') })]);
  const { panels: hangingPanels, hanging } = placeHanging(base);
  const laid = laySlots(base);
  return {
    id: box.id,
    panels: [...shellPanels(base), ...laid.flatMap((slot) => pieces(base, slot)), ...hangingPanels],
    connections: [...shellConnections(base), ...laid.flatMap((slot) => slotConnections(base, slot))],
    compartments: laid.map((slot) => compartment(base, slot)),
    hardware: [],
    hanging,
    outside: shellOutside(base),
  };
}

type Frame = ShellFrame<SlotRack>;
const id = ({ spec }: Frame, rest: string): string => `${spec.id}/${rest}`;
const radians = (deg: number): number => (deg * Math.PI) / 180;

/** Along the tilt: the slab's length over the inside depth, minus what its thickness takes when tilted. */
function slotDepth(base: Frame): ExplainedLength {
  const { spec, insideDepth } = base;
  const t = base.stockOf(spec.slotStock).used.value;
  const turn = radians(spec.tiltDeg);
  const along = roundToNm((insideDepth.value - t * Math.sin(turn)) / Math.cos(turn) / NM_PER.mm);
  const more = (along - insideDepth.value) as Length;
  return more === 0 ? insideDepth : explainedLength([plus('inside-depth', insideDepth.value, { inner: insideDepth }), plus('along-the-tilt', more)]);
}

function laySlots(base: Frame): LaidSlot[] {
  const { spec, floor, ceiling } = base;
  const { value: t, source } = thicknessTerm(base, spec.slotStock);
  const turn = radians(spec.tiltDeg);
  const rise = Math.round(slotDepth(base).value * Math.sin(turn));
  const upright = roundToNm(t / Math.cos(turn) / NM_PER.mm);
  const slots = inOrder(spec.slots);
  // The rear lower corner of a slab is its lowest point, the front upper one its highest.
  const lowest = floor + spec.first.nm + Math.round(t * Math.cos(turn));
  const highest = ceiling - spec.last.nm - rise;
  const step = explainedLength(
    [
      plus('inside-height', (ceiling - floor) as Length),
      minus('first-slot', spec.first.nm, { source: own(spec, 'first') }),
      minus('last-slot', spec.last.nm, { source: own(spec, 'last') }),
      minus('slot-thickness', roundToNm((t * Math.cos(turn)) / NM_PER.mm), { source }),
      ...(rise > 0 ? [minus('rise-of-slot', rise as Length)] : []),
    ],
    Math.max(1, slots.length - 1),
  );
  const between = explainedLength([plus('slot-pitch', step.value, { inner: step }), minus('slot-thickness', upright, { source })]);
  return slots.map((slot, index) => {
    const rearUp = Math.round(lowest + ((highest - lowest) * index) / Math.max(1, slots.length - 1)) as Length;
    const last = index === slots.length - 1;
    const clear = last
      ? explainedLength([
          plus('last-slot', spec.last.nm, { source: own(spec, 'last') }),
          ...(slots.length === 1 ? [plus('space', (highest - lowest) as Length)] : []),
        ])
      : between;
    return { slot, number: index + 1, rearUp, clear };
  });
}

/** A slab's upper face is the reference. Tilted back, its upper rear edge is rearmost and its lower front edge foremost. */
function pieces(base: Frame, { slot, number, rearUp }: LaidSlot): Panel[] {
  const { spec, insideLeft, insideWidth } = base;
  const width = slotDepth(base);
  const at = (along: number) => leaning(vector(along, rearUp, base.insideRear), ALONG, OUT, -spec.tiltDeg);
  if (spec.holds === 'shelves')
    return [
      panelOf(base, 'shelf', slot.id, { key: 'slot-shelf', of: String(number) }, { frame: at(insideLeft), length: insideWidth, width, stock: spec.slotStock }),
    ];
  const length = explainedLength([plus('tab-length', spec.tabLength.nm, { source: own(spec, 'tabLength') })]);
  return (['left', 'right'] as const).map((hand) =>
    panelOf(
      base,
      'shelf',
      `${slot.id}/${hand}`,
      { key: `tab-${hand}`, of: String(number) },
      {
        frame: at(hand === 'left' ? insideLeft : insideLeft + insideWidth.value - spec.tabLength.nm),
        length,
        width,
        stock: spec.slotStock,
        grain: 'width',
      },
    ),
  );
}

function slotConnections(base: Frame, { slot }: LaidSlot): Connection[] {
  const { spec } = base;
  const by = jointOf(spec, 'dado', spec.setback.nm > 0 ? { stopped: true } : {});
  const [left, right] = [id(base, 'side/left'), id(base, 'side/right')];
  if (spec.holds === 'shelves')
    return [connect(id(base, `shelf/${slot.id}`), 'start', left, 'other', by), connect(id(base, `shelf/${slot.id}`), 'end', right, 'reference', by)];
  return [connect(id(base, `shelf/${slot.id}/left`), 'start', left, 'other', by), connect(id(base, `shelf/${slot.id}/right`), 'end', right, 'reference', by)];
}

function compartment(base: Frame, { slot, number, rearUp, clear }: LaidSlot): Compartment {
  return {
    id: id(base, `space/${slot.id}`),
    name: { key: 'slot-space', of: String(number) },
    floor: id(base, base.spec.holds === 'shelves' ? `shelf/${slot.id}` : `shelf/${slot.id}/left`),
    keptBy: slot.id,
    width: base.insideWidth,
    height: clear,
    depth: base.insideDepth,
    at: { along: base.insideLeft, up: rearUp, out: base.insideRear },
  };
}

/** Clearance to lift an item out of its slot. [A] */
const LIFT_OUT = 25 * NM_PER.mm;
const MAX_SLOTS = 60;

/** As many slots as the tallest item in any of them allows between the first and the last, and never fewer than are occupied. */
export function slotsFromThings(box: SlotRack, thingsIn: ThingsIn): FromThings[] {
  const slots = inOrder(box.slots);
  const things = slots.flatMap(({ id: slot }) => thingsIn(slot));
  if (things.length === 0) return [];
  const tallest = Math.max(...things.map(({ height }) => height));
  const room = box.height.nm - box.first.nm - box.last.nm;
  const fits = Math.max(1, Math.min(MAX_SLOTS, Math.floor(room / (tallest + LIFT_OUT)) + 1));
  if (fits >= slots.length) {
    const last = slots.at(-1)!.order;
    return Array.from({ length: fits - slots.length }, (_, index): FromThings => {
      const slot = freshSlot(box, index);
      return { path: ['slots', slot], value: { id: slot, order: last + index + 1 } };
    });
  }
  const empty = slots.filter(({ id: slot }) => thingsIn(slot).length === 0).slice(fits - slots.length);
  return empty.map(({ id: slot }): FromThings => ({ path: ['slots', slot], value: undefined }));
}

/** The nth unused id. */
function freshSlot({ slots }: SlotRack, nth: number): string {
  let free = -1;
  for (let number = 1; ; number++) if (!Object.hasOwn(slots, `t${number}`) && ++free === nth) return `t${number}`;
}
