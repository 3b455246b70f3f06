/** Curves of a DXF drawing, in millimeters. Our own pair reader: a parser that was tried loops forever on a damaged drawing. */
import { accept, refuse, type Corner, type Outcome } from '@keen/core';
import type { Curve } from './rings.ts';

/** $INSUNITS in millimeters. Source: the format's own list of drawing units. */
const MM: Readonly<Record<string, number>> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 };
const MAX_ENTITIES = 20_000;
/** Of one drawing, polyline corners included. */
const MAX_PAIRS = 1_000_000;

/** Our own drawings have outlines on this layer and cuts on others (docs/format/dxf.md): where a drawing has this layer, only it counts. */
export const OUTLINE_LAYER = 'OUTLINE';

/** A code and its value. */
type Pair = readonly [code: number, value: string];

interface Entity {
  readonly type: string;
  readonly pairs: readonly Pair[];
  /** Of a polyline of the older kind: its corners, each an entity. */
  readonly corners: readonly Entity[];
}

export function dxfCurves(text: string): Outcome<{ readonly curves: readonly Curve[]; readonly notes: readonly string[] }> {
  const pairs = pairsOf(text);
  if (!pairs.ok) return pairs;
  const entities = entitiesOf(pairs.value);
  if (entities === null) return refuse('dxf', 'the drawing has no section of entities', 'file', 'a whole DXF drawing, saved as text');
  if (entities.length > MAX_ENTITIES) return refuse('too-many', `the drawing has ${entities.length} lines and arcs`, 'file', `at most ${MAX_ENTITIES}`);
  const unit = unitOf(pairs.value);
  const scale = MM[unit] ?? 1;
  const strange = new Map<string, number>();
  const parts = entities.some((entity) => layerOf(entity) === OUTLINE_LAYER) ? entities.filter((entity) => layerOf(entity) === OUTLINE_LAYER) : entities;
  const beside = entities.length - parts.length;
  const curves = parts.flatMap((entity): Curve[] => {
    const curve = curveOf(entity);
    if (curve) {
      const corners = curve.corners.map(({ x, y, bulge }) => ({ x: x * scale, y: y * scale, bulge }));
      if (corners.every(isDrawable)) return [{ ...curve, corners }];
    }
    strange.set(entity.type, (strange.get(entity.type) ?? 0) + 1);
    return [];
  });
  return accept({
    curves,
    notes: [
      ...(MM[unit] === undefined ? ['the drawing does not say its unit: it was taken for millimeters'] : []),
      ...(beside > 0
        ? [`${beside === 1 ? 'what is' : `${beside} lines and words`} on other layers than ${OUTLINE_LAYER} ${beside === 1 ? 'was' : 'were'} left out`]
        : []),
      ...[...strange].map(([type, count]) => `${count} × ${type.slice(0, 30)} not understood`),
    ],
  });
}

/** Greatest coordinate, mm, and bulge: larger numbers are damage. A full circle in two halves has a bulge of 1. */
const MAX_MM = 1e7;
const MAX_BULGE = 1000;
const isDrawable = ({ x, y, bulge }: Corner): boolean => Math.abs(x) <= MAX_MM && Math.abs(y) <= MAX_MM && Math.abs(bulge) <= MAX_BULGE;

/** A drawing is pairs of lines, a code and its value; anything else is none. */
function pairsOf(text: string): Outcome<Pair[]> {
  const lines = text.split(/\r\n|\r|\n/);
  while (lines.at(-1)?.trim() === '') lines.pop();
  if (lines.length > 2 * MAX_PAIRS) return refuse('too-many', `the drawing has ${lines.length} lines of text`, 'file', `at most ${2 * MAX_PAIRS}`);
  const pairs: Pair[] = [];
  for (let at = 0; at < lines.length; at += 2) {
    const code = lines[at]!.trim();
    if (!/^\d{1,4}$/.test(code) || lines[at + 1] === undefined)
      return refuse(
        'dxf',
        `line ${at + 1} is ${code === '' ? 'empty' : `'${code.slice(0, 20)}'`} where the code of a pair is wanted`,
        'file',
        'a whole DXF drawing, saved as text',
      );
    pairs.push([Number(code), lines[at + 1]!.trim()]);
  }
  return accept(pairs);
}

