/** The audit every family must pass: what a cabinet's panels must be to one another, whatever it is. Test support. */
import { toMm } from '../length/length.ts';
import { AUDIT_TOLERANCE_MM, clashesOf } from '../solid/clash.ts';
import { piecesOf, volumeOf } from '../solid/convex.ts';
import { isFace } from '../solid/connection.ts';
import { hangsOnCleat, type ResolvedCabinet } from '../solid/cabinet.ts';
import { dot } from '../solid/vector.ts';
import { boundsOf } from '../solid/views.ts';
import { bulkOf } from '../solid/volume.ts';

const AXES = ['along', 'up', 'out'] as const;

/** Pairs of panels that stand in one another outside what was cut away, those that meet too. */
export const clashes = (cabinet: Pick<ResolvedCabinet, 'panels' | 'connections'>): string[] =>
  clashesOf(cabinet, 'looked at').map(({ a, b }) => `${a} and ${b}`);

/** What is wrong with a panel by itself: numbers that are none, blanks that are nothing. */
export function malformed({ panels }: Pick<ResolvedCabinet, 'panels'>): string[] {
  return panels.flatMap((panel) => {
    const numbers = [...panel.outline.flatMap(({ from, bevel }) => [from.u, from.v, bevel]), panel.length.value, panel.width.value, panel.thickness];
    if (!numbers.every(Number.isFinite)) return [`${panel.id} has a number that is none`];
    if (panel.length.value <= 0 || panel.width.value <= 0) return [`${panel.id} has no size`];
    const { volumeMm3 } = bulkOf(panel);
    return volumeMm3 > 0 ? [] : [`${panel.id} has no volume`];
  });
}

/** A panel's finished length and width are what its outline measures. */
export function mismeasured({ panels }: Pick<ResolvedCabinet, 'panels'>): string[] {
  return panels.flatMap((panel) => {
    const us = panel.outline.map(({ from }) => from.u);
    const vs = panel.outline.map(({ from }) => from.v);
    const off = [Math.max(...us) - Math.min(...us) - panel.length.value, Math.max(...vs) - Math.min(...vs) - panel.width.value];
    return off.some((nm) => Math.abs(nm) > AUDIT_TOLERANCE_MM * 1e6)
      ? [`${panel.id} measures ${off.map((nm) => nm / 1e6).join(' and ')} more than it says`]
      : [];
  });
}

/** Volume by its pieces against volume by its sum; holes are not in the pieces. */
export function misweighed({ panels }: Pick<ResolvedCabinet, 'panels'>): string[] {
  return panels.flatMap((panel) => {
    const holes = panel.cuts.reduce((sum, cut) => {
      if (cut.kind !== 'holes') return sum;
      return sum + ((Math.PI * cut.diameter * cut.diameter) / 4 / 1e12) * toMm(cut.depth ?? panel.thickness) * cut.count;
    }, 0);
    const round = panel.cuts.some((cut) => cut.kind === 'notch' && cut.round);
    if (round) return [];
    const whole = piecesOf(panel).reduce((sum, body) => sum + volumeOf(body).volume, 0);
    const { volumeMm3 } = bulkOf(panel);
    return Math.abs(whole - holes - volumeMm3) > 1e-6 * whole + 1e-3 ? [`${panel.id}: ${whole - holes} by its pieces, ${volumeMm3} by its sum`] : [];
  });
}

/** Panels no connection ties to what hangs. */
export function loose(cabinet: ResolvedCabinet): string[] {
  const { hanging, panels, connections } = cabinet;
  // Screwed through, there is no cleat to leave out: the strip is a panel like the others.
  const cleat = !hangsOnCleat(hanging)
    ? []
    : [...hanging.brackets, hanging.wallHalf, hanging.spacer ?? '', hanging.lower?.cabinetHalf ?? '', hanging.lower?.wallHalf ?? ''];
  const held = new Set(cleat);
  for (const { wallHalf, cabinetHalf } of hanging.beside ?? []) held.add(wallHalf).add(cabinetHalf);
  // What the cabinet cleat is screwed to is tied together by it.
  const rest = panels.filter(({ id }) => !held.has(id));
  // What stands on the floor hangs on nothing; each box of it is held by its bottom.
  const reached = new Set([rest[0]!.id, ...rest.filter(({ stands, role }) => stands && role === 'bottom').map(({ id }) => id)]);
  for (let grown = -1; grown !== reached.size;) {
    grown = reached.size;
    for (const { guest, host, joint } of connections) {
      if (joint.kind === 'flush') continue;
      if (reached.has(guest)) reached.add(host);
      if (reached.has(host)) reached.add(guest);
    }
  }
  return rest.filter(({ id }) => !reached.has(id)).map(({ id }) => id);
}

