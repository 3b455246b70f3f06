/**
 * The shop: machines, cutters and jigs, and its fits. The properties of each kind of machine are listed once, in MACHINE_KINDS: reader, form and setups
 * share these rows.
 */
import { entered, type Entered } from '../length/entered.ts';
import { mm, type Length } from '../length/length.ts';
import type { Machine, MachineKind, Shop, Bit, DadoStack, Clamps } from '../model/shop.ts';

export type MeasureKey = Exclude<keyof Machine, 'id' | 'order' | 'kind' | 'name'>;

export interface KindOfMachine {
  readonly name: string;
  /** A property with its default: a length as typed, degrees, or the tilt direction. */
  readonly has: { readonly [M in MeasureKey]?: M extends 'tilts' ? 'left' | 'right' : M extends 'tiltDeg' | 'mitreDeg' ? number : string | null };
}

export const MACHINE_KINDS: Readonly<Record<MachineKind, KindOfMachine>> = {
  'table-saw': {
    name: 'table saw',
    has: { kerf: '3.2 mm', deep: '75 mm', rip: '760 mm', crosscut: '600 mm', tiltDeg: 45, tilts: 'left', mitreDeg: 60, stack: '20.6 mm' },
  },
  'guided-saw': { name: 'circular saw on a guide', has: { kerf: '2.2 mm', deep: '55 mm', guide: '1400 mm', tiltDeg: 45 } },
  'mitre-saw': { name: 'miter saw', has: { kerf: '2.6 mm', deep: '60 mm', crosscut: '300 mm', tiltDeg: 45, mitreDeg: 50 } },
  'radial-arm': { name: 'radial arm saw', has: { kerf: '3.2 mm', deep: '75 mm', crosscut: '600 mm', mitreDeg: 45, stack: '20.6 mm' } },
  'band-saw': { name: 'band saw', has: { kerf: '1 mm', deep: '150 mm', crosscut: '350 mm' } },
  router: { name: 'router', has: { base: '75 mm', deep: '50 mm' } },
  'router-table': { name: 'router table', has: { deep: '40 mm', rip: '200 mm' } },
  'drill-press': { name: 'drill press', has: { crosscut: '180 mm', deep: '80 mm' } },
  'hand-drill': { name: 'drill', has: {} },
};

/** Limits: lengths in millimeters, degrees. */
export const MEASURE_LIMITS: Readonly<Record<Exclude<MeasureKey, 'tilts'>, readonly [least: number, most: number]>> = {
  kerf: [0.2, 10],
  deep: [5, 300],
  rip: [50, 5000],
  crosscut: [30, 5000],
  guide: [200, 6000],
  tiltDeg: [0, 60],
  mitreDeg: [0, 70],
  stack: [5, 40],
  base: [20, 200],
};

export const machinesInOrder = ({ machines }: Pick<Shop, 'machines'>): Machine[] =>
  Object.values(machines).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** Machines of some kinds, in the shop's order. */
export const machinesOf = (shop: Pick<Shop, 'machines'>, ...kinds: readonly MachineKind[]): Machine[] =>
  machinesInOrder(shop).filter(({ kind }) => kinds.includes(kind));

/** Least edge length along a fence. [A] short-edge-on-fence */
export const MIN_ON_FENCE = 200_000_000;
/** Least length of a piece through a saw or over a router table; shorter ones are cut as part of a longer piece. [A] too-small-to-hold */
export const MIN_AT_SAW = 300_000_000;

const SAWS: readonly MachineKind[] = ['table-saw', 'guided-saw', 'mitre-saw', 'radial-arm'];

const widest = (lengths: readonly (Entered | undefined)[], none: Length): Length =>
  lengths.reduce<Length>((most, length) => (length && length.nm > most ? length.nm : most), none);

/** Kerf of a layout: the widest of the shop's saws. */
export const widestKerf = (shop: Pick<Shop, 'machines'>): Length =>
  widest(
    machinesOf(shop, ...SAWS).map(({ kerf }) => kerf),
    mm(0),
  );

/** Whether a saw on a guide can straighten a crooked edge. */
export const makesStraightEdge = (shop: Pick<Shop, 'machines'>): boolean => machinesOf(shop, 'guided-saw').length > 0;

/** Widest rip at a fence. */
export const ripCapacity = (shop: Pick<Shop, 'machines'>): Length =>
  widest(
    machinesOf(shop, 'table-saw').map(({ rip }) => rip),
    mm(0),
  );

/** Longest cut along a guide. */
export const guideReach = (shop: Pick<Shop, 'machines'>): Length =>
  widest(
    machinesOf(shop, 'guided-saw').map(({ guide }) => guide),
    mm(0),
  );

/** Longest crosscut, on a sled, under an arm or along a guide. */
export const longestCrosscut = (shop: Pick<Shop, 'machines'>): Length =>
  widest(
    machinesOf(shop, ...SAWS).map(({ crosscut, guide }) => guide ?? crosscut),
    mm(0),
  );

