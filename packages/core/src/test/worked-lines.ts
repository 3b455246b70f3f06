/** A cabinet of a family on its own, and its lines of the cut list as the hand-worked tests ask for them. Test support. */
import { expect } from '@jest/globals';
import { toMm } from '../length/length.ts';
import type { Feature } from '../parts/features.ts';
import type { PartLine } from '../parts/part-line.ts';
import { newSpec } from './family-units.ts';
import { aloneBox } from './print-room.ts';
import type { FamilyId, CabinetSpec } from '../model/specs/cabinet-spec.ts';

export const rad = (deg: number): number => (deg * Math.PI) / 180;
export const cabinetPlanOf = (family: FamilyId, changes: Record<string, unknown> = {}) => aloneBox({ ...newSpec(family), ...changes } as CabinetSpec);

/** The line a part is in, by the name of one of its panels. */
export function line(parts: readonly PartLine[], key: string, of?: string): PartLine {
  const found = parts.find(({ names }) => names.some((name) => name.key === key && (of === undefined || name.of === of)));
  if (!found) throw new Error(`no part is called ${key}`);
  return found;
}
export const size = ({ length, width }: PartLine): [number, number] => [toMm(length.value), toMm(width.value)];
export function measures(part: PartLine, long: number, wide: number): void {
  const [length, width] = size(part);
  expect(length).toBeCloseTo(long, 3);
  expect(width).toBeCloseTo(wide, 3);
}
export const bevels = ({ features }: PartLine): [string, number][] =>
  features
    .filter(({ kind }) => kind === 'edge-bevel')
    .map(({ from, tiltDeg }): [string, number] => [from, Math.round(tiltDeg * 1000) / 1000])
    .sort();
export const of = ({ features }: PartLine, kind: Feature['kind']): Feature[] => features.filter((each) => each.kind === kind);
