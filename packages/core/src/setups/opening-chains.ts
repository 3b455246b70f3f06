/**
 * Tolerance chains across openings: parts and dividers in a row between two sides, inset doors with their reveals, drawers on their slides. Source:
 * docs/formulas/tolerance-chain.md.
 */
import { toMm } from '../length/length.ts';
import { isFace, type Connection } from '../solid/connection.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { connectionsOf } from '../solid/cabinet.ts';
import { boundsOf } from '../solid/views.ts';
import { MAX_FREE, thicknessVariations, type ChainContext, type ToleranceChain, type Variation } from './tolerance-chain.ts';

interface Link {
  readonly part: ResolvedPanel;
  readonly right: string;
  readonly ends: readonly [Connection, Connection];
}

/** Parts end to end from one side to the other, with dividers between: all lengths and thicknesses add up, and parts from one sheet share its error. */
export function rowChains({ cabinet, usedOf, repeats }: ChainContext): ToleranceChain[] {
  const links = new Map<string, Link>();
  for (const part of cabinet.panels) {
    const held = connectionsOf(cabinet, 'asGuest', part.id).filter(
      ({ joint, face, host }) => joint.depth > 0 && isFace(face) && isUpright(cabinet.byId.get(host)!),
    );
    const [start, end] = [held.find(({ edge }) => edge === 'start'), held.find(({ edge }) => edge === 'end')];
    // The shortest from each upright: a part that runs past a divider is in no row with it.
    const known = start && links.get(start.host);
    if (start && end && !(known && known.part.length.value <= part.length.value)) links.set(start.host, { part, right: end.host, ends: [start, end] });
  }
  const reached = new Set([...links.values()].map(({ right }) => right));
  return [...links.keys()]
    .filter((from) => !reached.has(from))
    .flatMap((from): ToleranceChain[] => {
      const row: Link[] = [];
      for (let at: string | undefined = from; at !== undefined && row.length <= links.size; at = links.get(at)?.right) {
        const link = links.get(at);
        if (link) row.push(link);
      }
      if (row.length < 2) return [];
      const last = row.at(-1)!;
      const dividers = row.slice(0, -1).map(({ right }) => cabinet.byId.get(right)!);
      const ends = row.flatMap((link) => link.ends);
      const freeMm = ends.reduce((sum, { joint }) => sum + toMm(joint.endPlay), 0);
      return [
        {
          id: `row ${from} ${last.right}`,
          kind: 'row',
          guest: row[0]!.part.name,
          host: cabinet.byId.get(from)!.name,
          other: cabinet.byId.get(last.right)!.name,
          panels: [...row.map(({ part }) => part.id), ...dividers.map(({ id }) => id)],
          count: 1,
          freeMm,
          maxMm: freeMm + MAX_FREE.row,
          variations: [
            ...row.map(({ part }): Variation => ({ source: `length ${part.id}`, cause: 'length', sd: repeats.length, times: -1 })),
            ...ends.map(({ id }): Variation => ({ source: `depth ${id}`, cause: 'depth', sd: repeats.depth, times: 1 })),
            ...dividers.flatMap((panel) => thicknessVariations(panel, usedOf, -1)),
            { source: `apart ${from} ${last.right}`, cause: 'length', sd: repeats.length, times: 1 },
          ],
        },
      ];
    });
}

const isUpright = ({ frame }: ResolvedPanel): boolean => Math.abs(frame.w.along) > 0.9;

/** Slack of bought slides between box and side, mm. [ASSUME] */
const SLIDES_TAKE = 0.5;

