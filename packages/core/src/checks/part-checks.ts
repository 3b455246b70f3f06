/** Checks of impossible parts: without a size, outside their cabinet, in a missing opening, or overlapping another. docs/checks.md. */
import { enters, familyOf } from '../cabinets/families.ts';
import { toMm } from '../length/length.ts';
import { clashesOf } from '../solid/clash.ts';
import { hasSize } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { boundsOf } from '../solid/views.ts';
import type { Label } from '../explained/explained-length.ts';
import { inSpec, type Check, type CheckContext } from './context.ts';
import type { Finding, Fix, OutsideOf } from './finding.ts';
import { roundUp } from './round.ts';
import type { FixKey } from './words/fixes.ts';

/** Sizes that leave a part no length, or two parts no way to meet. */
export const cannotBeMade: Check = (context) => {
  const { spec, cabinet } = context;
  const base = { check: 'cannot-be-made' as const, unit: spec.id, severity: 'stop' as const, station: 'box' as const, fixes: [] };
  const unmade = cabinet.panels.filter((panel) => !hasSize(panel));
  if (unmade.length > 0)
    return unmade.slice(0, 3).map((panel): Finding => ({ ...base, fixes: takeOut(context, panel), name: panel.name, other: null, panels: [panel.id] }));
  return cabinet.faults
    .slice(0, 3)
    .map(({ guest, host }): Finding => ({ ...base, name: cabinet.byId.get(guest)!.name, other: cabinet.byId.get(host)!.name, panels: [guest, host] }));
};

/** Overrun of the cabinet's own sizes that clearances and joints explain, mm. [A] */
const OUTSIDE_MM = 0.5;
const OUTSIDE: readonly (readonly [axis: 'along' | 'up' | 'out', low: OutsideOf, high: OutsideOf])[] = [
  ['along', 'left', 'right'],
  ['up', 'bottom', 'top'],
  ['out', 'wall', 'front'],
];

/** Parts outside their cabinet. A tilted top overhangs its sides by choice; a part let into another reaches as deep as its joint. */
export const partOutside: Check = (context) => {
  const { spec, cabinet } = context;
  const { width, height, depth } = cabinet.outside;
  const size = { along: toMm(width.value), up: toMm(height.value), out: toMm(depth.value) };
  return cabinet.panels
    .filter((panel) => !panel.onWall && panel.role !== 'top' && hasSize(panel))
    .flatMap((panel): Finding[] => {
      const { low, high } = boundsOf(panel);
      const isInside = (axis: keyof typeof size): boolean => -low[axis] <= OUTSIDE_MM && high[axis] - size[axis] <= OUTSIDE_MM;
      // Runs on every keystroke for every panel: nearly all are inside, and nothing is allocated for them.
      if (isInside('along') && isInside('up') && isInside('out')) return [];
      const past = OUTSIDE.flatMap(([axis, below, above]) => [
        { side: below, byMm: -low[axis] },
        { side: above, byMm: high[axis] - size[axis] },
      ]).sort((a, b) => b.byMm - a.byMm)[0]!;
      const reach = Math.max(0, ...cabinet.connections.map(({ guest, joint }) => (guest === panel.id ? toMm(joint.depth) : 0)));
      if (past.byMm <= OUTSIDE_MM + reach) return [];
      return [
        {
          check: 'part-outside',
          unit: spec.id,
          severity: 'stop',
          station: 'box',
          name: panel.name,
          ...past,
          panels: [panel.id],
          fixes: [...takeOut(context, panel), { label: { key: 'change-sizes' }, visit: 'box' }],
        },
      ];
    })
    .slice(0, 3);
};

type Placed = { readonly id: string; readonly order: number; readonly in: string };

