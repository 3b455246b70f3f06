/**
 * The cabinet with everything open: how far doors at right angles and the fullest drawer at full extension move its center of gravity. Source:
 * docs/formulas/opened.md.
 */
import { ASSUMED } from '../assumed/assumed.ts';
import { toMm } from '../length/length.ts';
import { isFace } from '../solid/connection.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { Pressed, ResolvedCabinet } from '../solid/cabinet.ts';
import { place } from '../solid/panel.ts';
import { cross, dot, minusVector, plusVector, scale, vector, type Vector } from '../solid/vector.ts';
import { bulkOf } from '../solid/volume.ts';
import { evaluate, formula, termOf, total, type ExplainedValue } from '../explained/explained-value.ts';
import type { Label } from '../explained/explained-length.ts';
import type { Load, CabinetWeights } from './weights.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';

/** A moving part: its own mass and path, and the floor whose contents move with it. */
export interface MovingPart {
  readonly name: Label;
  readonly panels: readonly string[];
  readonly ownKg: number;
  /** The floor that moves with it; null for a door. */
  readonly floor: string | null;
  /** mm, of its center of gravity. */
  readonly shift: Vector;
}

const MOVED = formula({
  label: 'moved-out',
  unit: 'kg mm',
  text: 'm · moved',
  source: '[eq] docs/formulas/opened.md',
  terms: { m: 'kg', moved: 'mm' },
  compute: ({ m, moved }) => m * moved,
});
const OPENED_CENTRE = formula({
  label: 'opened-centre',
  unit: 'mm',
  text: 'e + moved / m',
  source: '[eq] docs/formulas/opened.md',
  terms: { e: 'mm', moved: 'kg mm', m: 'kg' },
  compute: ({ e, moved, m }) => e + moved / (m || 1),
});
const PRESSED_CENTRE = formula({
  label: 'pressed-centre',
  unit: 'mm',
  text: '(m e + Q at) / (m + Q)',
  source: '[eq] docs/formulas/leaf-load.md',
  terms: { m: 'kg', e: 'mm', Q: 'kg', at: 'mm' },
  compute: ({ m, e, Q, at }) => (m * e + Q * at) / (m + Q || 1),
});

/** Moving parts of a cabinet. Drawers count one by one; only the fullest is ever out. */
export function openingsOf(cabinet: ResolvedCabinet, weights: CabinetWeights): MovingPart[] {
  const openings: MovingPart[] = [];
  const massOf = (panels: readonly string[]): number => panels.reduce((sum, id) => sum + weights.panels.get(id)!.value, 0);
  const seen = new Set<string>();
  for (const { guest, edge, host, joint } of cabinet.connections) {
    const panel = cabinet.byId.get(guest)!;
    // Parts that stand on the floor do not tip the cabinet.
    if (seen.has(guest) || panel.stands) continue;
    if (joint.kind === 'hinge' && panel.role === 'door' && !isFace(edge)) {
      const panels = heldTogether(cabinet, guest);
      panels.forEach((id) => seen.add(id));
      const shift = swungOpen(cabinet, panel, edge, panels);
      openings.push({ name: panel.name, panels, ownKg: massOf(panels), floor: null, shift });
    }
    if (joint.kind === 'slide' && cabinet.byId.get(host)!.role === 'side') {
      const panels = heldTogether(cabinet, guest);
      panels.forEach((id) => seen.add(id));
      const floor = cabinet.compartments.find((space) => panels.includes(space.floor));
      openings.push({
        name: floor?.name ?? panel.name,
        panels,
        ownKg: massOf(panels),
        floor: floor?.floor ?? null,
        shift: vector(0, 0, toMm(panel.length.value)),
      });
    }
  }
  return openings;
}

/** All panels that move with one: everything joined to it other than by a hinge or slide. */
function heldTogether({ connections }: ResolvedCabinet, first: string): string[] {
  const held = new Set([first]);
  for (let grown = true; grown;) {
    grown = false;
    for (const { guest, host, joint } of connections) {
      if (joint.kind === 'hinge' || joint.kind === 'slide' || held.has(guest) === held.has(host)) continue;
      held.add(guest).add(host);
      grown = true;
    }
  }
  return [...held];
}

