/** What of a plan is printed at its true size: sticks, templates of parts, wedges for its angles. */
import { pieceDrawing, setupsOf, type DisplayUnit, type PartLine, type Plan, type Shop, type UnitPlan } from '@keen/core';
import type { TrueDrawing } from './marks.ts';
import { stickDrawing, sticksOf } from './sticks.ts';
import { partTemplate, wedge } from './templates.ts';

export const TRUE_SIZE_KINDS = ['sticks', 'templates', 'wedges'] as const;
export type TrueSizeKind = (typeof TRUE_SIZE_KINDS)[number];
export const isTrueSizeKind = (kind: string): kind is TrueSizeKind => TRUE_SIZE_KINDS.some((each) => each === kind);

export interface TrueSizeWish {
  readonly plan: Plan;
  readonly units: readonly UnitPlan[];
  readonly shop: Shop;
  readonly display: DisplayUnit;
  /** Templates of these alone; null for all parts that have something cut into them. */
  readonly marks: readonly string[] | null;
}

/** Drawings of one kind; none where nothing of a unit asks for one. */
export function trueSizeDrawings(kind: TrueSizeKind, wish: TrueSizeWish): TrueDrawing[] {
  switch (kind) {
    case 'sticks':
      return wish.units.flatMap(({ unit }) => {
        const setups = setupsOf([unit], wish.shop);
        return sticksOf(setups).map((stick) => stickDrawing(stick, setups.blanks, wish.plan, wish.display));
      });
    case 'templates':
      return wish.units.flatMap(({ unit, parts }) =>
        parts
          .filter(({ mark, features }) => (wish.marks === null ? features.length > 0 : wish.marks.includes(mark)))
          .map((line) => partTemplate(line, pieceDrawing(line, unit))),
      );
    case 'wedges':
      return anglesOf(wish.units.flatMap(({ parts }) => parts)).map(({ angle, what }) => wedge(angle, what));
  }
}

interface Angle {
  readonly angle: number;
  readonly what: string;
}

/** Every angle once, with the parts it is for: blades tilted off square, sides and slots that run at a slant. Over 45 degrees it is set from the other side. */
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
