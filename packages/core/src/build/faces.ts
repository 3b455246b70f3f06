/** Surfaces sanded and finished while parts lie flat, and those done from outside after assembly. Source: docs/formulas/finish-area.md. */
import { NM_PER } from '../length/length.ts';
import { extentOf, place, type Face, type Panel } from '../solid/panel.ts';
import { areaOf } from '../solid/polygon.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { plusVector, scale, type Vector } from '../solid/vector.ts';
import { boundsOf } from '../solid/views.ts';
import { total, type ExplainedValue, type ValueTerm } from '../explained/explained-value.ts';
import type { StepSide } from './step.ts';

const NOT_FINISHED: readonly Panel['role'][] = ['wall-half', 'cabinet-half', 'spacer'];

/** Depth by which a face probe is offset to tell faces that look into the box: one finger's breadth. */
const OFF_MM = 15;

/** Area, m², of one side of some panels, one term per panel. `carcass`: the panels of the box, among `all`. */
export function faceArea(panels: readonly ResolvedPanel[], carcass: ReadonlySet<string>, side: StepSide, all = panels): ExplainedValue {
  const bounds = all.filter(({ id }) => carcass.has(id)).map(boundsOf);
  const least = (axis: keyof Vector): number => Math.min(...bounds.map(({ low }) => low[axis]));
  const most = (axis: keyof Vector): number => Math.max(...bounds.map(({ high }) => high[axis]));
  const low = { along: least('along'), up: least('up'), out: least('out') };
  const high = { along: most('along'), up: most('up'), out: most('out') };
  const isWithin = (at: Vector): boolean => (['along', 'up', 'out'] as const).every((axis) => at[axis] > low[axis] && at[axis] < high[axis]);
  const rows = panels.flatMap((panel): ValueTerm[] => {
    if (NOT_FINISHED.includes(panel.role)) return [];
    const looksIn = (face: Face): boolean => carcass.has(panel.id) && isWithin(scale(offFace(panel, face), 1 / NM_PER.mm));
    const faces = (['reference', 'other'] as const).filter((face) => looksIn(face) === (side === 'inside'));
    if (faces.length === 0) return [];
    const area = (areaOf(panel.outline.map(({ from }) => from)).area / 1e18) * faces.length;
    return [{ symbol: 'A', label: panel.name, value: area, unit: 'm2' }];
  });
  return total(`area-${side}`, 'm2', rows, '[eq] docs/formulas/finish-area.md');
}

function offFace(panel: Panel, face: Face): Vector {
  const [u, v] = [extentOf(panel.outline, 'u'), extentOf(panel.outline, 'v')];
  const off = OFF_MM * NM_PER.mm;
  const middle = place(panel.frame, { u: (u.from + u.to) / 2, v: (v.from + v.to) / 2 }, face === 'reference' ? 0 : panel.thickness);
  return plusVector(middle, scale(panel.frame.w, face === 'reference' ? -off : off));
}
