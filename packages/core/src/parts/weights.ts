/** Masses and centers of mass: the cabinet, its contents, and both together. Source: docs/formulas/panel-mass.md, centre-of-gravity.md, contents-mass.md. */
import { ASSUMED } from '../assumed/assumed.ts';
import { arrange, type Arrangement, type ItemLot } from '../contents/arrange.ts';
import { isEstimated, massOf, massOfOne } from '../contents/item-mass.ts';
import { densestPreset, OUTWARD_SHARE, PRESETS } from '../contents/presets.ts';
import { toMm, type Length } from '../length/length.ts';
import { explainedLength, plus, type ExplainedLength } from '../explained/explained-length.ts';
import type { Compartment, ResolvedCabinet } from '../solid/cabinet.ts';
import type { Vector } from '../solid/vector.ts';
import { bulkOf } from '../solid/volume.ts';
import type { Material } from '../stock/materials.ts';
import { evaluate, formula, termOf, total, type ExplainedValue } from '../explained/explained-value.ts';
import type { Contents } from '../model/item.ts';

/** Screws, glue and small hardware, as a share of the wood. [ASSUME] */
export const HARDWARE_SHARE = ASSUMED.hardwareShare.value;

export const PANEL_MASS = formula({
  label: 'panel-mass',
  unit: 'kg',
  text: 'volume · ρ',
  source: 'docs/formulas/panel-mass.md',
  terms: { volume: 'm3', ρ: 'kg/m3' },
  compute: ({ volume, ρ }) => volume * ρ,
});

const HARDWARE = formula({
  label: 'hardware-mass',
  unit: 'kg',
  text: '0.05 · wood',
  source: '[ASSUME] docs/formulas/panel-mass.md',
  terms: { wood: 'kg' },
  compute: ({ wood }) => HARDWARE_SHARE * wood,
});

const PRESET_MASS = formula({
  label: 'contents-mass',
  unit: 'kg',
  text: 'min(q · A, ρ · A · height)',
  source: '[ASSUME] docs/formulas/contents-mass.md',
  terms: { q: 'kg/m2', A: 'm2', ρ: 'kg/m3', height: 'mm' },
  compute: ({ q, A, ρ, height }) => Math.min(q * A, (ρ * A * height) / 1000),
});

const TYPED_MASS = formula({
  label: 'contents-mass',
  unit: 'kg',
  text: 'entered',
  source: 'entered',
  terms: { entered: 'kg' },
  compute: ({ entered }) => entered,
});

const SCALED = formula({
  label: 'contents-scaled',
  unit: 'kg',
  text: 'contents · factor',
  source: '[eq]',
  terms: { contents: 'kg', factor: 'factor' },
  compute: ({ contents, factor }) => contents * factor,
});

const CENTRE = formula({
  label: 'centre-of-gravity',
  unit: 'mm',
  text: '(m₁ e₁ + m₂ e₂) / (m₁ + m₂)',
  source: '[eq] docs/formulas/centre-of-gravity.md',
  terms: { 'm₁': 'kg', 'e₁': 'mm', 'm₂': 'kg', 'e₂': 'mm' },
  compute: (terms) => (terms['m₁'] * terms['e₁'] + terms['m₂'] * terms['e₂']) / (terms['m₁'] + terms['m₂'] || 1),
});

/** A mass at a position in the cabinet frame, mm. */
export interface Load {
  readonly mass: ExplainedValue;
  readonly along: number;
  readonly up: number;
  readonly out: number;
  /** The explanation of `out`, where it decides whether the cabinet hangs. */
  readonly outFigure?: ExplainedValue;
}

/** A load on part of a floor, mm from the compartment's left end. */
export interface LoadStrip {
  readonly mass: ExplainedValue;
  readonly from: number;
  readonly to: number;
}

export interface CompartmentLoad extends Load {
  readonly compartment: Compartment;
  /** Items assigned to this floor. */
  readonly lots: readonly ItemLot[];
  /** Unweighed, by a preset. */
  readonly guessed: boolean;
  /** Load strips of the items assigned to this floor; null for an evenly spread load. */
  readonly arrangement: Arrangement | null;
  /** Load strips; empty for an evenly spread load. */
  readonly strips: readonly LoadStrip[];
}

