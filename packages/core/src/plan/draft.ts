/** The geometry of a unit alone while something of it is dragged: what a drawing needs between two pointer moves, without loads or checks. */
import { buildUnit, type UnitDesign } from '../carcass/families.ts';
import type { StockOf } from '../carcass/box-frame.ts';
import { resolveUnit, type ResolvedUnit } from '../solid/unit.ts';

/** The unit with one value changed. */
export function draftUnit(design: UnitDesign, path: readonly string[], value: unknown, stockOf: StockOf): ResolvedUnit {
  return resolveUnit(buildUnit(withValue(design, path, value) as UnitDesign, stockOf));
}

function withValue(node: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  if (key === undefined) return value;
  const row = node as Record<string, unknown>;
  return { ...row, [key]: withValue(row[key], rest, value) };
}
