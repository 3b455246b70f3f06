/** Ways to drill holes: with a jig, at a drill press against its fence, or freehand at a mark. */
import type { Length } from '../length/length.ts';
import type { RectEdge } from '../solid/panel.ts';
import { machinesOf } from '../stock/shop.ts';
import { isFace } from '../solid/connection.ts';
import type { OperationBlank, HolesWork } from './operations.ts';
import { keyOf, type OperationWay } from './setting.ts';
import type { Bit, Shop } from '../model/shop.ts';

/** Tolerance of a fastener hole's diameter. [A] */
export const FASTENER_WITHIN = 300_000;
/** Tolerance of any other hole's diameter. */
const HOLE_WITHIN = 50_000;

/** The bit nearest to a diameter; null when none is close enough. */
export function bitFor({ bits }: Pick<Shop, 'bits'>, diameter: Length, fastener: boolean): Bit | null {
  const within = fastener ? FASTENER_WITHIN : HOLE_WITHIN;
  const near = Object.values(bits)
    .map((bit) => ({ bit, off: Math.abs(bit.diameter.nm + bit.over.nm - diameter) }))
    .filter(({ off }) => off <= within)
    .sort((a, b) => a.off - b.off || (a.bit.kind === 'straight' ? 1 : 0) - (b.bit.kind === 'straight' ? 1 : 0) || a.bit.order - b.bit.order);
  return near[0]?.bit ?? null;
}

export function holeWays(holes: HolesWork, blank: OperationBlank, shop: Shop): OperationWay[] {
  const { purpose, depth, diameter, on } = holes;
  const [drill] = machinesOf(shop, 'hand-drill', 'drill-press');
  if (purpose === 'pocket') {
    if (!drill || !shop.jigs.pockets) return [];
    const setting = { key: keyOf(drill.id, 'pocket-jig', blank.panel.thickness), machine: drill.id, held: 'jig' as const, depth };
    return [{ setting, against: null, face: isFace(on) ? on : null, longer: false, trouble: 0 }];
  }
  const bit = bitFor(shop, diameter, holes.fastener);
  if (!bit) return [];
  const ways: OperationWay[] = [];
  const face = isFace(on) ? on : null;
  const [hand] = machinesOf(shop, 'hand-drill');
  if (purpose === 'shelf-pins' && hand && shop.jigs.pins) {
    const inset = insetOf(holes, blank);
    const key = keyOf(hand.id, 'pin-jig', bit.id, depth, inset.distance, Math.round(Math.hypot(holes.step.u, holes.step.v)));
    ways.push({
      setting: { key, machine: hand.id, held: 'jig', bit: bit.id, depth, distance: inset.distance },
      against: inset.against,
      face,
      longer: false,
      trouble: 0,
    });
    // Rows drilled at marks would not match: a jig makes them equal.
    return ways;
  }
  const [press] = machinesOf(shop, 'drill-press');
  if (press && face && (depth ?? blank.panel.thickness) <= press.deep!.nm)
    for (const { against, distance } of rowReferences(holes, blank))
      if (distance <= press.crosscut!.nm) {
        const key = keyOf(press.id, 'fence', bit.id, depth, distance);
        ways.push({ setting: { key, machine: press.id, held: 'fence', bit: bit.id, depth, distance }, against, face, longer: false, trouble: 1 });
      }
  if (hand)
    ways.push({
      setting: { key: keyOf(hand.id, 'mark', bit.id, depth), machine: hand.id, held: 'mark', bit: bit.id, depth },
      against: null,
      face,
      longer: false,
      trouble: 2,
    });
  return ways;
}

interface Reference {
  readonly against: RectEdge;
  readonly distance: Length;
}

/** A row has one distance from the two edges along it; a single hole has one from all four. */
function rowReferences({ at, step, count }: HolesWork, { length, width }: OperationBlank): Reference[] {
  const lengthwise: Reference[] = [
    { against: 'near', distance: Math.round(at.v) as Length },
    { against: 'far', distance: Math.round(width - at.v) as Length },
  ];
  const crosswise: Reference[] = [
    { against: 'start', distance: Math.round(at.u) as Length },
    { against: 'end', distance: Math.round(length - at.u) as Length },
  ];
  if (count === 1) return [...lengthwise, ...crosswise];
  return Math.abs(step.v) < 1 ? lengthwise : Math.abs(step.u) < 1 ? crosswise : [];
}

const insetOf = (holes: HolesWork, blank: OperationBlank): Reference => {
  const [nearer] = rowReferences(holes, blank).sort((a, b) => a.distance - b.distance);
  return nearer ?? { against: 'near', distance: 0 as Length };
};
