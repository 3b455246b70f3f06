/** What strengthens a hanging, link by link, in the order of docs/formulas/hanging-verdict.md. Fixes are data: nothing is tried here. */
import type { FixKey } from './words/fixes.ts';
import { groundOf } from '../hang/grounds.ts';
import type { LinkKind } from '../hang/link.ts';
import { minFromEndMm, studsBehind, wallHalfEnds } from '../hang/wall-links.ts';
import { screwById } from '../joints/screws.ts';
import { entered, type Entered } from '../length/entered.ts';
import { toMm, ZERO } from '../length/length.ts';
import { hangsOnCleat } from '../solid/cabinet.ts';
import { dadoAt } from './box-checks.ts';
import type { CheckContext } from './context.ts';
import type { Fix, FixLabel } from './finding.ts';
import { roundDown, roundUp } from './round.ts';

/** Inputs of a strengthening fix. */
export type HangContext = Pick<CheckContext, 'spec' | 'cabinet' | 'hangInput'>;

/** The nearest place along the wall with two studs behind the wall cleat. */
export function moveOverStuds(context: HangContext): Fix[] {
  const { spec, hangInput, cabinet } = context;
  const { from, to } = wallHalfEnds(cabinet);
  const end = 10 * screwById(spec.hanging.wallScrew.screw).diameterMm;
  const all = hangInput.studsMm;
  let best: number | undefined;
  for (let i = 0; i + 1 < all.length; i++) {
    const least = all[i + 1]! + end - to;
    const most = all[i]! - end - from;
    if (least > most) continue;
    const shift = Math.max(least, Math.min(0, most));
    if (best === undefined || Math.abs(shift) < Math.abs(best)) best = shift;
  }
  if (best === undefined || toMm(spec.place.along.nm) + best < 0) return [];
  if (toMm(spec.place.along.nm) + best + toMm(cabinet.outside.width.value) > toMm(hangInput.wall.width.nm)) return [];
  const along = toMm(spec.place.along.nm) + best;
  const value = best > 0 ? roundUp(along, spec.unit) : roundDown(along, spec.unit);
  return [{ label: { key: 'move-along', lengthNm: value.nm }, edit: [{ path: ['units', spec.id, 'place', 'along'], value }] }];
}

/** The nearest place centered on its studs, which minimizes the overhang beyond the last one. */
function evenOverStuds(context: HangContext): Fix[] {
  const { spec, hangInput, cabinet } = context;
  const { from, to } = wallHalfEnds(cabinet);
  const room = to - from - 2 * minFromEndMm(cabinet);
  const all = hangInput.studsMm;
  // In order along the wall: a pair wider than the cleat has only wider ones after it.
  const shifts: { readonly span: number; readonly by: number }[] = [];
  for (const [i, first] of all.entries())
    for (let j = i + 1; j < all.length && all[j]! - first <= room; j++) shifts.push({ span: all[j]! - first, by: (first + all[j]! - from - to) / 2 });
  const widest = Math.max(0, ...shifts.map(({ span }) => span));
  // Spans within a screw's width count as equal.
  const best = shifts.filter(({ span }) => span > widest - 10).sort((a, b) => Math.abs(a.by) - Math.abs(b.by))[0];
  if (!best || Math.abs(best.by) < 1) return [];
  const along = toMm(spec.place.along.nm) + best.by;
  const value = best.by > 0 ? roundUp(along, spec.unit) : roundDown(along, spec.unit);
  if (along < 0 || along + toMm(cabinet.outside.width.value) > toMm(hangInput.wall.width.nm)) return [];
  return [{ label: { key: 'move-along', lengthNm: value.nm }, edit: [{ path: ['units', spec.id, 'place', 'along'], value }] }];
}

const ROOM_PAST_STUD_MM = 60;
/** Fewest studs a wall cleat is extended to. */
const WANTED_STUDS = 2;

/**
 * Extends the wall cleat to another stud, on the side where that takes less; only for an outside cleat. With two studs behind it already, a stud beyond the
 * cabinet's own width would not relieve them.
 */
