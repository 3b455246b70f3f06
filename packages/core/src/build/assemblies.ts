/**
 * How a cabinet goes together: disassembly in reverse. Panels that stay together are split along a direction into groups that do not block one another;
 * what is split last is glued first. Works on bodies and connections alone: no family describes its own assembly.
 */
import { isFace, type Connection } from '../solid/connection.ts';
import { edgeFace, outwardOf, type Panel } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { OUT, dot, plusVector, scale, type Vector } from '../solid/vector.ts';
import { blocking, assemblyDirections } from './blocking.ts';

/** Panels joined at once along one direction. A joint of a single panel is null: it comes as it is. */
export interface GlueUp {
  /** Id of the cabinet and the panel that defines the step: stable while that panel exists. */
  readonly id: string;
  /** What is joined: groups of panels, each a single panel or an earlier assembly. */
  readonly groups: readonly (readonly string[])[];
  readonly connections: readonly Connection[];
  /** Unit vector along which they are pressed together; null where they interlock and go together all at once. */
  readonly along: Vector | null;
  /** Glue-ups of its groups. */
  readonly after: readonly string[];
  /** Stage of a two-stage glue-up (two-stage-glue-up.ts); null where all is closed at once. */
  readonly go: 'first' | 'second' | null;
  /** Put on dry to hold the rest square, and glued in the second stage. */
  readonly dry: { readonly panels: readonly string[]; readonly joints: number } | null;
}

/** Panels that stay together, and the glue-ups that join them, in a feasible order. */
export interface Assembly {
  readonly id: string;
  readonly kind: 'carcass' | 'door' | 'drawer' | 'loose';
  readonly panels: readonly string[];
  readonly glueUps: readonly GlueUp[];
}

/** Moving or loose joints: what they join is assembled separately. */
const MOVES: readonly Connection['joint']['kind'][] = ['hinge', 'slide', 'pins', 'flush'];

/** Made and fitted with the hanging rather than glued up. */
const OF_THE_HANGING: readonly Panel['role'][] = ['wall-half', 'cabinet-half', 'spacer'];

const isOfHanging = ({ role, onWall }: Panel): boolean => onWall || OF_THE_HANGING.includes(role);

/** Whether a connection holds its panels together from the glue-up on. An applied drawer front is fitted once the drawer runs. */
export const staysJoined = ({ byId }: Pick<ResolvedCabinet, 'byId'>, { guest, host, joint }: Connection): boolean => {
  const [a, b] = [byId.get(guest)!, byId.get(host)!];
  const lies = joint.kind === 'laid' && ((!joint.glue && !joint.fastening) || (a.role === 'front' && b.role === 'front'));
  return !lies && !MOVES.includes(joint.kind) && !a.comesOut && !b.comesOut && !isOfHanging(a) && !isOfHanging(b);
};

const known = new WeakMap<ResolvedCabinet, readonly Assembly[]>();

/** All assemblies of a cabinet, the carcass first. Memoized: a resolved cabinet never changes. */
export function assembliesOf(cabinet: ResolvedCabinet): readonly Assembly[] {
  const before = known.get(cabinet);
  if (before) return before;
  const joined = cabinet.connections.filter((connection) => staysJoined(cabinet, connection));
  const groups = connected(
    cabinet.panels.filter((panel) => !isOfHanging(panel)).map(({ id }) => id),
    joined,
  ).filter((group) => group.length > 1);
  const made = groups.map((group): Assembly => {
    const inside = new Set(group);
    const own = joined.filter(({ guest, host }) => inside.has(guest) && inside.has(host));
    return { id: group[0]!, kind: kindOf(cabinet, inside), panels: group, glueUps: glueUpsOf(cabinet, group, own) };
  });
  const sorted = [...made].sort((a, b) => KINDS.indexOf(a.kind) - KINDS.indexOf(b.kind));
  known.set(cabinet, sorted);
  return sorted;
}

const KINDS: readonly Assembly['kind'][] = ['carcass', 'drawer', 'door', 'loose'];

