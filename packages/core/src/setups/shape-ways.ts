/** Ways to bevel an edge, to cut a slanted one and to cut a notch. */
import type { Length } from '../length/length.ts';
import type { RectEdge } from '../solid/panel.ts';
import { MIN_AT_SAW, MIN_ON_FENCE, machinesOf } from '../stock/shop.ts';
import { tiltFor } from './angles.ts';
import { isRectEdge, opposite, type BevelWork, type OperationBlank, type NotchWork, type ShapeWork, type WidthWork } from './operations.ts';
import { keyOf, type WorkHold, type Setting, type OperationWay } from './setting.ts';
import type { Machine, Shop } from '../model/shop.ts';

const degreesKey = (deg: number): number => Math.round(deg * 1e6);

export function bevelWays({ edge, deg, at }: BevelWork, blank: OperationBlank, shop: Shop): OperationWay[] {
  if (!isRectEdge(edge)) return [];
  const across = edge === 'start' || edge === 'end';
  const onFence = across ? blank.width : blank.length;
  const size = across ? blank.length : blank.width;
  const ways: OperationWay[] = [];
  const longer = Math.max(blank.length, blank.width) < MIN_AT_SAW;
  // The longer face lies up: the blade leans toward it from below.
  const face = deg > 0 ? 'reference' : 'other';
  const add = (machine: Machine, held: WorkHold, most: number, trouble: number): void => {
    const tilt = tiltFor(Math.abs(deg), most);
    if (!tilt) return;
    const standing = tilt.standing ? 'tall' : held;
    const setting: Setting = {
      key: keyOf(machine.id, standing, degreesKey(tilt.deg), at),
      machine: machine.id,
      held: standing,
      tilt,
      distance: at,
    };
    ways.push({ setting, against: opposite(edge), face, longer: longer && held !== 'guide', trouble: trouble + (longer ? 4 : 0) });
  };
  const [saw] = machinesOf(shop, 'table-saw');
  if (saw && onFence >= size && onFence >= MIN_ON_FENCE && at <= saw.rip!.nm) add(saw, 'fence', saw.tiltDeg!, 0);
  if (saw && onFence <= saw.crosscut!.nm) add(saw, 'sled', saw.tiltDeg!, 1);
  const [mitre] = machinesOf(shop, 'mitre-saw');
  if (mitre && across && blank.width <= mitre.crosscut!.nm && blank.panel.thickness <= mitre.deep!.nm) add(mitre, 'sled', mitre.tiltDeg!, 2);
  const [guided] = machinesOf(shop, 'guided-saw');
  if (guided && onFence <= guided.guide!.nm) add(guided, 'guide', guided.tiltDeg!, 3);
  return ways;
}

/** A piece ripped to width: its near edge along the fence; on the sled where it is wider than long; else along a guide on the line. */
export function widthWays({ at }: WidthWork, blank: OperationBlank, shop: Shop): OperationWay[] {
  const ways: OperationWay[] = [];
  const longer = Math.max(blank.length, blank.width) < MIN_AT_SAW;
  const add = (machine: Machine, held: WorkHold, trouble: number): void =>
    void ways.push({
      setting: { key: keyOf(machine.id, held, 'width', at), machine: machine.id, held, distance: at },
      against: 'near',
      face: null,
      longer: longer && held !== 'guide',
      trouble: trouble + (longer && held !== 'guide' ? 4 : 0),
    });
  const [saw] = machinesOf(shop, 'table-saw');
  if (saw && blank.length >= Math.max(at, MIN_ON_FENCE) && at <= saw.rip!.nm) add(saw, 'fence', 0);
  if (saw && blank.length < at && blank.length <= saw.crosscut!.nm) add(saw, 'sled', 1);
  const [guided] = machinesOf(shop, 'guided-saw');
  if (guided && blank.length <= guided.guide!.nm) add(guided, 'guide', 2);
  return ways;
}

/** A slanted edge: along a guide on its line, on a taper sled, or to the line at the band saw. A bevel tilts the blade too. */
export function shapeWays(shape: ShapeWork, blank: OperationBlank, shop: Shop): OperationWay[] {
  const { from, to, deg, slantDeg } = shape;
  const long = Math.hypot(to.u - from.u, to.v - from.v);
  const ways: OperationWay[] = [];
  const add = (machine: Machine, held: WorkHold, trouble: number): void => {
    const tilt = deg === 0 ? undefined : tiltFor(Math.abs(deg), machine.tiltDeg ?? 0);
    if (tilt === null) return;
    // Every slant has its own line; at the band saw there is nothing to set.
    const key = keyOf(machine.id, held, tilt ? degreesKey(tilt.deg) : 0, held === 'line' ? null : degreesKey(slantDeg));
    ways.push({
      setting: { key, machine: machine.id, held, ...(tilt ? { tilt } : {}), gaugeDeg: slantDeg },
      against: null,
      face: deg > 0 ? 'reference' : 'other',
      longer: false,
      trouble,
    });
  };
  const [guided] = machinesOf(shop, 'guided-saw');
  if (guided && long <= guided.guide!.nm) add(guided, 'guide', 0);
  const [saw] = machinesOf(shop, 'table-saw');
  if (saw && Math.min(blank.length, blank.width) <= saw.crosscut!.nm) add(saw, 'wedge', 1);
  const [band] = machinesOf(shop, 'band-saw');
  if (band && deg === 0 && Math.min(blank.length, blank.width) <= 2 * band.crosscut!.nm) add(band, 'line', 2);
  return ways;
}

/** A notch: cut to its line at the band saw where it reaches, else routed along a template; a round end is drilled first. */
export function notchWays({ edge, at, width, depth, round }: NotchWork, blank: OperationBlank, shop: Shop): OperationWay[] {
  const ways: OperationWay[] = [];
  const add = (machine: Machine, held: WorkHold, trouble: number): void => {
    const key = keyOf(machine.id, held, 'notch', width, depth, round ? 'round' : 'square');
    ways.push({ setting: { key, machine: machine.id, held, depth: depth as Length }, against: null as RectEdge | null, face: null, longer: false, trouble });
  };
  const [band] = machinesOf(shop, 'band-saw');
  // The side toward the column must pass the throat, in either orientation.
  const run = edge === 'start' || edge === 'end' ? blank.width : blank.length;
  const past = Math.min(at, run - at) + width / 2;
  if (band && depth <= band.crosscut!.nm && past <= band.crosscut!.nm) add(band, 'line', 0);
  const [router] = machinesOf(shop, 'router');
  if (router) add(router, 'line', 1);
  return ways;
}
