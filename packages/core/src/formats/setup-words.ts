/** The text of a setup: tooling, settings, the cuts and how each piece lies, how to set it without numbers, and hazards. */
import { fineText, lengthText } from '../checks/words/amounts.ts';
import { labelWords } from '../checks/words/labels.ts';
import type { DisplayUnit } from '../length/length.ts';
import { lieOf } from '../parts/parts.ts';
import type { Operation } from '../setups/operations.ts';
import type { Swapped } from '../setups/order.ts';
import type { WorkHold, Setting } from '../setups/setting.ts';
import type { SetupCut } from '../setups/setup.ts';
import type { Setup } from '../setups/setup.ts';
import type { Face } from '../solid/panel.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { edgeWords } from './cut-list-csv.ts';
import { settingRows, type SetupContext, type SetupRow } from './setup-settings.ts';
import type { SlotExit } from '../model/joinery.ts';
import type { Machine } from '../model/shop.ts';

export interface SetupWords {
  readonly title: string;
  /** Settings, each with its number. */
  readonly set: readonly SetupRow[];
  readonly pieces: readonly SetupPiece[];
  /** How to set it without a number. */
  readonly gauge: string;
  readonly caution: string;
}

/** One part at this setup: all its cuts with the piece lying the same way. */
export interface SetupPiece {
  readonly panel: string;
  readonly mark: string;
  readonly name: string;
  readonly cuts: number;
  /** 'the lower end against the stop, the inside face down' */
  readonly lies: string;
  /** Layout marks for what the machine does not position: holes and rows, slanted slots, notches and lines. */
  readonly places: readonly string[];
  readonly operations: readonly string[];
}

export function setupWords(setup: Setup, context: SetupContext, unit: DisplayUnit): SetupWords {
  const { setting } = setup;
  const machine = context.shop.machines[setting.machine]!;
  return {
    title: `${capital(machine.name)}: ${WHAT_FOR[setup.cuts[0]!.operation.work.kind]}${HELD_WORDS[setting.held]}`,
    set: settingRows(setup.cuts[0]!, machine, context, unit),
    pieces: piecesOf(setup.cuts, context, unit),
    gauge: gaugeWords(setup, context),
    caution: cautionWords(setting, machine, setup.cuts),
  };
}

/** Why two setups cannot swap places. */
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

const HELD_WORDS: Readonly<Record<WorkHold, string>> = {
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

function piecesOf(cuts: readonly SetupCut[], { blanks, parts, shop }: SetupContext, unit: DisplayUnit): SetupPiece[] {
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

/** A hand-held router, a drill and a radial arm saw cut from above; benches and tables cut from below. */
const fromAbove = ({ held, router, bit }: Setting, { kind }: Machine): boolean =>
  kind === 'radial-arm' || bit !== undefined || held === 'edge' || (held === 'wedge' && router !== undefined);

/** A cut made by hand: what it is, its size, and where it is marked from. */
export function handCutWords({ work }: Operation, panel: ResolvedPanel, unit: DisplayUnit): string {
  const fine = (nm: number): string => fineText(Math.round(nm / 1000) * 1000, unit);
  const from = (edge: 'start' | 'near'): string => `from the ${edgeWords({ role: panel.role, lie: lieOf(panel) }, edge)}`;
  const place = placeWords(work, panel, unit).join('; ');
  switch (work.kind) {
    case 'slot':
      return `slot ${fine(work.far - work.near)} wide, ${fine(work.depth)} deep in the ${faceWords(panel, work.face)}, ${work.near === 0 ? `at the ${edgeWords({ role: panel.role, lie: lieOf(panel) }, work.across ? 'start' : 'near')}` : `${fine(work.near)} ${from(work.across ? 'start' : 'near')}`}`;
    case 'slanted-slot':
      return `slot ${fine(work.width)} wide, ${fine(work.depth)} deep in the ${faceWords(panel, work.face)}, at a slant: ${place}`;
    case 'edge-groove':
      return `groove ${fine(work.width)} wide, ${fine(work.depth)} deep in an edge, ${fine(work.from)} from its arris`;
    case 'holes':
      return `${fine(work.diameter)} across${work.depth === null ? ', through' : `, ${fine(work.depth)} deep`}: ${place}`;
    case 'width':
      return `to ${fine(work.at)} in width`;
    case 'bevel':
      return `an edge at ${Math.round(Math.abs(work.deg) * 100) / 100}° from square`;
    case 'notch':
    case 'shape':
      return place;
  }
}

/** Layout from named ends and edges; empty for what the fence or stop positions. */
function placeWords(work: Operation['work'], panel: ResolvedPanel, unit: DisplayUnit): string[] {
  const fine = (nm: number): string => fineText(Math.round(nm / 1000) * 1000, unit);
  // Marked with a tape: given as on a tape.
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

const REFERENCE: Readonly<Record<WorkHold, string>> = {
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

/** Name of a face, as the part stands in the cabinet. */
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

/** Cautions of every setup with such cuts, whatever the machine. */
function ofTheCuts(cuts: readonly SetupCut[]): string {
  const small = cuts.some(({ way }) => way.longer) ? ' Too small to hold by itself: cut it in a longer piece.' : '';
  const exits = new Set(cuts.map(({ operation }) => operation.tears));
  const tears = (['backed', 'wide', 'bare'] as const).filter((exit) => exits.has(exit)).map((exit) => ` ${EXIT_WORDS[exit]}`);
  return small + tears.join('');
}

function cautionWords(setting: Setting, machine: Machine, cuts: readonly SetupCut[]): string {
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