/** The load on one panel as a floor: one space above it, or several side by side between dividers. */
export interface FloorLoad {
  readonly floor: string;
  /** Clear span between the panel's supports. */
  readonly span: ExplainedLength;
  /** Of a single space; null where several share the floor. */
  readonly alone: CompartmentLoad | null;
  /** From the span's left end; empty for one evenly spread load. */
  readonly strips: readonly LoadStrip[];
}

/** Loads by floor panel, in order of the panels. */
export function floorLoads(contents: readonly CompartmentLoad[]): FloorLoad[] {
  const floors = new Map<string, CompartmentLoad[]>();
  for (const load of contents) {
    const there = floors.get(load.compartment.floor);
    if (there) there.push(load);
    else floors.set(load.compartment.floor, [load]);
  }
  return [...floors].map(([floor, loads]) => {
    const [first] = loads as [CompartmentLoad, ...CompartmentLoad[]];
    if (loads.length === 1) return { floor, span: first.compartment.width, alone: first, strips: first.strips };
    const left = Math.min(...loads.map(({ compartment }) => compartment.at.along));
    const right = Math.max(...loads.map(({ compartment }) => compartment.at.along + compartment.width.value));
    const strips = loads.flatMap(({ compartment, mass, strips: own }) => {
      const shift = toMm((compartment.at.along - left) as Length);
      return own.length > 0
        ? own.map((strip) => ({ ...strip, from: strip.from + shift, to: strip.to + shift }))
        : [{ mass, from: shift, to: shift + toMm(compartment.width.value) }];
    });
    return { floor, span: explainedLength([plus('bays-together', (right - left) as Length)]), alone: null, strips };
  });
}

/** Items on each floor, by its element. */
export type LotsOn = ReadonlyMap<string, readonly ItemLot[]>;
const NO_LOTS: LotsOn = new Map();

export interface CabinetWeights {
  /** By panel id. */
  readonly panels: ReadonlyMap<string, ExplainedValue>;
  /** Hanging weight: all panels but those fixed to the wall or standing on the floor, and hardware. */
  readonly empty: Load;
  readonly contents: readonly CompartmentLoad[];
  readonly top: Load | null;
}

export type MaterialOf = (productId: string) => Material;

export function weightsOf(
  cabinet: ResolvedCabinet,
  contents: Readonly<Record<string, Contents>>,
  topLoaded: boolean,
  materialOf: MaterialOf,
  lotsOn: LotsOn = NO_LOTS,
): CabinetWeights {
  const panels = new Map<string, ExplainedValue>();
  const hung: { mass: ExplainedValue; centre: Vector }[] = [];
  for (const panel of cabinet.panels) {
    const { volumeMm3, centre } = bulkOf(panel);
    const material = materialOf(panel.stock);
    const mass = evaluate(
      PANEL_MASS,
      { volume: volumeMm3 / 1e9, ρ: { value: material.densityKgM3, source: { kind: 'table', name: material.name, tag: material.source } } },
      panel.name,
    );
    panels.set(panel.id, mass);
    if (!panel.onWall && !panel.stands) hung.push({ mass, centre });
  }
  return {
    panels,
    empty: emptyLoad(hung),
    contents: cabinet.compartments.map((space) => {
      return spaceLoad(cabinet, space, contents[space.keptBy], lotsOn.get(space.keptBy) ?? []);
    }),
    top: topLoaded ? topLoad(cabinet) : null,
  };
}

function emptyLoad(hung: readonly { mass: ExplainedValue; centre: Vector }[]): Load {
  const wood = total(
    'wood-mass',
    'kg',
    hung.map(({ mass }) => termOf(mass)),
    'docs/formulas/panel-mass.md',
  );
  const hardware = evaluate(HARDWARE, { wood: wood.value });
  const mean = (axis: 'along' | 'up' | 'out'): number => hung.reduce((sum, { mass, centre }) => sum + mass.value * centre[axis], 0) / wood.value / 1e6;
  return {
    mass: total('empty-mass', 'kg', [termOf(wood), termOf(hardware)], 'docs/formulas/panel-mass.md'),
    along: mean('along'),
    up: mean('up'),
    out: mean('out'),
  };
}

/**
 * The heaviest of the entered mass, the placed items, and the spec's own contents: an entered load is never lowered by placing an item. A preset counts
 * only where nothing else is known.
 */
