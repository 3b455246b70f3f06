/**
 * Converts a cabinet to round numbers in the other unit: every entered length moves to the nearest round one within its limits, and each change is listed.
 * Purchased sizes (screws, boards, sheets) stay, and so do lengths that are already round.
 */
import type { WordKey } from '../checks/words/labels.ts';
import { familyOf } from '../cabinets/families.ts';
import type { FormField } from '../cabinets/form.ts';
import { entered, type Entered } from '../length/entered.ts';
import { NM_PER, type DisplayUnit, type Length } from '../length/length.ts';
import type { EditStep } from '../model/edit.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

export interface MovedSize {
  /** Inside the cabinet. */
  readonly path: readonly string[];
  /** Label of the field; the element it belongs to, counted from one. */
  readonly label: WordKey;
  readonly element: number | null;
  readonly from: Entered;
  readonly to: Entered;
}

export interface Redesign {
  readonly unit: DisplayUnit;
  readonly moved: readonly MovedSize[];
  readonly edit: readonly EditStep[];
}

/** Rounding steps by size: a width to fives of a millimeter or quarters of an inch, a rabbet to halves or thirty-seconds. [ASSUME] */
const STEPS: Readonly<Record<DisplayUnit, readonly (readonly [from: number, step: number])[]>> = {
  mm: [
    [100 * NM_PER.mm, 5 * NM_PER.mm],
    [20 * NM_PER.mm, NM_PER.mm],
    [0, NM_PER.mm / 2],
  ],
  in: [
    [4 * NM_PER.in, NM_PER.in / 4],
    [NM_PER.in, NM_PER.in / 16],
    [0, NM_PER.in / 32],
  ],
};

/** The nearest round length within the field's limits. */
export function roundedIn(nm: number, unit: DisplayUnit, least: Length, most: Length): Entered {
  const step = STEPS[unit].find(([from]) => Math.abs(nm) >= from)![1];
  let steps = Math.round(nm / step);
  while (steps * step < least) steps++;
  while (steps * step > most) steps--;
  return entered(unit === 'mm' ? `${(steps * step) / NM_PER.mm} mm` : fraction(steps, NM_PER.in / step));
}

/** '23 1/4 in', from a number of inch fractions. */
function fraction(parts: number, of: number): string {
  const sign = parts < 0 ? '-' : '';
  const [whole, rest] = [Math.floor(Math.abs(parts) / of), Math.abs(parts) % of];
  if (rest === 0) return `${sign}${whole} in`;
  let [top, bottom] = [rest, of];
  while (top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  return `${sign}${whole === 0 ? '' : `${whole} `}${top}/${bottom} in`;
}

/** Sizes bought as they are, such as a screw's length or the cleat board; and the position on this wall. */
const BOUGHT = [
  'assembly.length',
  'hanging.wallScrew.length',
  'hanging.cabinetScrew.length',
  'hanging.boardWidth',
  'hingeScrew.length',
  'slides.length',
  'slides.clearance',
  'band',
  'place.along',
  'place.up',
];

export function redesign(spec: CabinetSpec, unit: DisplayUnit): Redesign {
  const { fields, elements } = familyOf(spec).form;
  const moved: MovedSize[] = [];
  const look = (row: unknown, rows: readonly FormField[], before: readonly string[], element: number | null): void => {
    for (const field of rows) {
      if (field.kind !== 'length' || BOUGHT.includes(field.path.join('.'))) continue;
      const from = field.path.reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], row) as Entered | null | undefined;
      if (!from || !(field.when?.(row) ?? true)) continue;
      const to = roundedIn(from.nm, unit, field.least, field.most);
      if (to.nm === from.nm && from.text.endsWith(unit)) continue;
      moved.push({ path: [...before, ...field.path], label: field.label, element, from, to });
    }
  };
  look(spec, fields, [], null);
  for (const { path, fields: rows } of elements) {
    const list = Object.values((spec as unknown as Record<string, Record<string, { id: string; order: number }>>)[path] ?? {}).sort(
      (a, b) => a.order - b.order,
    );
    list.forEach((element, index) => look(element, rows, [path, element.id], index + 1));
  }
  const inSpec = (path: readonly string[], value: unknown): EditStep => ({ path: ['units', spec.id, ...path], value });
  return { unit, moved, edit: [...(spec.unit === unit ? [] : [inSpec(['unit'], unit)]), ...moved.map(({ path, to }) => inSpec(path, to))] };
}

/** The largest change, nm. */
export const largestChange = ({ moved }: Redesign): number => Math.max(0, ...moved.map(({ from, to }) => Math.abs(to.nm - from.nm)));