export function runOn(context: HangContext): Fix[] {
  const { spec, cabinet, hangInput } = context;
  if (spec.hanging.kind !== 'outside') return [];
  const { from, to } = wallHalfEnds(cabinet);
  // With room for the next larger screw too.
  const end = Math.max(10 * screwById(spec.hanging.wallScrew.screw).diameterMm, ROOM_PAST_STUD_MM);
  const width = toMm(cabinet.outside.width.value);
  const behind = studsBehind(cabinet, hangInput.studsMm);
  const wanted = Math.max(WANTED_STUDS, behind.length + 1);
  const studs = behind.length < WANTED_STUDS ? hangInput.studsMm : hangInput.studsMm.filter((at) => at >= 0 && at <= width);
  // The first `wanted` studs from one end of the cleat: the other end must reach the last of them.
  const right = studs.filter((at) => at >= from + end)[wanted - 1];
  const left = [...studs].reverse().filter((at) => at <= to - end)[wanted - 1];
  const rows: { by: number; edge: 'rightInset' | 'leftInset' }[] = [];
  if (right !== undefined) rows.push({ by: right + end - width, edge: 'rightInset' });
  if (left !== undefined) rows.push({ by: end - left, edge: 'leftInset' });
  return rows
    .filter(({ by }) => by > 0)
    .sort((a, b) => a.by - b.by)
    .slice(0, 1)
    .map(({ by, edge }) => {
      const reach = roundUp(by, spec.unit);
      return {
        label: { key: edge === 'rightInset' ? 'run-on-right' : 'run-on-left', lengthNm: reach.nm },
        edit: [{ path: ['units', spec.id, 'hanging', edge], value: entered(`-${reach.text}`) }],
      };
    });
}

/** Fixes for one kind of link, most effective first, in the order of docs/formulas/hanging-verdict.md. */
export function strengthen(context: HangContext, kind: LinkKind): Fix[] {
  const { spec } = context;
  const path = (...keys: string[]): string[] => ['units', spec.id, ...keys];
  const more = (key: FixKey, number: number, ...at: string[]): Fix => ({ label: { key, number }, edit: [{ path: path(...at), value: number }] });
  switch (kind) {
    case 'wall-screws':
      return [...runOn(context), ...moreFixings(context), ...strongerWallScrews(context)];
    // Screws do not stiffen it: only another stud, or more wood.
    case 'wall-half-bending':
      return [...runOn(context), ...evenOverStuds(context), ...(hangsOnCleat(spec.hanging) ? [tallerCleat({ spec })] : [])];
    case 'cabinet-screws': {
      const { count } = spec.hanging.cabinetScrew;
      return [more('more-cabinet-screws', Math.min(24, count + Math.max(2, Math.ceil(count / 2))), 'hanging', 'cabinetScrew', 'count')].filter(
        () => count < 24,
      );
    }
    case 'rail-joint': {
      const { railScrews } = spec.hanging;
      return railScrews < 8 ? [more('more-rail-screws', Math.min(8, railScrews + 2), 'hanging', 'railScrews')] : [];
    }
    case 'floor-joint':
      return everyFloorInDado(context);
    case 'tip':
      return spec.hanging.antiLift ? [] : [{ label: { key: 'add-anti-lift' }, edit: [{ path: path('hanging', 'antiLift'), value: true }] }];
    case 'prop':
    case 'ledger':
    case 'leaf-bending':
    case 'leaf-hinge':
      return (context.cabinet.props ?? []).flatMap(({ stronger }) =>
        stronger.map(({ label, path: at, value }) => ({ label: madeStronger(label, value), edit: [{ path: path(...at), value }] })),
      );
    case 'bevel-bearing': {
      const longer = roundUp(toMm(spec.hanging.brackets?.length.nm ?? ZERO) * 1.5, spec.unit);
      return longer.nm > 0
        ? [{ label: { key: 'longer-brackets', lengthNm: longer.nm }, edit: [{ path: path('hanging', 'brackets', 'length'), value: longer }] }]
        : [];
    }
    case 'plane-second': {
      const count = spec.hanging.second?.count ?? 0;
      return count < 24 ? [more('more-second', Math.min(24, count + 2), 'hanging', 'second', 'count')] : [];
    }
    case 'plane-back':
      return strongerWallScrews(context).filter(({ label }) => label.key === 'more-upper' || label.key === 'more-lower');
    case 'slide':
      return strongerSlides(spec);
    case 'tab':
    case 'spacer':
    case 'hold-down':
      return [];
  }
}

/** Least spacing of fixings where no stud decides, mm; reduction of the spacing asked for. */
const MIN_EVERY_MM = 80;
const CLOSER = 0.65;

