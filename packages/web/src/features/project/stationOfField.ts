/** The station of a cabinet's field. */
import { familyOf, type FieldGroup, type CabinetSpec } from '@keen/core';
import type { StationId } from './Stations.tsx';

const AT_HANG: ReadonlySet<FieldGroup> = new Set(['hanging', 'fixings', 'place']);

/** @param path within the cabinet, such as hanging, drop */
export function stationOfField(spec: CabinetSpec, path: readonly string[]): StationId {
  if (path[0] === 'rows') return 'contents';
  const field = familyOf(spec).form.fields.find((each) => each.path.join('.') === path.join('.'));
  return field && AT_HANG.has(field.group) ? 'hang' : 'box';
}