/** Sides or a back make a carcass; panels on hinges a door or leaf; panels on slides a drawer. */
function kindOf({ connections, byId }: ResolvedCabinet, inside: ReadonlySet<string>): Assembly['kind'] {
  const moves = (kind: Connection['joint']['kind']): boolean =>
    connections.some(({ guest, host, joint }) => joint.kind === kind && inside.has(guest) && !inside.has(host));
  if (moves('hinge')) return 'door';
  if (moves('slide')) return 'drawer';
  // Holders, trays and leaves stand alone in a space.
  return [...inside].every((id) => byId.get(id)!.role === 'holder') ? 'loose' : 'carcass';
}

/** Connected components, in the given order. */
function connected(ids: readonly string[], connections: readonly Connection[]): string[][] {
  const next = new Map<string, string[]>(ids.map((id) => [id, []]));
  for (const { guest, host } of connections) {
    next.get(guest)?.push(host);
    next.get(host)?.push(guest);
  }
  const seen = new Set<string>();
  return ids.flatMap((start) => {
    if (seen.has(start)) return [];
    const group = new Set<string>();
    const open = [start];
    for (let at = open.pop(); at !== undefined; at = open.pop()) {
      if (group.has(at) || !next.has(at)) continue;
      group.add(at);
      open.push(...next.get(at)!);
    }
    for (const id of group) seen.add(id);
    return [ids.filter((id) => group.has(id))];
  });
}

/** Which panels block each other along one direction, as rows both ways. */
type BlockedPairs = ReadonlyMap<string, ReadonlySet<string>>;

function glueUpsOf(cabinet: ResolvedCabinet, group: readonly string[], connections: readonly Connection[]): GlueUp[] {
  const panels = group.map((id) => cabinet.byId.get(id)!);
  const ways = assemblyDirections(panels);
  const inTheWay = ways.map((way) => stoppedAlong(cabinet, panels, connections, way));
  const made: GlueUp[] = [];

  /** Appends the glue-ups that join `ids`; returns the id of the last, or null for a single panel. */
  const glue = (ids: readonly string[]): string | null => {
    if (ids.length < 2) return null;
    const split = bestSplit(ids, connections, ways, inTheWay, (id) => cabinet.byId.get(id)!.role);
    const groups = split ? boxesFirst(split.groups, connections, inTheWay[ways.indexOf(split.along)]!) : ids.map((id) => [id]);
    const crossing = (rows: readonly (readonly string[])[]): Connection[] => {
      const at = new Map(rows.flatMap((row, index) => row.map((id) => [id, index] as const)));
      return connections.filter(({ guest, host }) => at.has(guest) && at.has(host) && at.get(guest) !== at.get(host));
    };
    const along = split?.along ?? null;
    const core = [...groups].sort((a, b) => b.length - a.length)[0]!;
    const skins = groups.filter((row) => row !== core);
    // A back, face frame or edging: laid on a finished assembly, one after the other.
    if (along && core.length > 1 && Math.abs(dot(along, OUT)) > 0.7 && skins.length > 1 && crossing(skins).length === 0) {
      let whole = core;
      let last = glue(core);
      for (const skin of skins) {
        const after = [last, glue(skin)].filter((id): id is string => id !== null);
        last = add([whole, skin], crossing([whole, skin]), along, after);
        whole = [...whole, ...skin];
      }
      return last;
    }
    const after = groups.map(glue).filter((id): id is string => id !== null);
    return add(groups, crossing(groups), along, after);
  };
  const used = new Set<string>();
  const add = (groups: readonly (readonly string[])[], own: readonly Connection[], along: Vector | null, after: readonly string[]): string => {
    // Named after the smallest thing joined here, so that adding a shelf leaves the other names unchanged.
    const id = nameOf(cabinet, groups, used);
    used.add(id);
    made.push({ id, groups, connections: own, along, after, go: null, dry: null });
    return id;
  };
  glue(group);
  return made;
}

/** Named after a single panel that joins the others: a back for what puts the back on, else the first. */
function nameOf({ id, byId }: ResolvedCabinet, groups: readonly (readonly string[])[], used: ReadonlySet<string>): string {
  const alone = groups.filter((row) => row.length === 1).map(([only]) => only!);
  const names = [...alone.filter((panel) => byId.get(panel)!.role === 'side'), ...alone, ...groups.flat()].map(
    (panel) => `${id}/glue/${panel.slice(id.length + 1)}`,
  );
  return names.find((name) => !used.has(name)) ?? `${names[0]!}/${used.size}`;
}

