/** Curves of an SVG drawing, in millimeters: lines, arcs and curves, with curves flattened to chords. */
import { accept, Refusal, refuse, type Corner, type Outcome, type PieceSpot as Spot } from '@keen/core';
import svgpath from 'svgpath';
import { readXml } from '../xml.ts';
import type { Curve } from './rings.ts';

const MM_PER: Readonly<Record<string, number>> = { mm: 1, cm: 10, in: 25.4, pt: 25.4 / 72, pc: 25.4 / 6, px: 25.4 / 96, '': 25.4 / 96 };
const MAX_SHAPES = 5000;
const MAX_POINTS = 200_000;
/** Limit on the subpaths of all paths. */
const MAX_CURVES = 20_000;
/** Characters of one transform: each is evaluated for every shape below it. */
const MAX_TRANSFORM = 2000;
/** Greatest coordinate, mm: larger numbers are damage. */
const MAX_MM = 1e7;
/** Greatest deviation of a chord from its curve, mm. */
const OFF_MM = 0.02;
/** Groups that draw nothing by themselves. */
const ASIDE: ReadonlySet<string> = new Set(['defs', 'clipPath', 'mask', 'pattern', 'symbol', 'marker', 'metadata', 'style', 'title', 'desc']);
const PLAIN: ReadonlySet<string> = new Set(['svg', 'g', 'a']);

export function svgCurves(text: string): Outcome<{ readonly curves: readonly Curve[]; readonly notes: readonly string[] }> {
  const paths: { readonly d: string; readonly transforms: readonly string[] }[] = [];
  const strange = new Map<string, number>();
  const stack: string[] = [];
  let aside = 0;
  let size: { readonly scale: number; readonly high: number; readonly known: boolean } | null = null;
  let over = false;
  const read = readXml(text, 'the drawing', {
    open(name, attributes) {
      if (size === null) size = sizeOf(name, attributes);
      if ((attributes['transform'] ?? '').length > MAX_TRANSFORM)
        throw new Refusal('too-long', 'a transform is longer than any drawing needs', 'the drawing', `at most ${MAX_TRANSFORM} characters`);
      stack.push(attributes['transform'] ?? '');
      if (aside > 0 || ASIDE.has(name)) return void (aside += 1);
      if (PLAIN.has(name)) return;
      const d = pathOf(name, attributes);
      if (d === null) strange.set(name, (strange.get(name) ?? 0) + 1);
      else if (paths.length >= MAX_SHAPES) over = true;
      else paths.push({ d, transforms: stack.filter((each) => each !== '') });
    },
    close() {
      stack.pop();
      if (aside > 0) aside -= 1;
    },
  });
  if (!read.ok) return read;
  const drawn = size as { scale: number; high: number; known: boolean } | null;
  if (!drawn) return refuse('svg', 'the file is no SVG drawing', 'file', 'a drawing whose first element is svg');
  if (over) return refuse('too-many', `the drawing has more than ${MAX_SHAPES} shapes`, 'file', `at most ${MAX_SHAPES}`);
  const curves: Curve[] = [];
  let points = 0;
  let broken = 0;
  for (const { d, transforms } of paths) {
    const path = transforms
      .reduceRight((made, each) => made.transform(each), svgpath(d))
      .abs()
      .unshort()
      .unarc();
    if ((path as unknown as { err?: string }).err) broken += 1;
    const own = curvesOf(path, drawn.scale, MAX_POINTS - points);
    if (own === null || curves.length + own.length > MAX_CURVES) return refuse('too-many', 'its curves have too many sides', 'file', 'a plainer drawing');
    for (const curve of own) {
      points += curve.corners.length;
      if (curve.corners.every(({ x, y }) => Math.abs(x) <= MAX_MM && Math.abs(y) <= MAX_MM)) curves.push(curve);
      else broken += 1;
    }
  }
  return accept({
    curves,
    notes: [
      ...(drawn.known ? [] : ['the drawing does not say its size in millimeters or inches: a unit was taken for 1/96 in']),
      ...[...strange].map(([name, count]) => `${count} × ${name.slice(0, 30)} not understood`),
      ...(broken > 0 ? [`${broken} ${broken === 1 ? 'path breaks off' : 'paths break off'}`] : []),
    ],
  });
}

/** Millimeters per unit of the drawing. */
function sizeOf(
  name: string,
  { width, height, viewBox }: Readonly<Record<string, string>>,
): { readonly scale: number; readonly high: number; readonly known: boolean } | null {
  if (name !== 'svg') return null;
  const box = (viewBox ?? '').split(/[\s,]+/).map(Number);
  const wide = /^\s*([\d.]+)\s*(mm|cm|in|pt|pc|px)?\s*$/.exec(width ?? '');
  const units = box.length === 4 && box[2]! > 0 ? box[2]! : null;
  const unit = wide?.[2] ?? '';
  const scale = wide && units && Number(wide[1]) > 0 ? (Number(wide[1]) * MM_PER[unit]!) / units : MM_PER[unit]!;
  return { scale, high: Number(height ?? 0), known: wide !== null && unit !== '' && unit !== 'px' };
}