function spaceLoad(cabinet: ResolvedCabinet, space: Compartment, held: Contents | undefined, lots: readonly ItemLot[]): CompartmentLoad {
  const placed = lots.length > 0 ? thingsLoad(space, lots) : null;
  const own = space.ownKg ? ownLoad(space, space.ownKg) : null;
  const isEntered = held !== undefined && held.kg !== null;
  const entered = isEntered || (!placed && !own) ? compartmentLoad(cabinet, space, held) : null;
  const heaviest = [placed, own, entered].flatMap((load) => load ?? []).reduce((most, load) => (load.mass.value > most.mass.value ? load : most));
  return placed && heaviest !== placed ? filledUp(placed, heaviest) : heaviest;
}

/** Items where they stand, and over the whole floor the rest of the entered mass. */
function filledUp(placed: CompartmentLoad, entered: CompartmentLoad): CompartmentLoad {
  const missing = entered.mass.value - placed.mass.value;
  const mean = (axis: 'along' | 'up' | 'out'): number => (placed.mass.value * placed[axis] + missing * entered[axis]) / entered.mass.value;
  const rest = evaluate(TYPED_MASS, { entered: missing }, entered.compartment.name);
  return {
    ...placed,
    mass: entered.mass,
    along: mean('along'),
    up: mean('up'),
    out: mean('out'),
    strips: [...placed.strips, { mass: rest, from: 0, to: toMm(entered.compartment.width.value) }],
  };
}

/** A tool stands in the middle of its bay. */
function ownLoad(compartment: Compartment, { value, source }: NonNullable<Compartment['ownKg']>): CompartmentLoad {
  const { width, height, depth, at } = compartment;
  return {
    compartment,
    mass: evaluate(TYPED_MASS, { entered: { value, source } }, compartment.name),
    along: toMm(at.along) + toMm(width.value) / 2,
    up: toMm(at.up) + Math.max(0, toMm(height.value)) / 2,
    out: toMm(at.out) + toMm(depth.value) / 2,
    lots: [],
    guessed: false,
    arrangement: null,
    strips: [],
  };
}

function compartmentLoad(cabinet: ResolvedCabinet, compartment: Compartment, held: Contents | undefined): CompartmentLoad {
  const { width, depth, height, at } = compartment;
  const area = (Math.max(0, toMm(width.value)) * Math.max(0, toMm(depth.value))) / 1e6;
  const clear = Math.max(0, toMm(height.value));
  const preset = PRESETS[held?.preset ?? 'nothing'];
  const mass =
    held && held.kg !== null
      ? evaluate(
          TYPED_MASS,
          { entered: { value: held.kg, source: { kind: 'entered', path: ['units', cabinet.id, 'contents', compartment.keptBy, 'kg'] } } },
          compartment.name,
        )
      : evaluate(
          PRESET_MASS,
          { q: { value: preset.kgPerM2, source: { kind: 'table', name: preset.name, tag: '[ASSUME]' } }, A: area, ρ: densestPreset(preset.id), height: clear },
          compartment.name,
        );
  const rear = toMm(at.out);
  return {
    compartment,
    mass,
    along: toMm(at.along) + toMm(width.value) / 2,
    up: toMm(at.up) + clear / 2,
    out: rear + toMm(depth.value) * (0.5 + OUTWARD_SHARE),
    lots: [],
    guessed: !held || held.kg === null,
    arrangement: null,
    strips: [],
  };
}

/** Items assigned to a floor, each at its place. Items without room still count, spread over the floor. */
function thingsLoad(compartment: Compartment, lots: readonly ItemLot[]): CompartmentLoad {
  const { width, depth, height, at } = compartment;
  const clear = { width: width.value, depth: depth.value, height: height.value };
  const arrangement = arrange(lots, clear);
  const mass = total(
    'contents-mass',
    'kg',
    lots.map(({ item, count }) => termOf(massOf(item, count))),
    'docs/formulas/item-mass.md',
  );
  const strips = stripsOf(arrangement, toMm(width.value));
  const spots = arrangement.spots.map((spot) => ({
    kg: massOfOne(spot.item).value,
    along: toMm(spot.along) + toMm(spot.foot.along) / 2,
    up: toMm(spot.up) + toMm(spot.foot.up) / 2,
    out: toMm(spot.out) + toMm(spot.foot.out) / 2,
  }));
  const left = arrangement.left.map(({ item, count }) => ({
    kg: massOfOne(item).value * count,
    along: toMm(width.value) / 2,
    up: toMm(height.value) / 2,
    out: toMm(depth.value) * (0.5 + OUTWARD_SHARE),
  }));
  const all = [...spots, ...left];
  const kg = all.reduce((sum, each) => sum + each.kg, 0) || 1;
  const mean = (axis: 'along' | 'up' | 'out'): number => all.reduce((sum, each) => sum + each.kg * each[axis], 0) / kg;
  return {
    compartment,
    mass: { ...mass, label: compartment.name },
    along: toMm(at.along) + mean('along'),
    up: toMm(at.up) + mean('up'),
    out: toMm(at.out) + mean('out'),
    lots,
    guessed: false,
    arrangement,
    strips,
  };
}

