/** The design of a project: what people decided. Everything else is derived from it, the shop record and the workshop. */
import type { UnitDesign } from '../carcass/families.ts';
import type { Item } from '../contents/item.ts';
import type { Entered } from '../length/entered.ts';
import type { DisplayUnit } from '../length/length.ts';
import type { ThicknessReading } from '../stock/workshop.ts';
import type { Wall } from '../wall/wall.ts';

export type { UnitDesign } from '../carcass/families.ts';

export interface Design {
  readonly name: string;
  /** The unit lengths are shown in, unless their home says otherwise. */
  readonly unit: DisplayUnit;
  readonly wall: Wall;
  /** Children can reach the units. */
  readonly children: boolean;
  /** Whoever uses it most: how high they reach. */
  readonly person: { readonly height: Entered };
  /** What must be held. */
  readonly items: Readonly<Record<string, Item>>;
  readonly units: Readonly<Record<string, UnitDesign>>;
  /** Other tries of units, kept to be compared. */
  readonly tries: Readonly<Record<string, Try>>;
}

/** A unit as it was, or might be: kept beside the one that stands, under the same id. */
export interface Try {
  readonly id: string;
  readonly order: number;
  readonly name: string;
  readonly unit: UnitDesign;
}

/** A stud scanner's signal along a level line. */
export interface WallScan {
  readonly up: Entered;
  /** Millimetres from the wall's left end, and the level there, 0 to 100. */
  readonly samples: readonly { readonly at: number; readonly level: number }[];
}

/** An entry of the shop record: a fact, never changed, only corrected by a later one. */
export interface RecordEntry {
  readonly id: string;
  /** When the device says it happened, ISO 8601. */
  readonly at: string;
  readonly kind: 'thickness' | 'scan' | 'withdrawn';
  /** For kind 'thickness'. */
  readonly reading?: ThicknessReading;
  /** For kind 'scan': what a stud scanner read along a line of the wall. */
  readonly scan?: WallScan;
  /** For kind 'withdrawn': the entry that is taken back. */
  readonly withdraws?: string;
}

/** Readings that still stand, oldest first. */
export function standingReadings(record: readonly RecordEntry[]): ThicknessReading[] {
  const withdrawn = new Set(record.map(({ withdraws }) => withdraws));
  return record.flatMap(({ id, reading }) => (reading && !withdrawn.has(id) ? [reading] : []));
}

/** The unit a part is read in: its cabinet's own, or the project's for what belongs to the wall. */
export const displayUnitOf = ({ units, unit }: Pick<Design, 'units' | 'unit'>, owner: string): DisplayUnit =>
  (Object.hasOwn(units, owner) ? units[owner]?.unit : undefined) ?? unit;

/** Scans that still stand, oldest first. */
export function standingScans(record: readonly RecordEntry[]): { readonly id: string; readonly scan: WallScan }[] {
  const withdrawn = new Set(record.map(({ withdraws }) => withdraws));
  return record.flatMap(({ id, scan }) => (scan && !withdrawn.has(id) ? [{ id, scan }] : []));
}

export const unitsInOrder = ({ units }: Pick<Design, 'units'>): UnitDesign[] =>
  Object.values(units).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** Tries of a unit, in order. */
export const triesOf = ({ tries }: Pick<Design, 'tries'>, unit: string): Try[] =>
  Object.values(tries)
    .filter((each) => each.unit.id === unit)
    .sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