/** Center of a leaf after a right angle about its hinged edge, outward. */
function swungOpen(cabinet: ResolvedCabinet, hinged: ResolvedPanel, edge: string, panels: readonly string[]): Vector {
  const at = hinged.outline.findIndex(({ id }) => id === edge);
  const [from, to] = [at, (at + 1) % hinged.outline.length].map((each) => place(hinged.frame, hinged.outline[each]!.from)) as [Vector, Vector];
  const long = minusVector(to, from);
  const length = Math.hypot(long.along, long.up, long.out);
  const bulks = panels.map((id) => bulkOf(cabinet.byId.get(id)!));
  const volume = bulks.reduce((sum, { volumeMm3 }) => sum + volumeMm3, 0);
  if (length === 0 || volume === 0) return vector(0, 0, 0);
  const axis = scale(long, 1 / length);
  const centre = bulks.reduce((sum, bulk) => plusVector(sum, scale(bulk.centre, bulk.volumeMm3 / volume)), vector(0, 0, 0));
  const arm = minusVector(centre, from);
  const across = minusVector(arm, scale(axis, dot(arm, axis)));
  // The right angle that leads away from the wall.
  const turned = cross(axis, across);
  const open = turned.out >= 0 ? turned : scale(turned, -1);
  return scale(minusVector(open, across), 1 / 1e6);
}

/** Kilograms removed before lifting a cabinet: doors, drawers, shelves on pins. */
export function looseKg(cabinet: ResolvedCabinet, weights: CabinetWeights): number {
  const off = new Set(openingsOf(cabinet, weights).flatMap(({ panels }) => panels));
  for (const { guest, joint } of cabinet.connections) if (joint.kind === 'pins') off.add(guest);
  return [...off].reduce((sum, id) => sum + weights.panels.get(id)!.value, 0);
}

/**
 * A load with all doors open and the fullest drawer out. Sideways, only the part that alone moves it furthest from `middleMm` counts: doors of a pair would
 * balance each other. Contents times `factor`.
 */
export function opened(load: Load, openings: readonly MovingPart[], weights: CabinetWeights, middleMm: number, factor: number): Load {
  if (openings.length === 0) return load;
  const contentsOn = (floor: string): number =>
    factor * weights.contents.filter(({ compartment }) => compartment.floor === floor).reduce((sum, { mass }) => sum + mass.value, 0);
  const rows = openings.map((opening) => ({ ...opening, kg: opening.ownKg + (opening.floor === null ? 0 : contentsOn(opening.floor)) }));
  const drawers = rows.filter(({ floor }) => floor !== null);
  const fullest = drawers.reduce<(typeof rows)[number] | undefined>(
    (most, row) => (most && most.kg * most.shift.out >= row.kg * row.shift.out ? most : row),
    undefined,
  );
  const open = [...rows.filter(({ floor }) => floor === null), ...(fullest ? [fullest] : [])];
  const moved = total(
    'moved-out',
    'kg mm',
    open.map(({ name, kg, shift }) => termOf(evaluate(MOVED, { m: kg, moved: shift.out }, name))),
    'docs/formulas/opened.md',
  );
  const out = evaluate(OPENED_CENTRE, { e: load.outFigure ?? load.out, moved, m: load.mass });
  const aside = open.map(({ kg, shift }) => load.along + (kg * shift.along) / (load.mass.value || 1));
  const along = [load.along, ...aside].reduce((far, at) => (Math.abs(at - middleMm) > Math.abs(far - middleMm) ? at : far));
  return { ...load, along, out: out.value, outFigure: out };
}

/** Least working load: someone leaning on the edge, kg. */
const MIN_PRESS_KG = ASSUMED.workPress.value / STANDARD_GRAVITY;

/** Working load on an edge of a cabinet: as entered, and never less than someone leaning on it. */
export function pressingOn({ pressed }: Pick<ResolvedCabinet, 'pressed'>): Pressed | undefined {
  if (!pressed || pressed.kg >= MIN_PRESS_KG) return pressed;
  return { ...pressed, kg: MIN_PRESS_KG, from: { kind: 'table', name: 'work at an edge, 400 N at least', tag: '[ASSUME]' } };
}

/** A load with the working load on an edge. */
export function pressedOn(load: Load, pressed: Pressed | undefined): Load {
  if (!pressed || pressed.kg === 0) return load;
  const at = { along: toMm(pressed.at.along), up: toMm(pressed.at.up), out: toMm(pressed.at.out) };
  const Q = { value: pressed.kg, source: pressed.from, label: { key: 'pressed' as const } };
  const out = evaluate(PRESSED_CENTRE, { m: load.mass, e: load.outFigure ?? load.out, Q, at: at.out });
  const mean = (axis: 'along' | 'up'): number => (load.mass.value * load[axis] + pressed.kg * at[axis]) / (load.mass.value + pressed.kg);
  const pressing: ExplainedValue = total('pressed', 'kg', [{ symbol: '', label: { key: 'pressed' }, value: pressed.kg, unit: 'kg', source: pressed.from }]);
  return {
    mass: total('pressed-mass', 'kg', [termOf(load.mass), termOf(pressing)], 'docs/formulas/leaf-load.md'),
    along: mean('along'),
    up: mean('up'),
    out: out.value,
    outFigure: out,
  };
}