/** A saw with room for the dado stack; undefined without a stack, or without such an arbor. */
export function stackSaw(shop: Pick<Shop, 'machines' | 'stack'>, kind: 'table-saw' | 'radial-arm' = 'table-saw'): Machine | undefined {
  const { stack } = shop;
  return stack ? machinesOf(shop, kind).find((saw) => saw.stack && saw.stack.nm >= stack.outer.nm) : undefined;
}

/** A machine of a kind with its defaults. */
export function newMachine(kind: MachineKind, id: string, order: number): Machine {
  const { name, has } = MACHINE_KINDS[kind];
  const measures = Object.entries(has).map(([key, value]) => [key, isLength(key, value) ? entered(value) : value]);
  return { id, order, kind, name, ...(Object.fromEntries(measures) as Partial<Machine>) };
}

const isLength = (key: string, value: unknown): value is string => typeof value === 'string' && key !== 'tilts';

export const newBit = (id: string, order: number, kind: Bit['kind'], diameter: string): Bit => ({
  id,
  order,
  kind,
  diameter: entered(diameter),
  over: entered('0 mm'),
});

/** A common kit: from 6 mm to the width of most arbors, in steps that a paper shim can fill. */
const STACK: DadoStack = {
  outer: entered('6.4 mm'),
  chippers: ['3.2 mm', '3.2 mm', '3.2 mm', '3.2 mm', '1.6 mm'].map(entered),
  shims: ['0.1 mm', '0.1 mm', '0.2 mm', '0.3 mm', '0.5 mm', '0.8 mm'].map(entered),
  over: entered('0 mm'),
};

const FITS: Shop['fits'] = { tight: entered('0 mm'), push: entered('0.1 mm'), glue: entered('0.15 mm'), loose: entered('0.4 mm') };

/** [ASSUME] all, until the shop's own are entered. */
const REPEATS: Shop['repeats'] = {
  slot: entered('0.03 mm'),
  depth: entered('0.1 mm'),
  length: entered('0.15 mm'),
  place: entered('0.15 mm'),
  hinge: entered('0.3 mm'),
};

const STRAIGHT = ['3 mm', '6 mm', '8 mm', '10 mm', '12 mm', '16 mm', '19.05 mm'];
const DRILLS = ['2 mm', '2.5 mm', '3 mm', '3.5 mm', '4 mm', '4.5 mm', '5 mm', '6 mm', '6.35 mm', '8 mm', '10 mm'];
const FORSTNER = ['15 mm', '20 mm', '25 mm', '30 mm', '35 mm'];

const starterBits = (): Shop['bits'] => {
  const rows = [
    ...STRAIGHT.map((size) => ['straight', size] as const),
    ...DRILLS.map((size) => ['drill', size] as const),
    ...FORSTNER.map((size) => ['forstner', size] as const),
  ];
  return Object.fromEntries(rows.map(([kind, size], order) => [`${kind}-${order + 1}`, newBit(`${kind}-${order + 1}`, order, kind, size)]));
};

export const newClamps = (id: string, order: number, reach: string, count: number): Clamps => ({ id, order, reach: entered(reach), count });

const usualClamps = (): Shop['clamps'] =>
  Object.fromEntries(
    [newClamps('clamps-1', 0, '300 mm', 6), newClamps('clamps-2', 1, '800 mm', 8), newClamps('clamps-3', 2, '1250 mm', 4)].map((row) => [row.id, row]),
  );

const machines = (...kinds: readonly MachineKind[]): Shop['machines'] => Object.fromEntries(kinds.map((kind, order) => [kind, newMachine(kind, kind, order)]));

/** A home shop with a table saw. */
export const defaultShop = (): Shop => ({
  machines: machines('table-saw', 'guided-saw', 'mitre-saw', 'router', 'router-table', 'drill-press', 'hand-drill', 'band-saw'),
  stack: STACK,
  bits: starterBits(),
  jigs: { pins: true, pockets: true },
  clamps: usualClamps(),
  labels: { glues: {}, finishes: {} },
  fits: FITS,
  repeats: REPEATS,
  trim: entered('5 mm'),
  car: null,
  keep: { length: entered('400 mm'), width: entered('150 mm') },
  liftsKg: 20,
});

/** A circular saw, a router and a drill, without stationary machines. */
export const handHeldShop = (): Shop => ({ ...defaultShop(), machines: machines('guided-saw', 'router', 'hand-drill'), stack: null });

/** A table saw whose arbor takes no dado stack. */
export const noStackShop = (): Shop => {
  const usual = defaultShop();
  return { ...usual, machines: { ...usual.machines, 'table-saw': { ...usual.machines['table-saw']!, stack: null } }, stack: null };
};

/** Shops to start from, by name. */
export const STARTER_SHOPS: readonly { readonly id: string; readonly name: string; readonly make: () => Shop }[] = [
  { id: 'usual', name: 'a saw bench, router table and drill press', make: defaultShop },
  { id: 'no-stack', name: 'the same, its saw without room for a dado stack', make: noStackShop },
  { id: 'hand-held', name: 'a circular saw, a router and a drill', make: handHeldShop },
];
