/** The spec of a cabinet of any family. A new family adds its own here; cabinets/families.ts does not compile without its entry. */
import type { ShelfBox } from './shelf-box.ts';
import type { CabinetRun } from './cabinet-run.ts';
import type { ToolTill } from './tool-till.ts';
import type { SlotRack } from './slot-rack.ts';
import type { LedgeRack } from './ledge-rack.ts';
import type { SlopedBox } from './sloped-box.ts';
import type { MitredBox } from './mitred-box.ts';
import type { DrawerUnit } from './drawer-unit.ts';
import type { FoldDown } from './fold-down.ts';
import type { Slab } from './slab.ts';
import type { CornerUnit } from './corner-unit.ts';

/** A cabinet of any family. */
export type CabinetSpec = ShelfBox | CabinetRun | ToolTill | SlotRack | LedgeRack | SlopedBox | MitredBox | DrawerUnit | FoldDown | Slab | CornerUnit;

export type FamilyId = CabinetSpec['family'];
