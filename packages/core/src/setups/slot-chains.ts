/** Tolerance chains of joints: each slot with the part that goes in, each part held at both ends. Source: docs/formulas/tolerance-chain.md. */
import { toMm, type Length } from '../length/length.ts';
import { jointGroups } from '../joints/joint-groups.ts';
import { isFace, type Connection } from '../solid/connection.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { connectionsOf, type ResolvedCabinet } from '../solid/cabinet.ts';
import { MAX_FREE, thicknessVariations, type ChainContext, type ToleranceChain, type RepeatabilityOf } from './tolerance-chain.ts';

export function slotChains({ cabinet, usedOf, repeats }: ChainContext): ToleranceChain[] {
  return jointGroups(cabinet)
    .filter(({ slot, kind }) => slot !== null && kind !== 'rabbet' && kind !== 'half-lap')
    .map(({ id, guest, host, connections }): ToleranceChain => {
      const { play } = connections[0]!.joint;
      return {
        id: `slot ${id}`,
        kind: 'slot',
        guest: guest.name,
        host: host.name,
        other: null,
        panels: [guest.id, host.id],
        count: connections.length,
        freeMm: toMm(play),
        maxMm: toMm(play) + MAX_FREE.slot,
        variations: [...thicknessVariations(guest, usedOf, -1), { source: `slot ${id}`, cause: 'slot', sd: repeats.slot, times: 1 }],
      };
    });
}

/** A part let into two others at opposite ends: its clearance is what both slots leave, minus the errors of its length and their distance. */
export function endChains({ cabinet, repeats }: ChainContext): ToleranceChain[] {
  const chains = new Map<string, ToleranceChain>();
  for (const panel of cabinet.panels) {
    const held = connectionsOf(cabinet, 'asGuest', panel.id).filter(({ joint, face }) => joint.depth > 0 && isFace(face));
    for (const [one, other] of [
      ['start', 'end'],
      ['near', 'far'],
    ] as const) {
      const [a, b] = [held.find(({ edge }) => edge === one), held.find(({ edge }) => edge === other)];
      if (!a || !b) continue;
      const chain = endChain(cabinet, panel, a, b, repeats);
      const key = `${chain.guest.key} ${chain.host.key} ${chain.freeMm} ${a.joint.kind} ${one}`;
      const known = chains.get(key);
      chains.set(key, known ? { ...known, count: known.count + 1 } : chain);
    }
  }
  return [...chains.values()];
}

function endChain(cabinet: ResolvedCabinet, panel: ResolvedPanel, a: Connection, b: Connection, repeats: RepeatabilityOf): ToleranceChain {
  const freeMm = toMm((a.joint.endPlay + b.joint.endPlay) as Length);
  const host = cabinet.byId.get(a.host)!;
  return {
    id: `ends ${panel.id} ${a.edge}`,
    kind: 'ends',
    guest: panel.name,
    host: host.name,
    other: cabinet.byId.get(b.host)!.name,
    panels: [panel.id, a.host, b.host],
    count: 1,
    freeMm,
    maxMm: freeMm + MAX_FREE.ends,
    variations: [
      { source: `length ${panel.id} ${a.edge}`, cause: 'length', sd: repeats.length, times: -1 },
      // The distance of the two hosts is set by another part, cut separately.
      { source: `apart ${a.host} ${b.host}`, cause: 'length', sd: repeats.length, times: 1 },
      { source: `depth ${a.id}`, cause: 'depth', sd: repeats.depth, times: 1 },
      { source: `depth ${b.id}`, cause: 'depth', sd: repeats.depth, times: 1 },
    ],
  };
}
