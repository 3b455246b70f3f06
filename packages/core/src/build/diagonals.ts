/** Tolerance between two diagonals. Source: docs/formulas/diagonals.md. */
import { toMm, type Length } from '../length/length.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { boundsOf } from '../solid/views.ts';
import { evaluate, formula } from '../explained/explained-value.ts';
import type { Assembly } from './assemblies.ts';
import type { Diagonals } from './step.ts';

/** Allowed skew: a millimeter per meter. [ASSUME] */
const OUT_OF_SQUARE = 1 / 1000;
/** Gap taper allowed behind inset doors over their height: half a millimeter. [ASSUME] */
const GAP_RUNS_MM = 0.5;

const DIAGONAL = formula({
  label: 'diagonal',
  unit: 'mm',
  text: '√(w² + h²)',
  source: '[eq] docs/formulas/diagonals.md',
  terms: { w: 'mm', h: 'mm' },
  compute: ({ w, h }) => Math.hypot(w, h),
});

/** (w² + h² + 2 w h s) and (… − 2 w h s) are the squares of the diagonals at a skew of s. */
const MAY_DIFFER = formula({
  label: 'diagonals-may-differ',
  unit: 'mm',
  text: '√(w² + h² + 2 w h s) − √(w² + h² − 2 w h s)',
  source: '[eq] docs/formulas/diagonals.md',
  terms: { w: 'mm', h: 'mm', s: 'factor' },
  compute: ({ w, h, s }) => Math.sqrt(w * w + h * h + 2 * w * h * s) - Math.sqrt(w * w + h * h - 2 * w * h * s),
});

export function diagonalsOf(width: Length, height: Length, insetDoors: boolean): Diagonals {
  const [w, h] = [toMm(width), toMm(height)];
  const s = insetDoors ? Math.min(OUT_OF_SQUARE, GAP_RUNS_MM / h) : OUT_OF_SQUARE;
  return { width, height, diagonal: evaluate(DIAGONAL, { w, h }), allowed: evaluate(MAY_DIFFER, { w, h, s }) };
}

/** Across the front of an assembly; across the plan of a tray or drawer. */
export function ringDiagonals(cabinet: ResolvedCabinet, { panels, kind }: Assembly, insetDoors: boolean): Diagonals {
  const bounds = panels.map((id) => boundsOf(cabinet.byId.get(id)!));
  const extent = (axis: 'along' | 'up' | 'out'): Length =>
    Math.round((Math.max(...bounds.map(({ high }) => high[axis])) - Math.min(...bounds.map(({ low }) => low[axis]))) * 1e6) as Length;
  return kind === 'drawer' ? diagonalsOf(extent('along'), extent('out'), false) : diagonalsOf(extent('along'), extent('up'), insetDoors);
}
