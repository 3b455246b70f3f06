/** Settings of a machine for a setup, each with its number and, where it has several terms, its sum. */
import { fineText } from '../checks/words/amounts.ts';
import type { DisplayUnit, Length } from '../length/length.ts';
import { lieOf } from '../parts/parts.ts';
import type { PartLine } from '../parts/part-line.ts';
import { onScale, type Calibration } from '../setups/calibration.ts';
import type { OperationBlank, Operation } from '../setups/operations.ts';
import { edgeOffset } from '../setups/router.ts';
import type { Setting } from '../setups/setting.ts';
import { distanceSum, scaleSum, stackSum, straightEdgeSum } from '../setups/setup-sums.ts';
import type { Setups } from '../setups/setups.ts';
import type { SetupCut } from '../setups/setup.ts';
import type { ExplainedLength } from '../explained/explained-length.ts';
import { edgeWords } from './cut-list-csv.ts';
import type { Machine, Shop } from '../model/shop.ts';

export interface SetupRow {
  readonly what: string;
  readonly to: string;
  /** The sum behind its number, where it has more than one term; and the number as written. */
  readonly sum?: { readonly of: ExplainedLength; readonly text: string };
}

export interface SetupContext {
  readonly shop: Shop;
  readonly blanks: Setups['blanks'];
  readonly parts: readonly PartLine[];
  /** Scale corrections from test cuts. */
  readonly learned?: Calibration;
}

/** In the order of setting up: from what goes onto the machine to where the piece is held. */
export function settingRows(cut: SetupCut, machine: Machine, context: SetupContext, unit: DisplayUnit): SetupRow[] {
  const { shop, blanks } = context;
  const { operation, way } = cut;
  const fine = (length: Length): string => fineText(length, unit);
  const rows: SetupRow[] = [];
  const { stack, router, blade, bit, depth, distance, tilt, gaugeDeg, held, stops } = way.setting;
  if (stack && shop.stack) {
    const between = [...counted(stack.chippers, fine), ...counted(stack.shims, (shim) => `shim ${fine(shim)}`)];
    rows.push(
      { what: 'stack', to: ['outer blades', ...between].join(' + ') },
      { what: 'cuts', to: fine(stack.cuts), sum: { of: stackSum(stack, shop.stack), text: fine(stack.cuts) } },
    );
    if (stack.over > 0) rows.push({ what: 'second pass', to: `the fence or a card ${fine(stack.over)} over` });
  }
  if (router) {
    rows.push({ what: 'bit', to: `straight, ${fine(shop.bits[router.bit]!.diameter.nm)}` });
    if (router.over.length > 0)
      rows.push({ what: router.over.length === 1 ? 'second pass' : 'further passes', to: `${router.over.map(fine).join(', ')} over` });
    if (router.down > 1) rows.push({ what: 'down', to: `${router.down} passes, ${fine(router.eachDown)} each` });
  }
  if (blade) {
    rows.push({ what: 'cuts', to: `its kerf, ${fine(blade.cuts)}` });
    if (blade.over.length > 0) rows.push({ what: blade.over.length === 1 ? 'second pass' : 'further passes', to: `${blade.over.map(fine).join(', ')} over` });
  }
  if (bit) rows.push({ what: 'bit', to: `${BIT_WORDS[shop.bits[bit]!.kind]}, ${fine(shop.bits[bit]!.diameter.nm)}` });
  if (depth !== undefined && operation.work.kind !== 'notch') rows.push({ what: 'depth', to: depth === null ? 'through' : fine(depth) });
  if (stops) rows.push({ what: 'stops', to: stopWords(stops, operation, blanks, fine) });
  if (tilt)
    rows.push({
      what: 'blade',
      to: `${degrees(tilt.deg)} from square (reads ${degrees(tilt.from90)} where square is 90)${tilt.standing ? ', the piece on edge' : ''}`,
    });
  if (distance !== undefined) rows.push(...distanceRows(cut, machine, context, fine));
  if (gaugeDeg !== undefined && gaugeDeg > 0) {
    // Given from the nearer edge: the wedge or rule is laid against that.
    const [off, from] = gaugeDeg > 45 ? [90 - gaugeDeg, 'off its long edges'] : [gaugeDeg, 'off square'];
    rows.push({ what: held === 'line' || held === 'guide' ? 'line' : 'wedge', to: `${degrees(off)} ${from} (reads ${degrees(90 - off)} where that is 90)` });
    if (held === 'wedge' && operation.work.kind === 'slanted-slot')
      rows.push(wedgeRow(off, gaugeDeg > 45 ? 'length' : 'width', blanks.get(operation.panel)!, router ? 'the router’s edge' : 'the piece', fine));
  }
  return rows;
}