/** A drawer box between two sides: clearance left beyond what its slides or runners need. */
export function drawerChains({ cabinet, usedOf, repeats }: ChainContext): ToleranceChain[] {
  const slides = cabinet.connections.filter(({ joint }) => joint.kind === 'slide');
  return slides.flatMap((left): ToleranceChain[] => {
    if (left.face !== 'other') return [];
    const [box, host] = [cabinet.byId.get(left.guest)!, cabinet.byId.get(left.host)!];
    const level = boundsOf(box);
    const right = slides.find(({ face, guest }) => {
      const { low, high } = boundsOf(cabinet.byId.get(guest)!);
      return face === 'reference' && low.up === level.low.up && high.up === level.high.up;
    });
    const cross = cabinet.connections.find(
      ({ host: side, edge, guest }) => side === left.guest && edge === 'start' && cabinet.byId.get(guest)!.role === 'front',
    );
    if (!right || !cross) return [];
    const bought = cabinet.hardware.some(({ kind, panel }) => kind === 'slide' && panel === left.guest);
    const [far, other] = [cabinet.byId.get(right.guest)!, cabinet.byId.get(right.host)!];
    const wide = boundsOf(far).high.along - level.low.along;
    const opening = boundsOf(other).low.along - boundsOf(host).high.along;
    const id = `drawer ${left.guest}`;
    // On runners the rest is play; bought slides fill it, and flex a little.
    const freeMm = bought ? SLIDES_TAKE : opening - wide;
    const corner = cross.joint.depth > 0;
    return [
      {
        id,
        kind: 'drawer',
        guest: box.name,
        host: host.name,
        other: other.name,
        panels: [box.id, far.id, cross.guest],
        count: 1,
        freeMm,
        maxMm: freeMm + MAX_FREE.drawer,
        variations: [
          { source: `apart ${host.id} ${other.id}`, cause: 'length', sd: repeats.length, times: 1 },
          { source: `length ${cross.guest}`, cause: 'length', sd: repeats.length, times: -1 },
          ...(corner
            ? ([1, 2] as const).map((end): Variation => ({ source: `depth ${end} ${cross.guest}`, cause: 'depth', sd: repeats.depth, times: 1 }))
            : []),
          ...thicknessVariations(box, usedOf, -1),
          ...thicknessVariations(far, usedOf, -1),
        ],
      },
    ];
  });
}

/** Inset doors side by side between two uprights: total of the reveals. */
export function doorChains({ cabinet, repeats }: ChainContext): ToleranceChain[] {
  const doors = cabinet.panels.filter(({ role }) => role === 'door').map((panel) => ({ panel, bounds: boundsOf(panel) }));
  const uprights = cabinet.panels
    .filter(({ role, frame }) => ((role === 'side' || role === 'divider') && Math.abs(frame.w.along) > 0.9) || (role === 'frame' && frame.u.up > 0.9))
    .map((panel) => ({ panel, bounds: boundsOf(panel) }));
  const chains = new Map<string, ToleranceChain>();
  for (const door of doors) {
    const level = (other: (typeof doors)[number]): boolean => other.bounds.low.up < door.bounds.high.up && other.bounds.high.up > door.bounds.low.up;
    const beside = uprights.filter((each) => level(each) && each.bounds.high.out > door.bounds.low.out + 1);
    const left = beside.filter(({ bounds }) => bounds.high.along <= door.bounds.low.along + 1e-3).sort((a, b) => b.bounds.high.along - a.bounds.high.along)[0];
    const right = beside.filter(({ bounds }) => bounds.low.along >= door.bounds.high.along - 1e-3).sort((a, b) => a.bounds.low.along - b.bounds.low.along)[0];
    if (!left || !right) continue;
    const between = doors.filter(
      (each) => level(each) && each.bounds.low.along >= left.bounds.high.along - 1e-3 && each.bounds.high.along <= right.bounds.low.along + 1e-3,
    );
    const widths = between.reduce((sum, { bounds }) => sum + bounds.high.along - bounds.low.along, 0);
    const freeMm = right.bounds.low.along - left.bounds.high.along - widths;
    const id = `doors ${left.panel.id} ${right.panel.id}`;
    if (freeMm <= 0 || chains.has(id)) continue;
    chains.set(id, {
      id,
      kind: 'doors',
      guest: door.panel.name,
      host: left.panel.name,
      other: right.panel.name,
      panels: between.map(({ panel }) => panel.id),
      count: 1,
      freeMm,
      maxMm: freeMm + MAX_FREE.doors * (between.length + 1) * 0.5,
      variations: [
        { source: `opening ${id}`, cause: 'length', sd: repeats.length, times: 1 },
        ...between.map(({ panel }): Variation => ({ source: `width ${panel.id}`, cause: 'length', sd: repeats.length, times: -1 })),
        ...between.map(({ panel }): Variation => ({ source: `hinges ${panel.id}`, cause: 'place', sd: repeats.hinge, times: 1 })),
      ],
    });
  }
  return [...chains.values()];
}
