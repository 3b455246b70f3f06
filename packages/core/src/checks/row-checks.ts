/** Checks of rows: how many fit, what supports them, what keeps them in place. Rules: docs/checks.md. */
import { footprintOf, isLimp, rollsOut, standsThin } from '../contents/item.ts';
import type { RowAnswer } from '../contents/row.ts';
import { NM_PER, toMm, type Length } from '../length/length.ts';
import { BACK_TILT_DEG } from './held-in.ts';
import { inSpec, type Check, type CheckContext } from './context.ts';
import type { Finding, Fix } from './finding.ts';
import { roundDown, roundUp } from './round.ts';

/** Least overlap of an item over the gap it bridges; a limp one needs three times the gap. [A] */
const OVER_GAP = 20 * NM_PER.mm;
const LIMP_SHARE = 3;
/** Tilt that keeps items in place. [A] */

const rowChecks: Check = (context) =>
  context.rows.flatMap((answer) => [...slotCount(context, answer), ...gapBridged(context, answer), ...rowHolds(context, answer)]);

const rowBase = ({ spec, cabinet }: CheckContext, { row, items }: RowAnswer) => ({
  unit: spec.id,
  station: 'contents' as const,
  panels: cabinet.compartments.filter(({ keptBy }) => keptBy === row.on).map(({ floor }) => floor),
  item: items[0]!.name,
  things: items.map(({ id }) => id),
});

function slotCount(context: CheckContext, answer: RowAnswer): Finding[] {
  const { spec } = context;
  const { row, wanted, fits, inside, needs, oneMore } = answer;
  if (wanted === fits) return [];
  const at = (key: string): string[] => inSpec(context, 'rows', row.id, key);
  const wider = roundUp(toMm((spec.width.nm + needs.value - inside.value) as Length), spec.unit);
  const pitched = row.kind === 'slots' || row.kind === 'notches';
  const closest = wanted > 1 && pitched ? closerPitch(answer, spec.unit) : null;
  const fixes: Fix[] = [];
  if (fits > 0) fixes.push({ label: { key: 'take-count', number: fits }, edit: [{ path: at('wanted'), value: fits }] });
  if (wanted > fits && needs.value > inside.value)
    fixes.push({ label: { key: 'make-wider', lengthNm: wider.nm }, edit: [{ path: inSpec(context, 'width'), value: wider }] });
  if (wanted > fits && closest) fixes.push({ label: { key: 'closer-pitch', lengthNm: closest.nm }, edit: [{ path: at('pitch'), value: closest }] });
  return [
    {
      ...rowBase(context, answer),
      check: 'slot-count',
      severity: wanted > fits ? 'change' : 'look',
      wanted,
      fits,
      oneMoreNm: oneMore,
      insideNm: inside.value,
      fixes,
    },
  ];
}

/** The pitch at which all wanted items fit, where they still clear one another. */
function closerPitch({ row, items, inside, wanted }: RowAnswer, unit: 'mm' | 'in'): ReturnType<typeof roundDown> | null {
  const { along } = footprintOf(items[0]!);
  const slot = row.kind === 'notches' ? (items[0]!.neck?.nm ?? along) + row.clearance.nm : row.thickness.nm;
  const pitch = roundDown(toMm(Math.floor((inside.value - 2 * row.margin.nm - slot) / (wanted - 1)) as Length), unit);
  return pitch.nm >= along + (row.kind === 'notches' ? 0 : row.thickness.nm) ? pitch : null;
}

function gapBridged(context: CheckContext, answer: RowAnswer): Finding[] {
  const { row, items } = answer;
  if (row.kind !== 'supports') return [];
  return items.flatMap((item): Finding[] => {
    // It lies across the supports from front to back.
    const { out } = footprintOf(item);
    const limp = isLimp(item);
    const most = Math.min(out - OVER_GAP, limp ? Math.floor(out / LIMP_SHARE) : Infinity);
    if (row.gap.nm <= most) return [];
    const gap = roundDown(Math.max(0, toMm(most as Length)), context.spec.unit);
    return [
      {
        ...rowBase(context, answer),
        check: 'bridges-gap',
        severity: 'change',
        lengthNm: out,
        gapNm: row.gap.nm,
        limp,
        fixes: [{ label: { key: 'closer-supports', lengthNm: gap.nm }, edit: [{ path: inSpec(context, 'rows', row.id, 'gap'), value: gap }] }],
      },
    ];
  });
}

/** In a row, a lip or a back tilt keeps rolls and unstable items. */
function rowHolds(context: CheckContext, answer: RowAnswer): Finding[] {
  const { row, items } = answer;
  if (row.lip !== null || row.tiltDeg >= BACK_TILT_DEG || row.kind === 'cells' || row.kind === 'modules') return [];
  const item = items.find((each) => each.kind === 'roll' || rollsOut(each) || standsThin(each));
  if (!item) return [];
  const at = (key: string): string[] => inSpec(context, 'rows', row.id, key);
  const lip = roundUp(12, context.spec.unit);
  return [
    {
      ...rowBase(context, answer),
      check: 'slides-off',
      severity: 'look',
      item: item.name,
      things: [item.id],
      why: standsThin(item) ? 'thin' : 'rolls',
      thickNm: footprintOf(item).out,
      fixes: [
        { label: { key: 'add-lip', lengthNm: lip.nm }, edit: [{ path: at('lip'), value: lip }] },
        { label: { key: 'tilt-back', number: 5 }, edit: [{ path: at('tiltDeg'), value: 5 }] },
      ],
    },
  ];
}

export const ROW_CHECKS: readonly Check[] = [rowChecks];
