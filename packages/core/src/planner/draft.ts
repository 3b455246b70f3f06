/** Geometry of a cabinet while something is dragged: what a drawing needs between two pointer moves, without loads or checks. */
import { buildCabinet } from '../cabinets/families.ts';
import type { StockOf } from '../cabinets/box-frame.ts';
import { resolveCabinet, type ResolvedCabinet } from '../solid/cabinet.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

/** The cabinet with one value changed. */
export function draftCabinet(design: CabinetSpec, path: readonly string[], value: unknown, stockOf: StockOf): ResolvedCabinet {
  return resolveCabinet(buildCabinet(withValue(design, path, value) as CabinetSpec, stockOf));
}

function withValue(node: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  if (key === undefined) return value;
  const row = node as Record<string, unknown>;
  return { ...row, [key]: withValue(row[key], rest, value) };
}