/** More fixings, and a larger plug where its low table value counts, on a wall without studs. */
function moreFixings({ spec, hangInput: { wall } }: HangContext): Fix[] {
  const ground = groundOf(wall);
  if (ground !== 'masonry' && ground !== 'anchors') return [];
  const every = roundDown(Math.max(MIN_EVERY_MM, toMm(wall.fixing.every.nm) * CLOSER), spec.unit);
  const plug = ({ '6mm': '8mm', '8mm': '10mm', '10mm': null } as const)[wall.fixing.plug];
  return [
    ...(every.nm < wall.fixing.every.nm
      ? [{ label: { key: 'closer-fixings' as const, lengthNm: every.nm }, edit: [{ path: ['wall', 'fixing', 'every'], value: every }] }]
      : []),
    ...(ground === 'masonry' && plug && wall.fixing.pullN === null
      ? [{ label: { key: 'larger-plug' as const, text: plug.replace('mm', ' mm') }, edit: [{ path: ['wall', 'fixing', 'plug'], value: plug }] }]
      : []),
  ];
}

/** Usual ratings of a pair of slides, kg. */
const SLIDE_RATINGS = [25, 30, 35, 45, 60, 80, 100, 120];

/** The next rating up; none above the heaviest. */
function strongerSlides(spec: HangContext['spec']): Fix[] {
  if (!('slides' in spec)) return [];
  const rated = SLIDE_RATINGS.find((kg) => kg > spec.slides.ratedKg);
  return rated === undefined
    ? []
    : [{ label: { key: 'stronger-slides', number: rated }, edit: [{ path: ['units', spec.id, 'slides', 'ratedKg'], value: rated }] }];
}

/** Words of a fix: a length or a number with the family's own label. */
const madeStronger = (key: FixKey, value: unknown): FixLabel => (typeof value === 'number' ? { key, number: value } : { key, lengthNm: (value as Entered).nm });

/** Makes every joint that supports a floor a dado, where its family allows. */
function everyFloorInDado(context: Pick<HangContext, 'spec' | 'cabinet'>): Fix[] {
  const floors = new Set(context.cabinet.compartments.map(({ floor }) => floor));
  const places = new Map(
    context.cabinet.connections
      .filter(({ guest, host }) => floors.has(guest) || floors.has(host))
      .flatMap(({ designPath }) => (designPath ? [[designPath.join('.'), designPath]] : [])),
  );
  const edit = [...places.values()].flatMap((decided) => dadoAt(context, decided));
  return edit.length > 0 ? [{ label: { key: 'use-dado' }, edit }] : [];
}

/** More screws per stud, then a larger one, then a taller cleat. */
export function strongerWallScrews(context: Pick<HangContext, 'spec'>): Fix[] {
  const { spec } = context;
  const { wallScrew } = spec.hanging;
  const path = (...keys: string[]): string[] => ['units', spec.id, 'hanging', ...keys];
  const fixes: Fix[] = [];
  const inRows = spec.hanging.kind !== 'plates';
  if (inRows && wallScrew.upper < 2)
    fixes.push({ label: { key: 'more-upper', number: wallScrew.upper + 1 }, edit: [{ path: path('wallScrew', 'upper'), value: wallScrew.upper + 1 }] });
  if (inRows && wallScrew.lower < 2)
    fixes.push({ label: { key: 'more-lower', number: wallScrew.lower + 1 }, edit: [{ path: path('wallScrew', 'lower'), value: wallScrew.lower + 1 }] });
  const larger = { '#6': '#8', '#8': '#10', '#10': '#12', '#12': '#14', '3.5mm': '4mm', '4mm': '5mm', '4.5mm': '5mm', '5mm': '6mm', '6mm': '8mm' }[
    wallScrew.screw
  ];
  if (larger) fixes.push({ label: { key: 'larger-screw', text: screwById(larger).name }, edit: [{ path: path('wallScrew', 'screw'), value: larger }] });
  if (spec.hanging.kind === 'plates')
    fixes.push(
      { label: { key: 'screw-through' }, edit: [{ path: path('kind'), value: 'through' }] },
      { label: { key: 'hang-on-cleat' }, edit: [{ path: path('kind'), value: 'outside' }] },
    );
  if (hangsOnCleat(spec.hanging)) fixes.push(tallerCleat({ spec }));
  return fixes;
}

/** The cleat ripped from a board two inches or 40 mm wider. */
export function tallerCleat({ spec }: Pick<HangContext, 'spec'>): Fix {
  const { boardWidth } = spec.hanging;
  const taller = spec.unit === 'mm' ? entered(`${Math.round(toMm(boardWidth.nm)) + 40} mm`) : entered(`${Math.round(boardWidth.nm / 25_400_000) + 2} in`);
  return { label: { key: 'taller-cleat', lengthNm: taller.nm }, edit: [{ path: ['units', spec.id, 'hanging', 'boardWidth'], value: taller }] };
}