/** Panels that close a box from behind, or lie on its front. */
const SKINS: readonly Panel['role'][] = ['back', 'frame', 'edging'];

interface Split {
  readonly groups: readonly (readonly string[])[];
  readonly along: Vector;
}

/**
 * The direction with the fewest groups: the last step is simple, the inside is complete. Ties: from behind or in front, because a back squares the rest;
 * then the fewest joints.
 */
function bestSplit(
  ids: readonly string[],
  connections: readonly Connection[],
  ways: readonly Vector[],
  inTheWay: readonly BlockedPairs[],
  roleOf: (id: string) => Panel['role'],
): Split | null {
  let best: (Split & { readonly rank: readonly number[] }) | null = null;
  ways.forEach((along, index) => {
    const groups = lockedTogether(ids, inTheWay[index]!);
    if (groups.length < 2) return;
    const at = new Map(groups.flatMap((row, n) => row.map((id) => [id, n] as const)));
    const joints = connections.filter(({ guest, host }) => at.has(guest) && at.has(host) && at.get(guest) !== at.get(host)).length;
    const core = [...groups].sort((a, b) => b.length - a.length)[0]!;
    const closes = Math.abs(dot(along, OUT)) > 0.7 && groups.every((row) => row === core || row.every((id) => SKINS.includes(roleOf(id))));
    const rank = [groups.length, closes ? 0 : 1, joints];
    if (!best || isBefore(rank, best.rank)) best = { groups, along, rank };
  });
  return best;
}

/** Groups that enclose a space become one before parts that only bridge them: boxes of a run before the shelf between them. */
function boxesFirst(groups: readonly (readonly string[])[], connections: readonly Connection[], inTheWay: BlockedPairs): readonly (readonly string[])[] {
  const at = new Map(groups.flatMap((row, n) => row.map((id) => [id, n] as const)));
  const links = groups.map(() => new Set<number>());
  for (const { guest, host } of connections) {
    const [a, b] = [at.get(guest), at.get(host)];
    if (a === undefined || b === undefined || a === b) continue;
    links[a]!.add(b);
    links[b]!.add(a);
  }
  const rings = ringsOf(links).filter((ring) => ring.length > 2);
  if (rings.length === 0 || (rings.length === 1 && rings[0]!.length === groups.length)) return groups;
  const taken = new Set<number>();
  const boxes = rings.map((ring) => ring.filter((n) => !taken.has(n) && taken.add(n)));
  const joined = [
    ...boxes.filter((box) => box.length > 1),
    ...groups.map((_, n) => [n]).filter(([n]) => !boxes.some((box) => box.length > 1 && box.includes(n!))),
  ];
  const rows = joined.map((box) => box.flatMap((n) => groups[n]!));
  // Boxes inside one another are assembled together.
  return isFree(rows, inTheWay) ? rows : groups;
}

/** Whether rigid rows still come apart: none is locked to another. */
function isFree(rows: readonly (readonly string[])[], inTheWay: BlockedPairs): boolean {
  const at = new Map(rows.flatMap((row, n) => row.map((id) => [id, n] as const)));
  const stops = new Map(
    rows.map((row, n) => [String(n), new Set(row.flatMap((id) => [...inTheWay.get(id)!].flatMap((other) => (at.has(other) ? [String(at.get(other)!)] : []))))]),
  );
  return lockedTogether([...stops.keys()], stops).length === rows.length;
}

/** Biconnected components of a graph, by node numbers. Source: Hopcroft and Tarjan 1973. */
function ringsOf(links: readonly ReadonlySet<number>[]): number[][] {
  const depth = new Map<number, number>();
  const low = new Map<number, number>();
  const edges: (readonly [number, number])[] = [];
  const rings: number[][] = [];
  const visit = (node: number, from: number | null): void => {
    depth.set(node, depth.size);
    low.set(node, depth.get(node)!);
    for (const next of links[node]!) {
      if (next === from) continue;
      if (depth.has(next)) {
        if (depth.get(next)! < depth.get(node)!) edges.push([node, next]);
        low.set(node, Math.min(low.get(node)!, depth.get(next)!));
        continue;
      }
      const edge = [node, next] as const;
      edges.push(edge);
      visit(next, node);
      low.set(node, Math.min(low.get(node)!, low.get(next)!));
      if (low.get(next)! < depth.get(node)!) continue;
      rings.push([...new Set(edges.splice(edges.indexOf(edge)).flat())].sort((a, b) => a - b));
    }
  };
  links.forEach((_, node) => {
    if (!depth.has(node)) visit(node, null);
  });
  return rings;
}

