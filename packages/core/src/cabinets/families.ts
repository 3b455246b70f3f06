/**
 * The families of cabinet, in the order of the gallery. A new family is added here: its spec and panels in a file of its own, its fields and words beside
 * it in `…-form.ts`; the words join the list of checks/words/labels.ts.
 */
import { withFits } from '../joints/fits.ts';
import { NM_PER } from '../length/length.ts';
import type { Panel, Role } from '../solid/panel.ts';
import type { Handle, CabinetGeometry } from '../solid/cabinet.ts';
import type { StockOf } from './box-frame.ts';
import type { DesignFault, Family } from './family.ts';
import { hangingFault } from './form.ts';
import { SHELF_BOX } from './shelf-box-form.ts';
import { FOLD_DOWN } from './fold-down-form.ts';
import { INSERTS_FORM, withInserts } from './inserts.ts';
import { CABINET_RUN } from './cabinet-run-form.ts';
import { CORNER_UNIT } from './corner-unit-form.ts';
import { DRAWER_UNIT } from './drawer-unit-form.ts';
import { LEDGE_RACK } from './ledge-rack-form.ts';
import { MITRED_BOX } from './mitred-box-form.ts';
import { SLAB } from './slab-form.ts';
import { SLOPED_BOX } from './sloped-box-form.ts';
import { SLOT_RACK } from './slot-rack-form.ts';
import { TOOL_TILL } from './tool-till-form.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';
import type { FamilyId, CabinetSpec } from '../model/specs/cabinet-spec.ts';

/** In the order of the gallery. A spec without a family does not compile. */
const BY_FAMILY: { readonly [F in FamilyId]: Family<Extract<CabinetSpec, { readonly family: F }>> } = {
  'shelf-box': SHELF_BOX,
  'cabinet-run': CABINET_RUN,
  'tool-till': TOOL_TILL,
  'slot-rack': SLOT_RACK,
  'ledge-rack': LEDGE_RACK,
  'sloped-box': SLOPED_BOX,
  'mitred-box': MITRED_BOX,
  'drawer-unit': DRAWER_UNIT,
  'fold-down': FOLD_DOWN,
  slab: SLAB,
  'corner-unit': CORNER_UNIT,
};

/** Every family, with the list of inserts any cabinet may have. */
export const FAMILIES: readonly Family[] = Object.values(BY_FAMILY).map((family: Family) => ({
  ...family,
  form: { ...family.form, elements: [...family.form.elements, INSERTS_FORM] },
}));

const BY_ID: ReadonlyMap<string, Family> = new Map(FAMILIES.map((family) => [family.id, family]));

/**
 * The family of a cabinet.
 * @throws RangeError on an unknown name
 */
export function familyOf({ family }: { readonly family: string }): Family {
  const found = BY_ID.get(family);
  if (!found) throw new RangeError(`there is no family '${family}'`);
  return found;
}

/** What keeps a cabinet from being built, by the rules of its family and of every hanging; null for nothing. */
export function faultOfSpec(design: CabinetSpec): DesignFault | null {
  const own = familyOf(design).faultOf?.(design);
  if (own) return own;
  const fault = hangingFault(design);
  // Fields a family does not use are not built, and do no harm.
  return fault && enters(design, fault.path.join('.')) ? fault : null;
}

/** Panels, connections, spaces and hanging of a cabinet, from its spec and the measured stock. */
export function buildCabinet(design: CabinetSpec, stockOf: StockOf): CabinetGeometry {
  const cabinet = withGrains(withOutline(withInserts(familyOf(design).build(design, stockOf), design, stockOf), design), design, stockOf);
  const connections = withFits(cabinet.connections, stockOf(design.stock).fits);
  return connections === cabinet.connections ? cabinet : { ...cabinet, connections };
}

/** Parts without a choice of grain: across it they would not carry their load. */
const GRAIN_STAYS: readonly Role[] = ['wall-half', 'cabinet-half', 'hanging-rail', 'spacer'];

export const choosesGrain = ({ role }: { readonly role: Role }): boolean => !GRAIN_STAYS.includes(role);

/** Whether the grain of a part is a person's choice; a sheet without grain offers none. */
function withGrains(cabinet: CabinetGeometry, { id, grains }: CabinetSpec, stockOf: StockOf): CabinetGeometry {
  if (!grains || Object.keys(grains).length === 0) return cabinet;
  const panels = cabinet.panels.map((panel) => {
    const chosen = panel.id.startsWith(`${id}/`) ? grains[panel.id.slice(id.length + 1)] : undefined;
    if (!chosen || !choosesGrain(panel) || stockOf(panel.stock).product.grain === 'none') return panel;
    return { ...panel, grain: chosen === 'free' ? ('none' as const) : chosen };
  });
  return { ...cabinet, panels };
}

/** Sizes that a drag of the outermost panel changes. */
const OUTLINE = [
  { path: 'width', axis: 'along' },
  { path: 'height', axis: 'up' },
  { path: 'depth', axis: 'out' },
] as const;

/** The outline of every cabinet can be dragged by its outermost panels, where its family has that size as a field. */
function withOutline(cabinet: CabinetGeometry, design: CabinetSpec): CabinetGeometry {
  const carried = cabinet.panels.filter(({ onWall, role }) => !onWall && role !== 'cabinet-half' && role !== 'spacer');
  const outline = OUTLINE.flatMap(({ path, axis }): Handle[] => {
    const field = familyOf(design).form.fields.find((each) => each.path.join('.') === path);
    if (field?.kind !== 'length' || !(field.when?.(design) ?? true)) return [];
    const far = furthest(carried, axis);
    if (!far || cabinet.handles?.some((handle) => handle.panel === far && handle.axis === axis)) return [];
    return [{ panel: far, path: [path], axis, kind: 'length', value: design[path].nm, perMm: NM_PER.mm, least: field.least, most: field.most }];
  });
  return { ...cabinet, handles: [...(cabinet.handles ?? []), ...outline] };
}

/** The panel that reaches furthest along an axis; among several the largest. Runs on every keystroke, so it allocates nothing per corner. */
function furthest(panels: readonly Panel[], axis: Handle['axis']): string | undefined {
  let best: string | undefined;
  let [bestAt, bestSize] = [-Infinity, 0];
  for (const { id, frame, outline, thickness } of panels) {
    let [low, high] = [Infinity, -Infinity];
    for (const { from } of outline) {
      const at = frame.origin[axis] + frame.u[axis] * from.u + frame.v[axis] * from.v;
      if (at < low) low = at;
      if (at > high) high = at;
    }
    const through = frame.w[axis] * thickness;
    if (through > 0) high += through;
    else low += through;
    const size = high - low;
    if (high <= bestAt + NEAR && !(Math.abs(high - bestAt) <= NEAR && size > bestSize)) continue;
    [best, bestAt, bestSize] = [id, high, size];
  }
  return best;
}

/** Panels ending within this of one another end together, nm. */
const NEAR = 1000;

/** Whether a dimension of a cabinet is entered rather than derived. */
export const enters = (design: CabinetSpec, path: string): boolean =>
  familyOf(design).form.fields.some((field) => field.path.join('.') === path && (field.when?.(design) ?? true));

export const isShelfBox = (design: CabinetSpec): design is ShelfBox => design.family === 'shelf-box';
