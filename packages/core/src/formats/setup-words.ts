/** A setup as a person reads it at the machine: what is on it, what it is set to, what is cut and how it lies, how to set it without a number, and what to mind. */
import { fineText, lengthText } from '../checks/words/amounts.ts';
import { labelWords } from '../checks/words/labels.ts';
import type { DisplayUnit, Length } from '../length/length.ts';
import { lieOf, type PartLine } from '../parts/parts.ts';
import type { Blank, Operation } from '../setups/operations.ts';
import { onScale, type Learned } from '../setups/learned.ts';
import { edgeOffset } from '../setups/router.ts';
import { distanceSum, scaleSum, stackSum, straightEdgeSum } from '../setups/setup-sums.ts';
import type { Held, Setting } from '../setups/setting.ts';
import type { Swapped } from '../setups/order.ts';
import type { Cut, Setup, Setups } from '../setups/setups.ts';
import type { Face, SlotExit } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import type { Machine, Shop } from '../stock/shop.ts';
import type { Dimension } from '../worked/dimension.ts';
import { edgeWords } from './cut-list-csv.ts';

export interface SetupWords {
  readonly title: string;
  /** What is set, each with its number. */
  readonly set: readonly SetupRow[];
  readonly pieces: readonly SetupPiece[];
  /** How to set it without a number. */
  readonly gauge: string;
  readonly caution: string;
}

export interface SetupRow {
  readonly what: string;
  readonly to: string;
  /** The arithmetic of the number it begins with, where that has more than one term; and that number as it is written. */
  readonly sum?: { readonly of: Dimension; readonly text: string };
}

/** One part at this setup: all its cuts that lie alike. */
export interface SetupPiece {
  readonly panel: string;
  readonly mark: string;
  readonly name: string;
  readonly cuts: number;
  /** 'the lower end against the stop, the inside face down' */
  readonly lies: string;
  /** Where what is not held by the machine is marked: each hole or row, slanted slot, notch and line. */
  readonly places: readonly string[];
  readonly operations: readonly string[];
}

export interface SetupContext {
  readonly shop: Shop;
  readonly blanks: Setups['blanks'];
  readonly parts: readonly PartLine[];
  /** What test cuts said of the scales. */
  readonly learned?: Learned;
}

export function setupWords(setup: Setup, context: SetupContext, unit: DisplayUnit): SetupWords {
  const { setting } = setup;
  const machine = context.shop.machines[setting.machine]!;
  return {
    title: `${capital(machine.name)}: ${WHAT_FOR[setup.cuts[0]!.operation.work.kind]}${HELD_WORDS[setting.held]}`,
    set: settings(setup.cuts[0]!, machine, context, unit),
    pieces: piecesOf(setup.cuts, context, unit),
    gauge: gaugeWords(setup, context),
    caution: cautionWords(setting, machine, setup.cuts),
  };
}

/** Why two setups cannot change places. */
export function orderWords({ first, then, panels }: Extract<Swapped, { ok: false }>, { blanks, parts }: Omit<SetupContext, 'shop'>): string {
  const marks = [...new Set(panels.map((id) => parts.find((line) => line.panels.includes(id))?.mark ?? labelWords(blanks.get(id)!.panel.name)))];
  const on = marks.length > 4 ? `${marks.slice(0, 3).join(', ')} and ${marks.length - 3} more` : marks.join(', ');
  if (then.stage === 'widths') return `Slots of ${on} come out over the strip that is ripped off here: they are cut first.`;
  if (first.stage === 'widths') return `On ${on} this is measured from the edge that is ripped before it.`;
  return `${on}: cut while the edges are square, and the later of the two takes one away.`;
}

const capital = (text: string): string => text.replace(/^./, (letter) => letter.toUpperCase());

const WHAT_FOR: Readonly<Record<Operation['work']['kind'], string>> = {
  slot: 'slots',
  'slanted-slot': 'slanted slots',
  'edge-groove': 'grooves in edges',
  width: 'pieces left wide, to their width',
  holes: 'holes',
  notch: 'notches',
  bevel: 'bevels',
  shape: 'slanted edges',
};

const HELD_WORDS: Readonly<Record<Held, string>> = {
  fence: ', along the fence',
  sled: ', on the sled or against the gauge',
  edge: ', along a straight edge',
  table: ', along the table’s fence',
  guide: ', along the guide',
  jig: ', with the jig',
  mark: ', at marks',
  line: ', to the line',
  tall: ', on edge against a tall fence',
  wedge: ', turned on a wedge',
};

function settings(cut: Cut, machine: Machine, context: SetupContext, unit: DisplayUnit): SetupRow[] {
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
    // Said from whichever edge it is nearer to: that is what the wedge or the rule is laid against.
    const [off, from] = gaugeDeg > 45 ? [90 - gaugeDeg, 'off its long edges'] : [gaugeDeg, 'off square'];
    rows.push({ what: held === 'line' || held === 'guide' ? 'line' : 'wedge', to: `${degrees(off)} ${from} (reads ${degrees(90 - off)} where that is 90)` });
    if (held === 'wedge' && operation.work.kind === 'slanted-slot')
      rows.push(wedgeRow(off, gaugeDeg > 45 ? 'length' : 'width', blanks.get(operation.panel)!, router ? 'the router’s edge' : 'the piece', fine));
  }
  return rows;
}

