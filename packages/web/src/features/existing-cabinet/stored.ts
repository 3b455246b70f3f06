/** The described cabinet, kept in this browser across reloads; anything unknown in it is ignored. */
import { assessExisting, inches, mm, type DisplayUnit, type ExistingCabinet } from '@keen/core';
import { storedText, storeText } from '../../ui/storage.ts';

const KEY = 'keen-worry';

/** The default cabinet, before anything is entered. */
export const UNDESCRIBED: ExistingCabinet = {
  height: mm(700),
  depth: mm(300),
  emptyKg: 15,
  contentsKg: 25,
  floorKg: 12,
  covering: mm(12.5),
  studs: 2,
  perStud: 2,
  fixing: 'wood-screws',
  screw: '#10',
  screwLength: mm(75),
  cleat: 'birch-plywood',
  thickness: mm(18),
  shortFace: mm(60),
  wallBevelDeg: 45,
  cabinetBevelDeg: 45,
  upsideDown: false,
  spacer: true,
  locked: false,
  heldBy: 'staples',
  heldIn: 'back',
  heldCount: 6,
  backMm: mm(6),
  bottom: 'between',
  bottomBy: 'butt-glue',
  bottomCount: 4,
  glueOnFinish: false,
  lidHand: mm(0),
  lidTouch: mm(0),
};

/** The same with inch sizes. */
const UNDESCRIBED_IN: ExistingCabinet = {
  ...UNDESCRIBED,
  height: inches(28),
  depth: inches(12),
  covering: inches(0.5),
  screwLength: inches(3),
  thickness: inches(0.75),
  shortFace: inches(2.5),
  backMm: inches(0.25),
};

/** The default in either unit. */
export const undescribed = (unit: DisplayUnit): ExistingCabinet => (unit === 'in' ? UNDESCRIBED_IN : UNDESCRIBED);

const same = (a: ExistingCabinet, b: ExistingCabinet): boolean => JSON.stringify(a) === JSON.stringify(b);
export const isUndescribed = (existing: ExistingCabinet): boolean => same(existing, UNDESCRIBED) || same(existing, UNDESCRIBED_IN);

export function storedExisting(): ExistingCabinet {
  try {
    const kept = JSON.parse(storedText(KEY) ?? 'null') as Record<string, unknown> | null;
    if (!kept) return UNDESCRIBED;
    // A field whose kind has changed counts as not entered.
    const told = Object.entries<unknown>({ ...UNDESCRIBED }).map(([key, value]): [string, unknown] => [
      key,
      typeof kept[key] === typeof value ? kept[key] : value,
    ]);
    const existing = Object.fromEntries(told) as unknown as ExistingCabinet;
    // What can no longer be judged is ignored: a screw or board that is gone from the lists.
    assessExisting(existing);
    return existing;
  } catch {
    return UNDESCRIBED;
  }
}

export function storeExisting(existing: ExistingCabinet): void {
  storeText(KEY, JSON.stringify(existing));
}