/** Shelves, dividers and inserts of an opening that no longer exists. */
export const nowhere: Check = (context) => {
  const { spec, cabinet } = context;
  const [lowest] = cabinet.compartments;
  return familyOf(spec).form.elements.flatMap(({ path, panel }): Finding[] => {
    const rows = Object.values((spec as unknown as Record<string, Record<string, Placed>>)[path] ?? {}).sort((a, b) => a.order - b.order);
    return rows.flatMap((row, index): Finding[] => {
      if (!panel || !('in' in row) || cabinet.byId.has(panel(spec, row.id))) return [];
      const of = String(index + 1);
      const name: Label = { key: path === 'inserts' ? 'insert' : path === 'dividers' ? 'divider' : 'shelf', of };
      const at = (key: string): string[] => ['units', spec.id, path, row.id, key];
      return [
        {
          check: 'nowhere',
          unit: spec.id,
          severity: 'change',
          station: 'box',
          name,
          panels: [],
          fixes: [
            ...(lowest && lowest.keptBy !== row.in
              ? [{ label: { key: 'put-in' as const, name: lowest.name }, edit: [{ path: at('in'), value: lowest.keptBy }] }]
              : []),
            { label: { key: 'take-part-out', name }, edit: [{ path: ['units', spec.id, path, row.id], value: undefined }] },
          ],
        },
      ];
    });
  });
};

/** Deletes a part that is an element of a list. */
function takeOut({ spec }: CheckContext, { id, name }: ResolvedPanel): Fix[] {
  return familyOf(spec).form.elements.flatMap(({ path, panel }): Fix[] => {
    const elements = Object.keys((spec as unknown as Record<string, object>)[path] ?? {});
    const element = elements.find((each) => panel?.(spec, each) === id);
    return element === undefined ? [] : [{ label: { key: 'take-part-out', name }, edit: [{ path: ['units', spec.id, path, element], value: undefined }] }];
  });
}

/** A door, or a drawer front: it closes an opening. */
const isInsetFront = ({ role, id }: ResolvedPanel): boolean => role === 'door' || (role === 'front' && id.endsWith('/applied'));

/** Overlaid fronts leave the whole depth behind them. */
function overTheEdges(context: CheckContext): Fix[] {
  const rows = [
    { path: ['doors', 'lies'], value: 'full' },
    { path: ['fronts'], value: 'overlay' },
  ];
  return rows
    .filter(({ path }) => enters(context.spec, path.join('.')))
    .map(({ path, value }) => ({ label: { key: 'fronts-over' }, edit: [{ path: inSpec(context, ...path), value }] }));
}

/** Two parts in one place: fixes make the cabinet deeper or taller by what separates them. */
export const partsClash: Check = (context) => {
  const { spec, cabinet } = context;
  // A part that cannot be made has no body to examine.
  if (cabinet.faults.length > 0 || !cabinet.panels.every(hasSize)) return [];
  return clashesOf(cabinet)
    .slice(0, 3)
    .map(({ a, b, apart }): Finding => {
      const grow = (path: 'depth' | 'height' | 'width', by: number, key: FixKey): Fix[] => {
        if (!enters(spec, path)) return [];
        const value = roundUp(toMm(spec[path].nm) + by, spec.unit);
        return [{ label: { key, lengthNm: value.nm }, edit: [{ path: inSpec(context, path), value }] }];
      };
      const base = { unit: spec.id, station: 'box' as const, panels: [a, b] };
      const [front, behind] = isInsetFront(cabinet.byId.get(b)!) ? [b, a] : [a, b];
      const [name, other] = [cabinet.byId.get(front)!.name, cabinet.byId.get(behind)!.name];
      if (isInsetFront(cabinet.byId.get(front)!)) {
        const fixes = [...overTheEdges(context), ...grow('depth', apart.out, 'make-deeper')];
        return { ...base, check: 'front-clearance', severity: 'change', name, other, byNm: Math.round(apart.out * 1e6), fixes };
      }
      return {
        ...base,
        check: 'parts-clash',
        severity: 'stop',
        name,
        other,
        fixes: [...grow('height', apart.up, 'make-taller'), ...grow('depth', apart.out, 'make-deeper')],
      };
    });
};