const isBefore = (a: readonly number[], b: readonly number[]): boolean => {
  const at = a.findIndex((value, index) => value !== b[index]);
  return at >= 0 && a[at]! < b[at]!;
};

/** Strongly connected components: panels that block one another. Source: Tarjan 1972. */
function lockedTogether(ids: readonly string[], inTheWay: BlockedPairs): string[][] {
  const among = new Set(ids);
  const index = new Map<string, number>();
  const low = new Map<string, number>();
  const stack: string[] = [];
  const groups: string[][] = [];
  const visit = (id: string): void => {
    index.set(id, index.size);
    low.set(id, index.get(id)!);
    stack.push(id);
    for (const next of inTheWay.get(id) ?? []) {
      if (!among.has(next)) continue;
      if (!index.has(next)) {
        visit(next);
        low.set(id, Math.min(low.get(id)!, low.get(next)!));
      } else if (stack.includes(next)) low.set(id, Math.min(low.get(id)!, index.get(next)!));
    }
    if (low.get(id) !== index.get(id)) return;
    const group = new Set(stack.splice(stack.indexOf(id)));
    groups.push(ids.filter((each) => group.has(each)));
  };
  for (const id of ids) if (!index.has(id)) visit(id);
  return groups.sort((a, b) => ids.indexOf(a[0]!) - ids.indexOf(b[0]!));
}

/** Along a direction: for every panel those it runs into, and those joined to it by a joint that does not open that way. */
function stoppedAlong(cabinet: ResolvedCabinet, panels: readonly ResolvedPanel[], connections: readonly Connection[], along: Vector): BlockedPairs {
  const rows = new Map(panels.map(({ id }) => [id, new Set<string>()]));
  panels.forEach((a, index) => {
    for (const b of panels.slice(index + 1)) {
      const { forth, back } = blocking(a, b, along);
      if (forth) rows.get(a.id)!.add(b.id);
      // A panel that cannot move back past another keeps that other from moving forward.
      if (back) rows.get(b.id)!.add(a.id);
    }
  });
  for (const connection of connections) {
    if (opens(cabinet, connection, along)) continue;
    rows.get(connection.guest)!.add(connection.host);
    rows.get(connection.host)!.add(connection.guest);
  }
  return rows;
}

/** A joint closes along directions within 20 degrees of its own. */
const CLOSES = Math.cos((20 * Math.PI) / 180);
/** A miter closes from either side of its corner. */
const CLOSES_MITRE = Math.cos((65 * Math.PI) / 180);

/** Whether pressing along a direction closes a joint: into its slot, onto its face, or into its rabbet from the open side. */
function opens({ byId }: ResolvedCabinet, connection: Connection, along: Vector): boolean {
  const [guest, host] = [byId.get(connection.guest)!, byId.get(connection.host)!];
  const near = (d: Vector, least = CLOSES): boolean => Math.abs(dot(d, along)) > least;
  if (isFace(connection.edge)) return near(guest.frame.w);
  const { out } = edgeFace(guest, connection.edge);
  if (connection.joint.kind === 'mitre' && !isFace(connection.face)) return near(out, CLOSES_MITRE) || near(edgeFace(host, connection.face).out, CLOSES_MITRE);
  if (connection.joint.kind === 'half-lap') return near(guest.frame.w) || near(guest.frame.v);
  const { u, v } = guest.frame;
  const outward = outwardOf(guest.outline, connection.edge);
  const inPlane = plusVector(scale(u, outward.u), scale(v, outward.v));
  if (near(out) || near(inPlane)) return true;
  const slot = host.slots.find(({ id }) => id === connection.id);
  if (slot?.kind !== 'rabbet') return false;
  // A rabbet has a second open side, across the strip: a back is laid in there. A top is pressed in with the sides.
  return guest.role === 'back' && near(OUT) && near(plusVector(scale(host.frame.u, slot.normal.u), scale(host.frame.v, slot.normal.v)));
}