/** The wedge: as long as the edge it lies along, and its width at the thick end; its twin is cut with it turned over. */
function wedgeRow(off: number, along: 'length' | 'width', blank: OperationBlank, what: string, fine: (length: Length) => string): SetupRow {
  const rise = Math.round((blank[along] * Math.tan((off * Math.PI) / 180)) / TENTH) * TENTH;
  return {
    what: 'sawn',
    to: `from a point to ${fine(rise as Length)} over ${fine(blank[along])}; ${what} lies along its slope, turned over for the other hand`,
  };
}

/** A wedge is sawn to a tenth of a millimeter at best. */
const TENTH = 100_000;

/** Start and end of a stopped slot, from the edge of its blank. */
function stopWords(
  { from, to }: NonNullable<Setting['stops']>,
  { panel: id, work }: Operation,
  blanks: Setups['blanks'],
  fine: (length: Length) => string,
): string {
  const { panel } = blanks.get(id)!;
  const edge = edgeWords({ role: panel.role, lie: lieOf(panel) }, work.kind === 'slot' && work.across ? 'near' : 'start');
  const ends = [from === null ? '' : `begins ${fine(from)}`, to === null ? '' : `ends ${fine(to)}`].filter((words) => words !== '');
  return `${ends.join(', ')} from the ${edge}`;
}

/** Groups equal leaves: '3 × 3.2 mm'. */
function counted(leaves: readonly Length[], words: (leaf: Length) => string): string[] {
  const counts = new Map<Length, number>();
  for (const leaf of leaves) counts.set(leaf, (counts.get(leaf) ?? 0) + 1);
  return [...counts].map(([leaf, count]) => (count > 1 ? `${count} × ${words(leaf)}` : words(leaf)));
}

const BIT_WORDS = { straight: 'straight', drill: 'drill', forstner: 'Forstner' } as const;
const degrees = (deg: number): string => `${Math.round(deg * 100) / 100}°`;

/** Distance measured at the machine, and the scale reading that gives it where test cuts showed an offset. */
function distanceRows(cut: SetupCut, machine: Machine, { blanks, learned }: SetupContext, fine: (length: Length) => string): SetupRow[] {
  const { setting } = cut.way;
  const sum = distanceSum(cut, blanks.get(cut.operation.panel)!);
  const edge = setting.held === 'edge' && setting.router ? edgeOffset(machine, setting.router.cuts) : null;
  const shown = edge !== null && setting.distance! >= edge ? straightEdgeSum(setting, machine, sum) : sum;
  const row: SetupRow = { ...distanceRow(setting, edge, fine), ...(shown && shown.terms.length > 1 ? { sum: { of: shown, text: fine(shown.value) } } : {}) };
  const read = learned && onScale(setting, learned);
  if (!read) return [row];
  const { reads, off } = read;
  return [
    row,
    {
      what: 'set the scale to',
      to: `${fine(reads)}: it comes out ${fine(Math.abs(off.nm) as Length)} ${off.nm > 0 ? 'over' : 'under'}, by ${off.cuts === 1 ? 'one test cut' : `${off.cuts} test cuts`}`,
      sum: { of: scaleSum(setting, learned, sum)!, text: fine(reads) },
    },
  ];
}

/** To the cutter's side, or to the clamped straight edge: `edge` is the offset of the router's base. */
function distanceRow({ held, distance, tilt, bit, blade }: Setting, edge: Length | null, fine: (length: Length) => string): SetupRow {
  if (edge !== null) {
    const at = (distance! - edge) as Length;
    return at >= 0
      ? { what: 'straight edge', to: `${fine(at)} from the reference (the slot begins at ${fine(distance!)}; the base keeps ${fine(edge)})` }
      : { what: 'straight edge', to: `beyond the slot, ${fine(edge)} from its far wall (the slot begins at ${fine(distance!)} from the reference)` };
  }
  if (bit) return { what: held === 'jig' ? 'jig' : 'fence', to: `${fine(distance!)} to the middle of the bit` };
  if (distance === 0)
    return held === 'sled'
      ? { what: 'stop', to: 'the end level with the outer side of the cutter' }
      : { what: 'fence', to: 'of scrap, the cutter buried in it' };
  if (blade) return { what: 'fence', to: `${fine(distance!)} along the bevel, from its outer arris to the near side of the blade` };
  if (tilt) return { what: held === 'guide' ? 'line' : 'fence', to: `${fine(distance!)} to the long point` };
  if (held === 'guide') return { what: 'line', to: `${fine(distance!)} from the reference, the guide on it` };
  return { what: held === 'sled' ? 'stop' : 'fence', to: `${fine(distance!)} to the near side of the cutter` };
}