/** Contents of the entities section, without blocks. Null where there is none. */
function entitiesOf(pairs: readonly Pair[]): Entity[] | null {
  const start = pairs.findIndex(([code, value], index) => code === 2 && value === 'ENTITIES' && pairs[index - 1]?.[1] === 'SECTION');
  if (start < 0) return null;
  const entities: { type: string; pairs: Pair[]; corners: Entity[] }[] = [];
  /** The polyline whose corners follow. */
  let line: (typeof entities)[number] | null = null;
  let now: (typeof entities)[number] | null = null;
  for (const [code, value] of pairs.slice(start + 1)) {
    if (code !== 0) {
      now?.pairs.push([code, value]);
      continue;
    }
    if (value === 'ENDSEC' || value === 'EOF') break;
    now = { type: value, pairs: [], corners: [] };
    if (value === 'SEQEND') line = null;
    else if (value === 'VERTEX' && line) line.corners.push(now);
    else {
      entities.push(now);
      line = value === 'POLYLINE' ? now : null;
    }
  }
  return entities;
}

/** The drawing's unit from its header; '0' where absent. */
function unitOf(pairs: readonly Pair[]): string {
  const at = pairs.findIndex(([code, value]) => code === 9 && value === '$INSUNITS');
  return at < 0 ? '0' : (pairs[at + 1]?.[1] ?? '0');
}

const number = (pairs: readonly Pair[], code: number): number => Number(pairs.find(([own]) => own === code)?.[1] ?? NaN);
const layerOf = ({ pairs }: Entity): string => (pairs.find(([code]) => code === 8)?.[1] ?? '').toUpperCase();
const flagged = (pairs: readonly Pair[], bit: number): boolean => (number(pairs, 70) & bit) !== 0;
/** Extruded the other way: the visible shape is mirrored. */
const isMirrored = (pairs: readonly Pair[]): boolean => number(pairs, 230) < 0;

function curveOf({ type, pairs, corners }: Entity): Curve | null {
  if (isMirrored(pairs)) return null;
  const at = (code: number): number => number(pairs, code);
  switch (type) {
    case 'LINE':
      return {
        corners: [
          { x: at(10), y: at(20), bulge: 0 },
          { x: at(11), y: at(21), bulge: 0 },
        ],
        closed: false,
      };
    case 'LWPOLYLINE':
      return { corners: lightCorners(pairs), closed: flagged(pairs, 1) };
    case 'POLYLINE':
      // Splines, meshes and 3D lines are drawn another way.
      if (flagged(pairs, 2 | 4 | 8 | 16 | 64)) return null;
      return {
        corners: corners.map((corner) => ({ x: number(corner.pairs, 10), y: number(corner.pairs, 20), bulge: number(corner.pairs, 42) || 0 })),
        closed: flagged(pairs, 1),
      };
    case 'CIRCLE':
      return at(40) > 0
        ? {
            corners: [
              { x: at(10) + at(40), y: at(20), bulge: 1 },
              { x: at(10) - at(40), y: at(20), bulge: 1 },
            ],
            closed: true,
          }
        : null;
    case 'ARC': {
      const [from, to] = [(at(50) * Math.PI) / 180, (at(51) * Math.PI) / 180];
      const sweep = (((to - from) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
      const end = (angle: number, bulge: number): Corner => ({ x: at(10) + at(40) * Math.cos(angle), y: at(20) + at(40) * Math.sin(angle), bulge });
      return sweep > 1e-9 && at(40) > 0 ? { corners: [end(from, Math.tan(sweep / 4)), end(from + sweep, 0)], closed: false } : null;
    }
    default:
      return null;
  }
}

/** Corners of a light polyline: each starts with its x; y and bulge follow. */
function lightCorners(pairs: readonly Pair[]): Corner[] {
  const corners: { x: number; y: number; bulge: number }[] = [];
  for (const [code, value] of pairs) {
    const last = corners.at(-1);
    if (code === 10) corners.push({ x: Number(value), y: NaN, bulge: 0 });
    else if (code === 20 && last) last.y = Number(value);
    else if (code === 42 && last) last.bulge = Number(value);
  }
  return corners;
}
