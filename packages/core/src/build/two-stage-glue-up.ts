/**
 * A glue-up in two stages: all joints but those of one end panel first, with that end dry to hold the box square; then the end comes off and is glued
 * alone. Half the joints are open at a time, and nothing has to be held in the air.
 */
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import type { GlueUp } from './assemblies.ts';
import { blocking } from './blocking.ts';

const known = new WeakMap<GlueUp, readonly [GlueUp, GlueUp] | null>();

/** Null where it cannot be split: interlocking joints, or loose pieces without the end. */
export function inTwoStages(cabinet: ResolvedCabinet, glueUp: GlueUp): readonly [GlueUp, GlueUp] | null {
  const before = known.get(glueUp);
  if (before !== undefined) return before;
  const found = parted(cabinet, glueUp);
  known.set(glueUp, found);
  return found;
}

function parted(cabinet: ResolvedCabinet, glueUp: GlueUp): readonly [GlueUp, GlueUp] | null {
  const { id, groups, connections, along, after } = glueUp;
  if (!along || groups.length < 3) return null;
  const touches = (group: readonly string[]) => connections.filter(({ guest, host }) => group.includes(guest) || group.includes(host));
  const comesOff = (group: readonly string[]): boolean => {
    const others = groups.filter((each) => each !== group).flat();
    const ways = group.flatMap((a) => others.map((b) => blocking(cabinet.byId.get(a)!, cabinet.byId.get(b)!, along)));
    return ways.every(({ forth }) => !forth) || ways.every(({ back }) => !back);
  };
  const ends = groups.flatMap((end) => {
    const rest = groups.filter((each) => each !== end);
    const own = touches(end);
    const first = connections.filter((each) => !own.includes(each));
    // An end closes several joints; a single joint gains nothing.
    return own.length > 1 && isOne(rest, first) && comesOff(end) ? [{ end, rest, own, first, most: Math.max(own.length, first.length) }] : [];
  });
  // The last of the most even splits: the far side, read from left to right.
  const best = ends.reduce<(typeof ends)[number] | null>((least, each) => (least === null || each.most <= least.most ? each : least), null);
  if (!best) return null;
  const name = `${id}/first`;
  return [
    { id: name, groups: best.rest, connections: best.first, along, after, go: 'first', dry: { panels: best.end, joints: best.own.length } },
    { id, groups: [best.rest.flat(), best.end], connections: best.own, along, after: [name], go: 'second', dry: null },
  ];
}

/** Whether connections join all groups into one. */
function isOne(groups: readonly (readonly string[])[], connections: GlueUp['connections']): boolean {
  const at = new Map(groups.flatMap((group, index) => group.map((id) => [id, index] as const)));
  const reached = new Set([0]);
  for (let grown = true; grown;) {
    grown = false;
    for (const { guest, host } of connections) {
      const [a, b] = [at.get(guest), at.get(host)];
      if (a === undefined || b === undefined || reached.has(a) === reached.has(b)) continue;
      reached.add(a).add(b);
      grown = true;
    }
  }
  return connections.length > 0 && reached.size === groups.length;
}