/** Where the outer box is not the size the cabinet says, along, up and out. */
export function outerMisfit({ panels, outside, hardware }: ResolvedCabinet): string[] {
  const carried = panels.filter(({ onWall }) => !onWall);
  const bounds = carried.map(boundsOf);
  const span = (axis: (typeof AXES)[number]): number => Math.max(...bounds.map(({ high }) => high[axis])) - Math.min(...bounds.map(({ low }) => low[axis]));
  const low = (axis: (typeof AXES)[number]): number => Math.min(...bounds.map((each) => each.low[axis]));
  // Feet reach from the cabinet's bottom to the box that stands on them.
  const onFeet = hardware.some(({ kind }) => kind === 'foot');
  const asked = { along: toMm(outside.width.value), up: toMm(outside.height.value), out: toMm(outside.depth.value) };
  const found = { along: span('along'), up: onFeet ? Math.max(...bounds.map(({ high }) => high.up)) : span('up'), out: span('out') + low('out') };
  return AXES.filter((axis) => Math.abs(found[axis] - asked[axis]) > AUDIT_TOLERANCE_MM).map((axis) => `${axis}: ${found[axis]} instead of ${asked[axis]}`);
}

/** Strips whose guest does not lie in them with the play they state. */
export function badFits({ panels, byId, connections }: ResolvedCabinet): string[] {
  const joints = new Map(connections.map((connection) => [connection.id, connection]));
  return panels.flatMap((host) =>
    host.slots.flatMap((slot) => {
      const guest = byId.get(slot.guest)!;
      const connection = joints.get(slot.id);
      // The two halves of a lap are held against one another by lapFaults.
      if (!connection || isFace(connection.edge) || connection.joint.kind === 'half-lap') return [];
      const lean = Math.abs(dot(guest.frame.w, host.frame.w));
      const square = Math.sqrt(1 - lean * lean);
      const wanted = (guest.thickness + slot.play) / square + (lean / square) * slot.depth;
      const short = wanted - (slot.far - slot.near);
      const wide = slot.kind === 'rabbet' ? 0 : -short;
      return short > AUDIT_TOLERANCE_MM * 1e6 || wide > AUDIT_TOLERANCE_MM * 1e6 ? [`${slot.id} is ${-short / 1e6} mm wider than asked`] : [];
    }),
  );
}

/** Half laps whose two cuts are not each as wide as the other part, or leave more or less than one thickness between them. */
export function lapFaults({ byId, connections }: ResolvedCabinet): string[] {
  return connections.flatMap(({ id, guest, host, joint }) => {
    if (joint.kind !== 'half-lap') return [];
    const [one, other] = [byId.get(guest)!, byId.get(host)!];
    const over = one.slots.find((slot) => slot.id === `${id}:over`);
    const under = other.slots.find((slot) => slot.id === id);
    if (!over || !under) return [`${id} is not cut`];
    const right = over.far - over.near === other.width.value && under.far - under.near === one.width.value && over.depth + under.depth === one.thickness;
    return right ? [] : [`${id} does not close`];
  });
}

/** Everything at once; nothing for a sound cabinet. */
export const audit = (cabinet: ResolvedCabinet): string[] => [
  ...cabinet.faults.map(({ reason }) => reason),
  ...malformed(cabinet),
  ...mismeasured(cabinet),
  ...misweighed(cabinet),
  ...clashes(cabinet),
  ...badFits(cabinet),
  ...lapFaults(cabinet),
  ...outerMisfit(cabinet),
  ...loose(cabinet).map((id) => `${id} hangs on nothing`),
];