/** The wedge as it is sawn: as long as the edge it lies along, so wide at its thick end; its twin is cut with it turned over. */
function wedgeRow(off: number, along: 'length' | 'width', blank: Blank, what: string, fine: (length: Length) => string): SetupRow {
  const rise = Math.round((blank[along] * Math.tan((off * Math.PI) / 180)) / TENTH) * TENTH;
  return {
    what: 'sawn',
    to: `from a point to ${fine(rise as Length)} over ${fine(blank[along])}; ${what} lies along its slope, turned over for the other hand`,
  };
}

/** A wedge is sawn to a tenth of a millimetre at best. */
const TENTH = 100_000;

/** Where a stopped slot begins and ends, from the edge its blank begins at there. */
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

/** Equal leaves together: '3 × 3.2 mm'. */
function counted(leaves: readonly Length[], words: (leaf: Length) => string): string[] {
  const counts = new Map<Length, number>();
  for (const leaf of leaves) counts.set(leaf, (counts.get(leaf) ?? 0) + 1);
  return [...counts].map(([leaf, count]) => (count > 1 ? `${count} × ${words(leaf)}` : words(leaf)));
}

const BIT_WORDS = { straight: 'straight', drill: 'drill', forstner: 'Forstner' } as const;
const degrees = (deg: number): string => `${Math.round(deg * 100) / 100}°`;