const number = (text: string | undefined): number => Number.parseFloat(text ?? '0');

/** An element as a path; null for an unsupported one. */
function pathOf(name: string, attributes: Readonly<Record<string, string>>): string | null {
  const at = (key: string): number => number(attributes[key]);
  const round = (rx: number, ry: number): string => {
    const [cx, cy] = [at('cx'), at('cy')];
    return rx > 0 && ry > 0 ? `M${cx - rx} ${cy}A${rx} ${ry} 0 1 0 ${cx + rx} ${cy}A${rx} ${ry} 0 1 0 ${cx - rx} ${cy}Z` : '';
  };
  switch (name) {
    case 'path':
      return attributes['d'] ?? '';
    case 'rect':
      return at('rx') > 0 || at('ry') > 0 ? null : `M${at('x')} ${at('y')}h${at('width')}v${at('height')}h${-at('width')}Z`;
    case 'circle':
      return round(at('r'), at('r'));
    case 'ellipse':
      return round(at('rx'), at('ry'));
    case 'line':
      return `M${at('x1')} ${at('y1')}L${at('x2')} ${at('y2')}`;
    case 'polygon':
    case 'polyline': {
      const points = (attributes['points'] ?? '').trim();
      return points === '' ? '' : `M${points}${name === 'polygon' ? 'Z' : ''}`;
    }
    default:
      return null;
  }
}

/** Subpaths of a path, y up: the drawing's y goes down. Null beyond `max` points. */
function curvesOf(path: ReturnType<typeof svgpath>, scale: number, max: number): Curve[] | null {
  const curves: { corners: Corner[]; closed: boolean }[] = [];
  let count = 0;
  const to = (x: number, y: number): void => {
    count += 1;
    curves.at(-1)?.corners.push({ x: x * scale, y: -y * scale, bulge: 0 });
  };
  path.iterate((segment, _, x, y) => {
    if (count > max) return;
    const [kind, ...values] = segment as unknown as readonly [string, ...number[]];
    switch (kind) {
      case 'M':
        curves.push({ corners: [], closed: false });
        to(values[0]!, values[1]!);
        break;
      case 'L':
        to(values[0]!, values[1]!);
        break;
      case 'H':
        to(values[0]!, y);
        break;
      case 'V':
        to(x, values[0]!);
        break;
      case 'C':
        for (const spot of bent([{ x, y }, ...pairs(values)], scale)) to(spot.x, spot.y);
        break;
      case 'Q': {
        const [control, end] = pairs(values) as [Spot, Spot];
        const third = (a: Spot): Spot => ({ x: a.x + ((control.x - a.x) * 2) / 3, y: a.y + ((control.y - a.y) * 2) / 3 });
        for (const spot of bent([{ x, y }, third({ x, y }), third(end), end], scale)) to(spot.x, spot.y);
        break;
      }
      case 'Z':
      case 'z': {
        const last = curves.at(-1);
        if (last && last.corners.length > 1) last.closed = true;
        // After a closed subpath the next one starts at its start.
        const start = last?.corners[0];
        if (start) curves.push({ corners: [start], closed: false });
        break;
      }
    }
  });
  return count > max ? null : curves.filter(({ corners }) => corners.length > 1);
}

const pairs = (values: readonly number[]): Spot[] => Array.from({ length: values.length / 2 }, (_, k) => ({ x: values[2 * k]!, y: values[2 * k + 1]! }));

/** Points on a cubic curve after its first, at the required density. */
function bent([a, b, c, d]: readonly Spot[], scale: number): Spot[] {
  const off = Math.max(Math.hypot(a!.x - 2 * b!.x + c!.x, a!.y - 2 * b!.y + c!.y), Math.hypot(b!.x - 2 * c!.x + d!.x, b!.y - 2 * c!.y + d!.y)) * scale;
  // Source: the chord error of n equal steps of a cubic is at most 1/8 of its second derivative, six times the second difference, over n².
  const count = Math.min(400, Math.max(1, Math.ceil(Math.sqrt((0.75 * off) / OFF_MM))));
  return Array.from({ length: count }, (_, k) => {
    const t = (k + 1) / count;
    const u = 1 - t;
    const mix = (axis: 'x' | 'y'): number => u * u * u * a![axis] + 3 * u * u * t * b![axis] + 3 * u * t * t * c![axis] + t * t * t * d![axis];
    return { x: mix('x'), y: mix('y') };
  });
}
