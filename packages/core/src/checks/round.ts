/** Lengths as a person would set them: multiples of 5 mm, eighths of an inch. */
import { entered, type Entered } from '../length/entered.ts';
import type { DisplayUnit } from '../length/length.ts';

/** A round length at or under a number of mm. */
export function roundDown(mm: number, unit: DisplayUnit): Entered {
  if (unit === 'mm') return entered(`${Math.floor(mm / 5) * 5} mm`);
  const eighths = Math.floor(mm / 3.175);
  return entered(`${eighths / 8} in`);
}

export function roundUp(mm: number, unit: DisplayUnit): Entered {
  if (unit === 'mm') return entered(`${Math.ceil(mm / 5) * 5} mm`);
  return entered(`${Math.ceil(mm / 3.175) / 8} in`);
}