/** What is measured at the machine, and what its scale has to read where test cuts said it is off. */
function distanceRows(cut: Cut, machine: Machine, { blanks, learned }: SetupContext, fine: (length: Length) => string): SetupRow[] {
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

/** To the cutter's side, or to where the straight edge is clamped: `edge` is how far the router's base keeps that off. */
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

function piecesOf(cuts: readonly Cut[], { blanks, parts, shop }: SetupContext, unit: DisplayUnit): SetupPiece[] {
  const byLie = new Map<string, { piece: SetupPiece; operations: string[]; places: string[] }>();
  for (const { operation, way } of cuts) {
    const { panel } = blanks.get(operation.panel)!;
    const line = parts.find((each) => each.panels.includes(panel.id));
    const face = way.face ? `${faceWords(panel, way.face)} ${fromAbove(way.setting, shop.machines[way.setting.machine]!) ? 'up' : 'down'}` : '';
    const against = way.against ? `${edgeWords({ role: panel.role, lie: lieOf(panel) }, way.against)} against the ${REFERENCE[way.setting.held]}` : '';
    const longer = way.longer ? 'in a longer piece, cut to length after' : '';
    const lies = [against, face, longer].filter((words) => words !== '').join(', ');
    const key = `${panel.id} ${lies}`;
    const known = byLie.get(key);
    const place = placeWords(operation.work, panel, unit);
    if (known) {
      known.operations.push(operation.id);
      known.places.push(...place);
    } else {
      const operations = [operation.id];
      const places = [...place];
      byLie.set(key, {
        operations,
        places,
        piece: { panel: panel.id, mark: line?.mark ?? '', name: labelWords(panel.name), cuts: 0, lies, places, operations },
      });
    }
  }
  return [...byLie.values()].map(({ piece, operations }) => ({ ...piece, cuts: operations.length }));
}

/** A hand-held router, a drill and the radial arm come from above; benches and tables cut from below. */
const fromAbove = ({ held, router, bit }: Setting, { kind }: Machine): boolean =>
  kind === 'radial-arm' || bit !== undefined || held === 'edge' || (held === 'wedge' && router !== undefined);

/** Where a person marks it, from named ends and edges; nothing for what the fence or the stop places. */
function placeWords(work: Operation['work'], panel: ResolvedPanel, unit: DisplayUnit): string[] {
  const fine = (nm: number): string => fineText(Math.round(nm / 1000) * 1000, unit);
  // Marked with a tape: said as a tape says it.
  const tape = (nm: number): string => lengthText(Math.round(nm), unit);
  const from = (edge: 'start' | 'near'): string => `from the ${edgeWords({ role: panel.role, lie: lieOf(panel) }, edge)}`;
  switch (work.kind) {
    case 'holes': {
      const { at, step, count } = work;
      const row = count > 1 ? `${count} holes every ${fine(Math.hypot(step.u, step.v))}, the first ` : '';
      return [`${row}${tape(at.u)} ${from('start')}, ${tape(at.v)} ${from('near')}`];
    }
    case 'slanted-slot':
      return [
        `its low side ${tape(work.at)} ${from(work.crosses === 'near' ? 'start' : 'near')} at the ${edgeWords({ role: panel.role, lie: lieOf(panel) }, work.crosses)}`,
      ];
    case 'notch': {
      const along = work.edge === 'near' || work.edge === 'far' ? 'start' : 'near';
      return [`${fine(work.width)} wide, ${fine(work.depth)} deep, its middle ${tape(work.at)} ${from(along)}`];
    }
    case 'shape':
      return [`from ${tape(work.from.u)} and ${tape(work.from.v)} to ${tape(work.to.u)} and ${tape(work.to.v)}, ${from('start')} and ${from('near')}`];
    case 'slot':
    case 'edge-groove':
    case 'width':
    case 'bevel':
      return [];
  }
}

const REFERENCE: Readonly<Record<Held, string>> = {
  fence: 'fence',
  sled: 'stop',
  edge: 'rule',
  table: 'fence',
  guide: 'guide',
  jig: 'jig',
  mark: 'square',
  line: 'square',
  tall: 'fence',
  wedge: 'wedge',
};

/** Which face it is, as the part stands in the unit. */
export function faceWords({ frame, role, name }: Pick<ResolvedPanel, 'frame' | 'role' | 'name'>, face: Face): string {
  const sign = face === 'reference' ? -1 : 1;
  const [along, up, out] = [frame.w.along * sign, frame.w.up * sign, frame.w.out * sign];
  if (role === 'side' && Math.abs(along) > 0.5 && (name.key === 'side-left' || name.key === 'side-right'))
    return along > 0 === (name.key === 'side-left') ? 'inside face' : 'outer face';
  if (Math.abs(up) >= Math.abs(along) && Math.abs(up) >= Math.abs(out)) return up > 0 ? 'upper face' : 'underside';
  if (Math.abs(out) >= Math.abs(along)) return out > 0 ? 'front face' : 'rear face';
  return along > 0 ? 'right face' : 'left face';
}

function gaugeWords({ setting, cuts }: Setup, { blanks, parts }: SetupContext): string {
  const { work, guest } = cuts[0]!.operation;
  const mate = guest === null ? undefined : parts.find((line) => line.panels.includes(guest));
  const named = guest === null ? undefined : blanks.get(guest)?.panel.name;
  const mated = mate && named ? `${mate.mark} (${labelWords(named)})` : 'the part that goes in';
  if (work.kind === 'slot' || work.kind === 'slanted-slot' || work.kind === 'edge-groove') {
    const width = setting.stack
      ? `Width: a test cut in scrap of the same sheet, shims until ${mated} goes in as it should.`
      : `Width: a test cut in scrap of the same sheet; ${mated} held against it says how far the second pass goes over.`;
    const first = blanks.get(cuts[0]!.operation.panel)!.panel;
    const place = setting.distance === 0 ? '' : ` Place: the marks of one ${labelWords(first.name)} on a stick, carried over to the rest.`;
    return width + place;
  }
  if (work.kind === 'width') return 'Width: a test cut in scrap, laid on a part that is as wide as it should be.';
  if (work.kind === 'bevel')
    return 'Blade: a test cut in scrap against the mating edge, or the printed angle; both halves of scrap together make a true corner.';
  if (work.kind === 'holes')
    return setting.held === 'jig' ? 'The jig is the gauge: always from the same end.' : 'Depth: a collar or tape at the bit, tried in scrap.';
  return 'The first one sawn and dressed to its line is traced onto the others; a pair is traced with its faces turned to one another.';
}

const SAW = 'Unplug before the blades are touched; no piece is held against a blade that can turn.';

const EXIT_WORDS: Readonly<Record<SlotExit, string>> = {
  backed: 'Scrap clamped behind the front edge where the cut comes out: across the grain it tears there.',
  wide: 'Fed so that it comes out over the edge that is left wide: what tears there is ripped off after.',
  bare: 'Across the grain it tears where it comes out over the front edge.',
};

/** What is said of every setup its cuts are at, whatever the machine. */
function ofTheCuts(cuts: readonly Cut[]): string {
  const small = cuts.some(({ way }) => way.longer) ? ' Too small to hold by itself: cut it in a longer piece.' : '';
  const exits = new Set(cuts.map(({ operation }) => operation.tears));
  const tears = (['backed', 'wide', 'bare'] as const).filter((exit) => exits.has(exit)).map((exit) => ` ${EXIT_WORDS[exit]}`);
  return small + tears.join('');
}

function cautionWords(setting: Setting, machine: Machine, cuts: readonly Cut[]): string {
  const small = ofTheCuts(cuts);
  if (setting.stack)
    return `${SAW} The guard is off for slots: push blocks, hands never over the stack.${setting.held === 'sled' ? '' : ' Keep the edge on the fence.'}${small}`;
  if (setting.held === 'tall') return `${SAW} On edge: a tall fence, a feather board, nothing freehand.${small}`;
  if (machine.kind === 'router' || machine.kind === 'router-table')
    return `Unplug before the bit is touched. Feed against the bit’s turn; passes no deeper than half the bit or 6 mm.${machine.kind === 'router' ? ' Clamp piece and edge.' : ''}${small}`;
  if (setting.tilt) return `${SAW} The piece that falls off lies under the tilted blade: leave it the room to fall.${small}`;
  if (machine.kind === 'drill-press' || machine.kind === 'hand-drill') return 'Clamp the piece, scrap under holes that go through.';
  return `${SAW}${small}`;
}
