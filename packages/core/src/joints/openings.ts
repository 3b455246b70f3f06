/**
 * Openings measured in the dry fit: uncut parts that hang or lie in one are made for the measured size. Parts glued into the carcass follow their joints
 * instead.
 */
import { NM_PER, type Length } from '../length/length.ts';
import type { Panel } from '../solid/panel.ts';
import { place } from '../solid/panel.ts';
import type { Compartment, CabinetGeometry } from '../solid/cabinet.ts';
import { extend, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';

/** A measured space; unmeasured dimensions are absent. */
export interface BuiltOpening {
  readonly width?: Length;
  readonly height?: Length;
}

/** Least share of an opening that a part must cover to span it: two leaves share one. */
const SPANS = 0.35;
/** Tolerance within which an opening is as planned: a tape's resolution. [ASSUME] */
const AS_PLANNED = 0.3 * NM_PER.mm;

/** The cabinet with loose and hinged parts made for its openings; the same object where none was measured, or all are as planned. */
export function fitOpenings(cabinet: CabinetGeometry, openings: ReadonlyMap<string, BuiltOpening>, isCut: (panel: string) => boolean): CabinetGeometry {
  if (openings.size === 0) return cabinet;
  const moves = new Set(cabinet.connections.filter(({ joint }) => joint.kind === 'hinge' || joint.kind === 'pins').map(({ guest }) => guest));
  let changed = false;
  const panels = cabinet.panels.map((panel) => {
    if (!moves.has(panel.id) || isCut(panel.id)) return panel;
    const fitted = (['along', 'up'] as const).reduce<Panel>((now, axis) => fittedTo(now, axis, cabinet, openings), panel);
    if (fitted !== panel) changed = true;
    return fitted;
  });
  return changed ? { ...cabinet, panels } : cabinet;
}

/** Start and end of a panel along an axis of the cabinet, nm. */
function rangeOf(panel: Panel, axis: 'along' | 'up'): readonly [from: number, to: number] {
  const at = panel.outline.map(({ from }) => place(panel.frame, from)[axis]);
  return [Math.min(...at), Math.max(...at)];
}

const begins = ({ at }: Compartment, axis: 'along' | 'up'): number => at[axis];
const planned = (space: Compartment, axis: 'along' | 'up'): number => (axis === 'along' ? space.width.value : space.height.value);

function fittedTo(panel: Panel, axis: 'along' | 'up', { compartments }: CabinetGeometry, openings: ReadonlyMap<string, BuiltOpening>): Panel {
  const [from, to] = rangeOf(panel, axis);
  const [acrossFrom, acrossTo] = rangeOf(panel, axis === 'along' ? 'up' : 'along');
  const other = axis === 'along' ? 'up' : 'along';
  const spanned = compartments.filter((space) => {
    const covers = Math.min(to, begins(space, axis) + planned(space, axis)) - Math.max(from, begins(space, axis));
    const beside = Math.min(acrossTo, begins(space, other) + planned(space, other)) - Math.max(acrossFrom, begins(space, other));
    return covers >= SPANS * planned(space, axis) && beside >= -NM_PER.mm;
  });
  // A part that closes several stacked openings is made for none of them.
  const places = new Set(spanned.map((space) => `${begins(space, axis)} ${planned(space, axis)}`));
  if (places.size !== 1) return panel;
  const off = spanned.flatMap(({ id, ...space }) => {
    const came = openings.get(id)?.[axis === 'along' ? 'width' : 'height'];
    return came === undefined ? [] : [came - planned({ id, ...space }, axis)];
  });
  if (off.length === 0) return panel;
  const share = Math.min(1, (to - from) / planned(spanned[0]!, axis));
  // The least of several: it must fit everywhere.
  const by = Math.round(Math.min(...off) * (share > 0.75 ? 1 : share));
  return Math.abs(by) <= AS_PLANNED ? panel : grown(panel, axis, by);
}

/** Longer or shorter along an axis of the cabinet, evenly on both sides. */
function grown(panel: Panel, axis: 'along' | 'up', by: number): Panel {
  const { u, v, origin } = panel.frame;
  const side = Math.abs(u[axis]) > 0.999 ? 'u' : Math.abs(v[axis]) > 0.999 ? 'v' : null;
  if (side === null) return panel;
  const values = panel.outline.map(({ from }) => from[side]);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  if (high - low + by <= 0) return panel;
  const middle = (low + high) / 2;
  const half = Math.round(by / 2);
  const direction = panel.frame[side];
  const term = by > 0 ? plus('opening-came', by as Length) : minus('opening-came', -by as Length);
  const measured = (dimension: ExplainedLength): ExplainedLength => extend(dimension, [term]);
  return {
    ...panel,
    frame: {
      ...panel.frame,
      origin: { along: origin.along - direction.along * half, up: origin.up - direction.up * half, out: origin.out - direction.out * half },
    },
    outline: panel.outline.map((edge) => (edge.from[side] > middle ? { ...edge, from: { ...edge.from, [side]: edge.from[side] + by } } : edge)),
    ...(side === 'u' ? { length: measured(panel.length) } : { width: measured(panel.width) }),
  };
}
