/** What a test cut at a setting can measure, as a fact of the record, and what the shop has learned from its test cuts. */
import {
  entered,
  enteredFromNm,
  exactTextWithUnit,
  mm,
  onScale,
  scaleOf,
  STACK_ID,
  type DisplayUnit,
  type Entered,
  type Known,
  type Calibration,
  type Length,
  type NewFact,
  type Setting,
  type Shop,
} from '@keen/core';

/** A result further off than this belongs to another cut, mm. */
const MAX_OFF = 2.5;

/** One thing a test cut at a setting can measure. */
export interface Tried {
  readonly id: string;
  readonly option: string;
  readonly of?: 'place' | 'kerf';
  readonly cutter: string;
  /** The set or measured size. */
  readonly thick: number;
  readonly wanted: Length;
  readonly known: Known | undefined;
  readonly says: (known: Known, unit: DisplayUnit) => string;
}

export function triesAt(setting: Setting, shop: Shop, learned: Calibration): Tried[] {
  const { stack, router, distance } = setting;
  const tries: Tried[] = [];
  const width = (cutter: string, thick: number, wanted: Length): void =>
    void tries.push({ id: 'width', option: 'width of the slot', cutter, thick, wanted, known: learned.over.get(cutter), says: widthSays });
  const bit = router && shop.bits[router.bit];
  if (stack && shop.stack) width(STACK_ID, stack.cuts - shop.stack.over.nm, stack.cuts);
  if (bit) width(bit.id, bit.diameter.nm, router.cuts);
  if (distance) {
    const cutter = scaleOf(setting);
    const set = onScale(setting, learned)?.reads ?? distance;
    tries.push({ id: 'place', option: 'where it came', of: 'place', cutter, thick: set, wanted: distance, known: learned.place.get(cutter), says: placeSays });
  }
  const { kerf } = shop.machines[setting.machine]!;
  if (kerf && !stack && !router && setting.bit === undefined)
    tries.push({
      id: 'kerf',
      option: 'what the blade takes away',
      of: 'kerf',
      cutter: setting.machine,
      thick: kerf.nm,
      wanted: kerf.nm,
      known: learned.kerf.get(setting.machine),
      says: kerfSays,
    });
  return tries;
}

const widthSays: Tried['says'] = ({ nm }, unit) =>
  nm === 0 ? 'cuts as wide as it is' : `cuts ${exactTextWithUnit(Math.abs(nm) as Length, unit)} ${nm > 0 ? 'wider' : 'narrower'} than it is`;

const placeSays: Tried['says'] = ({ nm }, unit) =>
  nm === 0 ? 'comes out as the scale says' : `comes out ${exactTextWithUnit(Math.abs(nm) as Length, unit)} ${nm > 0 ? 'over' : 'under'} what the scale says`;

/** Plausible results. */
export const cameLimits = ({ wanted }: Tried): { readonly least: Length; readonly most: Length } => ({
  least: Math.max(mm(0.3), wanted - mm(MAX_OFF)) as Length,
  most: (wanted + mm(MAX_OFF)) as Length,
});

export const testCutFact = ({ of, cutter, thick }: Tried, came: Entered): NewFact => ({
  kind: 'test-cut',
  testCut: { ...(of ? { of } : {}), cutter, thick: enteredFromNm(thick), came: entered(came.text) },
});

/** Everything test cuts have measured, one line each. */
export function cutterWords({ over, place, kerf }: Calibration, shop: Shop, unit: DisplayUnit): string[] {
  const bit = (id: string): string =>
    id === STACK_ID ? 'The dado stack' : shop.bits[id] ? `The ${exactTextWithUnit(shop.bits[id].diameter.nm, unit)} bit` : id;
  const machine = (id: string): string => shop.machines[id.split('/')[0]!]?.name ?? id;
  const by = ({ cuts }: Known): string => (cuts === 1 ? 'one test cut' : `the last ${cuts} test cuts`);
  const lines = (of: ReadonlyMap<string, Known>, name: (id: string) => string, says: Tried['says']): string[] =>
    [...of].map(([id, known]) => `${name(id)} ${says(known, unit)}, by ${by(known)}.`);
  return [
    ...lines(over, bit, widthSays),
    ...lines(place, (id) => `What is set at the ${machine(id)}`, placeSays),
    ...lines(kerf, (id) => `The blade of the ${machine(id)}`, kerfSays),
  ];
}

const kerfSays: Tried['says'] = ({ nm }, unit) => `takes ${exactTextWithUnit(nm as Length, unit)} away`;
