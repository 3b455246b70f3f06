/** True-size prints of a plan: story sticks, part templates, wedges for its angles. */
import {
  pieceDrawing,
  plan as planOf,
  Refusal,
  setupsOf,
  type DisplayUnit,
  type PartLine,
  type Plan,
  type ProjectFile,
  type Shop,
  type CabinetPlan,
} from '@keen/core';
import type { TrueDrawing } from './marks.ts';
import { stickDrawing, sticksOf } from './sticks.ts';
import type { SheetPicture } from './sheet-picture.ts';
import { partTemplate, wedge } from './templates.ts';
import { trueSizeSheets, type TrueSizeOptions } from './true-size-sheets.ts';

export const TRUE_SIZE_KINDS = ['sticks', 'templates', 'wedges'] as const;
export type TrueSizeKind = (typeof TRUE_SIZE_KINDS)[number];
export const isTrueSizeKind = (kind: string): kind is TrueSizeKind => TRUE_SIZE_KINDS.some((each) => each === kind);

export interface TrueSizeWish {
  readonly plan: Plan;
  readonly cabinets: readonly CabinetPlan[];
  readonly shop: Shop;
  readonly display: DisplayUnit;
  /** Templates of these alone; null for all parts with cuts. */
  readonly marks: readonly string[] | null;
}

/** A print request in text: a cabinet by id, parts by their marks. */
export interface TrueSizeAsked extends Omit<TrueSizeOptions, 'project'> {
  readonly project: ProjectFile;
  readonly unit: string | null;
  readonly marks: readonly string[] | null;
  readonly display: DisplayUnit;
}

/**
 * The sheets of a print.
 * @throws Refusal on an unknown kind, cabinet or mark, and where nothing needs the kind
 */
export function trueSizePrint(kind: string, { project: { design, record, workshop }, unit, marks, display, ...options }: TrueSizeAsked): SheetPicture[] {
  if (!isTrueSizeKind(kind)) throw new Refusal('kind', `'${kind}' cannot be printed`, 'kind', `one of: ${TRUE_SIZE_KINDS.join(', ')}`);
  const made = planOf(design, record, workshop);
  const cabinets = unit === null ? made.cabinets : made.cabinets.filter(({ id }) => id === unit);
  if (cabinets.length === 0)
    throw new Refusal('unit', `there is no cabinet '${unit ?? ''}' in it`, 'unit', `one that exists: ${made.cabinets.map(({ id }) => id).join(', ')}`);
  const known = cabinets.flatMap(({ parts }) => parts.map(({ mark }) => mark));
  const strange = marks?.find((mark) => !known.includes(mark));
  if (strange !== undefined) throw new Refusal('part', `there is no part '${strange}' in it`, 'part', `marks, with commas between: ${known.join(', ')}`);
  const drawings = trueSizeDrawings(kind, { plan: made, cabinets, shop: workshop.shop, display, marks });
  if (drawings.length === 0) throw new Refusal('nothing', `nothing of it asks for ${kind}`, 'kind', 'another kind, or another cabinet');
  return trueSizeSheets(drawings, { ...options, project: design.name });
}

/** Drawings of one kind; none where no cabinet needs one. */
export function trueSizeDrawings(kind: TrueSizeKind, wish: TrueSizeWish): TrueDrawing[] {
  switch (kind) {
    case 'sticks':
      return wish.cabinets.flatMap(({ cabinet }) => {
        const setups = setupsOf([cabinet], wish.shop);
        return sticksOf(setups).map((stick) => stickDrawing(stick, setups.blanks, wish.plan, wish.display));
      });
    case 'templates':
      return wish.cabinets.flatMap(({ cabinet, parts }) =>
        parts
          .filter(({ mark, features }) => (wish.marks === null ? features.length > 0 : wish.marks.includes(mark)))
          .map((line) => partTemplate(line, pieceDrawing(line, cabinet))),
      );
    case 'wedges':
      return anglesOf(wish.cabinets.flatMap(({ parts }) => parts)).map(({ angle, what }) => wedge(angle, what));
  }
}

interface Angle {
  readonly angle: number;
  readonly what: string;
}

/** Every angle once, with its parts: blades tilted off square, slanted sides and slots. Above 45 degrees it is set from the other side. */
function anglesOf(lines: readonly PartLine[]): Angle[] {
  const marks = new Map<string, { readonly angle: number; readonly use: string; readonly of: Set<string> }>();
  for (const { mark, features } of lines)
    for (const { tiltDeg, angleDeg, kind } of features)
      for (const [deg, use] of [
        [tiltDeg, 'blade tilted from square'],
        [angleDeg ?? 0, kind === 'slant' ? 'side at a slant' : 'slot at a slant'],
      ] as const) {
        const angle = Math.round((deg > 45 ? 90 - deg : deg) * 100) / 100;
        if (angle < 0.1) continue;
        const key = `${angle} ${use}`;
        const known = marks.get(key) ?? { angle, use, of: new Set<string>() };
        known.of.add(mark);
        marks.set(key, known);
      }
  return [...marks.values()].sort((a, b) => a.angle - b.angle).map(({ angle, use, of }) => ({ angle, what: `${use}, for ${[...of].join(', ')}` }));
}