/** One strip for all items over the same stretch of floor, behind or on one another. */
function stripsOf({ spots, left }: Arrangement, widthMm: number): LoadStrip[] {
  const piles = new Map<string, { item: ItemLot['item']; count: number; from: number; to: number }>();
  for (const { item, along, foot } of spots) {
    const key = `${item.id} ${along}`;
    const pile = piles.get(key);
    if (pile) pile.count++;
    else piles.set(key, { item, count: 1, from: toMm(along), to: toMm(along) + toMm(foot.along) });
  }
  return [
    ...[...piles.values()].map(({ item, count, from, to }) => ({ mass: massOf(item, count), from: Math.max(0, from), to: Math.min(widthMm, to) })),
    ...left.map(({ item, count }) => ({ mass: massOf(item, count), from: 0, to: widthMm })),
  ];
}

/** Items on top of the cabinet: 40 kg/m². [ASSUME] */
function topLoad(cabinet: ResolvedCabinet): Load {
  const { width, height, depth } = cabinet.outside;
  const area = (toMm(width.value) * toMm(depth.value)) / 1e6;
  const mass = evaluate(
    PRESET_MASS,
    {
      q: { value: PRESETS.light.kgPerM2, source: { kind: 'table', name: PRESETS.light.name, tag: '[ASSUME]' } },
      A: area,
      ρ: densestPreset('light'),
      height: 1000,
    },
    { key: 'on-top' },
  );
  return { mass, along: toMm(width.value) / 2, up: toMm(height.value), out: toMm(depth.value) / 2 };
}

/** A share of a load. */
export const shareOfLoad = <L extends Load>(load: L, share: number): L => ({
  ...load,
  mass: evaluate(SCALED, { contents: load.mass, factor: share }, load.mass.label),
});

/** Empty cabinet and contents together, with the contents multiplied by `factor`. */
export function loadedCabinet({ empty, contents, top }: CabinetWeights, factor = 1): Load {
  const hung = contents.filter(({ compartment }) => !compartment.stands);
  const loads = top ? [...hung, top] : hung;
  const held = total(
    'contents',
    'kg',
    loads.map(({ mass }) => termOf(mass)),
    'docs/formulas/contents-mass.md',
  );
  const carried = factor === 1 ? held : evaluate(SCALED, { contents: held, factor });
  const centre = (axis: 'along' | 'up' | 'out'): number =>
    held.value === 0 ? empty[axis] : loads.reduce((sum, load) => sum + load.mass.value * load[axis], 0) / held.value;
  const mean = (axis: 'along' | 'up' | 'out'): ExplainedValue =>
    evaluate(CENTRE, { 'm₁': empty.mass.value, 'e₁': empty[axis], 'm₂': carried.value, 'e₂': centre(axis) });
  const out = mean('out');
  return {
    mass: total('loaded-mass', 'kg', [termOf(empty.mass), termOf(carried)], 'docs/formulas/panel-mass.md'),
    along: mean('along').value,
    up: mean('up').value,
    out: out.value,
    outFigure: out,
  };
}

/** Unweighed hanging contents, kg: presets, and items estimated from their volume. */
export const guessedMass = ({ contents, top }: Pick<CabinetWeights, 'contents' | 'top'>): number =>
  contents.reduce(
    (sum, { mass, compartment, lots, guessed }) =>
      compartment.stands
        ? sum
        : sum +
          (lots.length > 0 ? lots.reduce((of, { item, count }) => (isEstimated(item) ? of + massOf(item, count).value : of), 0) : guessed ? mass.value : 0),
    top?.mass.value ?? 0,
  );

/** Hanging contents, kg. */
export const contentsMass = ({ contents, top }: CabinetWeights): number =>
  contents.reduce((sum, { mass, compartment }) => (compartment.stands ? sum : sum + mass.value), top?.mass.value ?? 0);
