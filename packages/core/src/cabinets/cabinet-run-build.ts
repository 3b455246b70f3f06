/**
 * Builds a cabinet run: its parts side by side between fillers and ends, each box built as a shelf box or a drawer unit and moved to its place, with
 * bridges, stands, ends and the one cleat.
 */
import { enteredFromNm } from '../length/entered.ts';
import { ZERO, type Length } from '../length/length.ts';
import type { Connection } from '../solid/connection.ts';
import { frame, type Panel } from '../solid/panel.ts';
import type { Compartment, Hardware, OverriddenSize, CabinetGeometry } from '../solid/cabinet.ts';
import { ALONG, OUT, UP, vector } from '../solid/vector.ts';
import { explainedLength, extend, minus, plus, type ExplainedLength, type LengthTerm } from '../explained/explained-length.ts';
import { gapBehind, own, panelOf, thicknessTerm, type HungFrame, type StockOf } from './box-frame.ts';
import { placeHanging } from './cleat-build.ts';
import { between, fasteningOf, hungBy, jointOf, laidOn, connect } from './joinery.ts';
import { buildShelfBox } from './shelf-box-build.ts';
import { buildDrawerUnit, newDrawerUnit } from './drawer-unit.ts';
import { nested } from './group.ts';
import { FLOOR, newShelfBox } from './shelf-box.ts';
import { inOrder } from './spaces.ts';
import type { DrawerUnit } from '../model/specs/drawer-unit.ts';
import type { ShelfBox, ShelfElement } from '../model/specs/shelf-box.ts';
import type { CabinetRun, RunPart } from '../model/specs/cabinet-run.ts';
import type { NewSpec } from './new-spec.ts';

interface LaidPart {
  readonly part: RunPart;
  readonly number: number;
  readonly left: Length;
  readonly width: ExplainedLength;
}

interface RunFrame extends HungFrame<CabinetRun> {
  readonly rear: Length;
  readonly front: Length;
}

const id = ({ spec }: Pick<RunFrame, 'spec'>, rest: string): string => `${spec.id}/${rest}`;

export function buildCabinetRun(box: CabinetRun, stockOf: StockOf): CabinetGeometry {
  const T = stockOf(box.stock).used.value;
  const rear = gapBehind(box, stockOf);
  const width = explainedLength([plus('width', box.width.nm, { source: own(box, 'width') })]);
  const laid = layParts(box, stockOf);
  const boxes = laid.filter(({ part }) => part.kind === 'box').map((each) => ({ ...each, cabinet: boxOf(box, each, stockOf) }));
  const lowers = laid.filter(({ part }) => part.lower !== null).map((each) => ({ ...each, cabinet: boxOf(box, each, stockOf, 'lower') }));
  const base: RunFrame = {
    spec: { ...box, hanging: { ...box.hanging, rail: null } },
    stockOf,
    T,
    rear,
    front: (rear + box.depth.nm) as Length,
    behind: { left: ZERO, length: width },
    topUp: box.height.nm,
    insideLeft: T,
    insideWidth: width,
    ceiling: (box.height.nm - T) as Length,
    insideRear: rear,
    floorMid: Math.min(...boxes.map(({ cabinet }) => cabinet.hanging.standoffUp)),
    wholeHalf: true,
    footUp: Math.min(...boxes.map(({ part }) => box.height.nm - (part.height ?? box.height).nm)) as Length,
  };
  const { panels: hangingPanels, hanging } = placeHanging(base);
  const bridges = laid.flatMap((each, index) => bridgeOf(base, laid, boxes, each, index));
  const ends = endsOf(base, laid);
  const stands = lowers.map((each) => standOf(base, each));
  const first = boxes[0]!;
  const deepest = Math.max(0, ...[...boxes, ...lowers].map(({ cabinet }) => cabinet.outside.depth.value - rear - box.depth.nm));
  return {
    id: box.id,
    panels: [
      ...boxes.flatMap(({ cabinet }) => cabinet.panels),
      ...lowers.flatMap(({ cabinet }) => cabinet.panels),
      ...stands.flatMap(({ panels }) => panels),
      ...bridges.flatMap(({ panels }) => panels),
      ...ends.panels,
      ...hangingPanels,
    ],
    connections: [
      ...boxes.flatMap(({ cabinet }) => cabinet.connections),
      ...lowers.flatMap(({ cabinet }) => cabinet.connections),
      ...stands.flatMap(({ connections }) => connections),
      ...bridges.flatMap(({ connections }) => connections),
      ...ends.connections,
      ...joined(base, laid),
      ...boxes.map(({ part, cabinet }) => hungBy(box, cabinet.hanging.hangingRail ?? id(base, `side/${part.id}/left`), part.id)),
    ],
    compartments: [...boxes, ...lowers].flatMap(({ cabinet }) => cabinet.compartments).concat(bridges.flatMap(({ spaces }) => spaces)),
    hardware: [
      ...boxes.flatMap(({ cabinet }) => cabinet.hardware),
      ...lowers.flatMap(({ cabinet }) => cabinet.hardware),
      ...stands.flatMap(({ hardware }) => hardware),
    ],
    overriddenSizes: overriddenWidths(box, laid, T),
    // Every box passes its weight to the cleat by its own rail.
    hanging: { ...hanging, hangingRail: first.cabinet.hanging.hangingRail },
    outside: {
      width,
      height: explainedLength([plus('height', box.height.nm, { source: own(box, 'height') })]),
      depth: explainedLength([
        plus('carcass-depth', box.depth.nm, { source: own(box, 'depth') }),
        plus('gap-behind', rear),
        ...(deepest > 0 ? [plus(lowers.length > 0 ? 'deepest-part' : 'door', deepest as Length)] : []),
      ]),
    },
  };
}

/** Lays parts side by side between the fillers; those without a width share the rest, rounded from the whole. */
function layParts(box: CabinetRun, stockOf: StockOf): LaidPart[] {
  const parts = inOrder(box.parts);
  const T = thicknessTerm({ stockOf }, box.stock);
  const filler = (which: 'fillerLeft' | 'fillerRight'): LengthTerm[] => (box[which] ? [minus('filler', box[which].nm, { source: own(box, which) })] : []);
  const ends = box.endPanels ? [minus('end-panel', T.value, { times: 2, source: T.source })] : [];
  const given = parts.flatMap(({ id: part, width }) => (width ? [minus('part-width', width.nm, { source: own(box, 'parts', part, 'width') })] : []));
  const free = Math.max(1, parts.filter(({ width }) => width === null).length);
  const terms = [plus('width', box.width.nm, { source: own(box, 'width') }), ...filler('fillerLeft'), ...filler('fillerRight'), ...ends, ...given];
  const share = explainedLength(terms, free);
  const whole = explainedLength(terms).value;
  const start = (box.fillerLeft?.nm ?? 0) + (box.endPanels ? T.value : 0);
  let entered = 0;
  let shared = 0;
  const at = (): number => start + entered + Math.round((whole * shared) / free);
  return parts.map((part, index) => {
    const left = at();
    if (part.width) entered += part.width.nm;
    else shared++;
    const width = part.width ? explainedLength([plus('part-width', part.width.nm, { source: own(box, 'parts', part.id, 'width') })]) : share;
    return { part, number: index + 1, left: left as Length, width };
  });
}

/** With every width entered, the last must equal the rest. */
function overriddenWidths(box: CabinetRun, laid: readonly LaidPart[], thickness: Length): OverriddenSize[] {
  const last = laid.at(-1)!;
  if (laid.some(({ part }) => !part.width)) return [];
  const others = laid.slice(0, -1).reduce((sum, { width }) => sum + width.value, 0);
  const ends = (box.fillerLeft?.nm ?? 0) + (box.fillerRight?.nm ?? 0) + (box.endPanels ? 2 * thickness : 0);
  return [
    {
      name: { key: 'run-part', of: String(last.number) },
      panel: last.part.kind === 'box' ? `${box.id}/side/${last.part.id}/right` : `${box.id}/cabinet-half`,
      path: ['parts', last.part.id, 'width'],
      value: last.part.width!.nm,
      derived: (box.width.nm - ends - others) as Length,
      fills: true,
      thickness,
    },
  ];
}

/** The upper box of a part, hung from the run's top, or the lower one, standing on the floor. */
function boxOf(run: CabinetRun, { part, left, width }: LaidPart, stockOf: StockOf, level: 'upper' | 'lower' = 'upper'): CabinetGeometry {
  const lower = level === 'lower';
  const height = lower ? enteredFromNm(part.lower!.nm - run.standHeight.nm) : (part.height ?? run.height);
  const front = lower ? part.lowerFront : part.front;
  const count = lower ? part.lowerShelves : part.shelves;
  const depth = lower ? (run.lowerDepth ?? run.depth) : run.depth;
  const start: NewSpec = { ...run, depth, width: enteredFromNm(width.value), height, backStock: run.back.stock, contents: { preset: 'nothing', kg: null } };
  const shared = {
    ...{ top: run.top, bottom: run.bottom, back: run.back, jointDepth: run.jointDepth, fit: run.fit, glue: run.glue, assembly: run.assembly, band: run.band },
    // A box on the floor has no hanging rail.
    hanging: { ...run.hanging, kind: 'outside' as const, spacer: null, lowerCleat: null, ...(lower ? { rail: null } : {}) },
  };
  const cabinet =
    front === 'drawers'
      ? buildDrawerUnit({ ...drawersOf(run, start, Math.max(1, count)), ...shared }, stockOf)
      : buildShelfBox({ ...shelvesOf(run, start, count), ...shared, front }, stockOf);
  const name = lower ? `${part.id}-low` : part.id;
  return nested(cabinet, {
    part: name,
    along: left,
    up: lower ? run.standHeight.nm : run.height.nm - height.nm,
    stands: lower,
    keptBy: (space) => (space === FLOOR ? name : `${name}-${space}`),
  });
}

function shelvesOf(run: CabinetRun, start: NewSpec, count: number): ShelfBox {
  const shelves = Array.from({ length: count }, (_, index): ShelfElement => ({
    id: `s${index + 1}`,
    order: index,
    at: null,
    in: FLOOR,
    level: 0,
    fixing: 'fixed',
  }));
  return {
    ...newShelfBox({ ...start, shelves: 0 }),
    shelfJoint: run.shelfJoint,
    doors: run.doors,
    shelves: Object.fromEntries(shelves.map((shelf) => [shelf.id, shelf])),
  };
}

/** Drawers with equal fronts from one datum and with one gap: boxes of one height line up. */
function drawersOf(run: CabinetRun, start: NewSpec, count: number): DrawerUnit {
  const made = newDrawerUnit(start);
  const drawers = Array.from({ length: count }, (_, index) => ({ id: `d${index + 1}`, order: index, height: null }));
  return {
    ...made,
    frontStock: run.doors.stock,
    fronts: run.doors.lies === 'inset' ? 'inset' : 'overlay',
    gap: run.doors.reveal,
    growth: 1,
    slides: { ...made.slides, length: run.slides.length, clearance: run.slides.clearance, ratedKg: run.slides.ratedKg },
    drawers: Object.fromEntries(drawers.map((drawer) => [drawer.id, drawer])),
  };
}

/** Setback of a toe base behind the front edges. [ASSUME] */
const TOE_BACK = 60_000_000;

/** Support of a lower box: bought feet, or four boards on edge. */
function standOf(base: RunFrame, { part, left, width }: LaidPart): { panels: Panel[]; connections: Connection[]; hardware: Hardware[] } {
  const { spec, T, rear } = base;
  const name = `${part.id}-low`;
  const bottom = id(base, `bottom/${name}`);
  if (spec.stand === 'feet')
    return { panels: [], connections: [], hardware: [{ id: `${bottom}/feet`, kind: 'foot', name: { key: 'feet' }, count: 4, panel: bottom }] };
  const over = spec.back.kind === 'over' ? base.stockOf(spec.back.stock).used.value : ZERO;
  const sheet = thicknessTerm(base, spec.stock);
  const deep = (spec.lowerDepth ?? spec.depth).nm;
  const high = explainedLength([plus('stand-height', spec.standHeight.nm, { source: own(spec, 'standHeight') })]);
  const long = explainedLength([
    plus('depth', deep, { source: own(spec, spec.lowerDepth ? 'lowerDepth' : 'depth') }),
    ...(over > 0 ? [minus('back', over)] : []),
    minus('toe-back', TOE_BACK as Length),
  ]);
  const between = extend(width, [minus('side', T, { times: 2, source: sheet.source })]);
  const board = (which: 'front' | 'rear' | 'left' | 'right', at: Panel['frame'], length: ExplainedLength): Panel => ({
    ...panelOf(base, 'edging', `${name}-toe-${which}`, { key: `toe-${which}` }, { frame: at, length, width: high, stock: spec.stock }),
    stands: true,
  });
  const start = rear + over;
  const boards = [
    board('left', frame(vector(left + T, 0, start), OUT, UP), long),
    board('right', frame(vector(left + width.value, 0, start), OUT, UP), long),
    board('front', frame(vector(left + T, 0, start + long.value - T), ALONG, UP), between),
    board('rear', frame(vector(left + T, 0, start), ALONG, UP), between),
  ];
  const [l, r, f, b] = boards.map((panel) => panel.id) as [string, string, string, string];
  const screwed = jointOf(spec, 'butt', { fastening: fasteningOf(spec, 2, 'screws') });
  const under = jointOf(spec, 'butt', { fastening: null });
  return {
    panels: boards,
    connections: [
      ...[f, b].flatMap((panel) => [connect(panel, 'start', l, 'reference', screwed), connect(panel, 'end', r, 'other', screwed)]),
      // A bottom set in from the sides' ends leaves the box standing on its sides.
      ...(spec.bottom.runs === 'over'
        ? [l, r, f, b].map((panel) => connect(panel, 'far', bottom, 'other', under))
        : (
            [
              [l, 'left'],
              [r, 'right'],
            ] as const
          ).map(([panel, hand]) => connect(panel, 'far', id(base, `side/${name}/${hand}`), 'start', under))),
    ],
    hardware: [],
  };
}

interface Bridge {
  readonly panels: readonly Panel[];
  readonly connections: readonly Connection[];
  readonly spaces: readonly Compartment[];
}

/** A shelf across a free stretch, between the boxes beside it. */
function bridgeOf(
  base: RunFrame,
  laid: readonly LaidPart[],
  boxes: readonly (LaidPart & { readonly cabinet: CabinetGeometry })[],
  { part, left, width, number }: LaidPart,
  index: number,
): Bridge[] {
  const { spec, T, rear } = base;
  const before = laid[index - 1];
  const after = laid[index + 1];
  if (part.kind !== 'open' || !part.bridge || before?.part.kind !== 'box' || after?.part.kind !== 'box') return [];
  const down = part.bridge.nm;
  const reaches = (side: LaidPart): boolean => (side.part.height ?? spec.height).nm >= down;
  if (!reaches(before) || !reaches(after) || boxes.length === 0) return [];
  const up = spec.height.nm - down + T;
  // Where a back lies on the rear edges of its box, the bridge starts at the sides.
  const over = spec.back.kind === 'over' ? base.stockOf(spec.back.stock).used.value : ZERO;
  const depth = explainedLength([plus('depth', spec.depth.nm, { source: own(spec, 'depth') }), ...(over > 0 ? [minus('back', over)] : [])]);
  const panel = panelOf(
    base,
    'shelf',
    part.id,
    { key: 'bridge', of: String(number) },
    { frame: frame(vector(left, up, rear + over), ALONG, OUT), length: width, width: depth, stock: spec.stock, banded: true },
  );
  return [
    {
      panels: [panel],
      connections: between(panel.id, id(base, `side/${before.part.id}/right`), id(base, `side/${after.part.id}/left`), jointOf(spec, spec.shelfJoint), [
        'shelfJoint',
      ]),
      spaces: [
        {
          id: id(base, `space/${part.id}`),
          name: { key: 'on-the-bridge', of: String(number) },
          floor: panel.id,
          keptBy: part.id,
          width,
          height: explainedLength([plus('bridge-down', down, { source: own(spec, 'parts', part.id, 'bridge') }), minus('shelf-thickness', T)]),
          depth,
          at: { along: left, up: up as Length, out: (rear + over) as Length },
        },
      ],
    },
  ];
}

/** Fillers stand at the front, end panels cover the outer sides. */
function endsOf(base: RunFrame, laid: readonly LaidPart[]): { panels: Panel[]; connections: Connection[] } {
  const { spec, T, rear, front } = base;
  const panels: Panel[] = [];
  const connections: Connection[] = [];
  const glued = jointOf(spec, 'butt', { fastening: null });
  for (const hand of ['left', 'right'] as const) {
    const outer = hand === 'left' ? laid[0]! : laid.at(-1)!;
    if (outer.part.kind !== 'box') continue;
    const tall = outer.part.height ?? spec.height;
    const foot = spec.height.nm - tall.nm;
    const height = explainedLength([plus('height', tall.nm)]);
    const side = id(base, `side/${outer.part.id}/${hand}`);
    const edge = hand === 'left' ? outer.left : outer.left + outer.width.value;
    const filler = hand === 'left' ? spec.fillerLeft : spec.fillerRight;
    const cover = spec.endPanels ? T : 0;
    if (spec.endPanels) {
      const panel = panelOf(
        base,
        'frame',
        `end-${hand}`,
        { key: `end-panel-${hand}` },
        {
          frame: frame(vector(hand === 'left' ? edge - T : edge, foot, rear), UP, OUT),
          length: height,
          width: explainedLength([plus('depth', spec.depth.nm, { source: own(spec, 'depth') })]),
          stock: spec.stock,
          banded: true,
        },
      );
      panels.push(panel);
      connections.push(laidOn(panel.id, hand === 'left' ? 'other' : 'reference', side, hand === 'left' ? 'reference' : 'other', spec));
    }
    if (filler) {
      const width = explainedLength([plus('filler', filler.nm, { source: own(spec, hand === 'left' ? 'fillerLeft' : 'fillerRight') })]);
      const panel = panelOf(
        base,
        'frame',
        `filler-${hand}`,
        { key: `filler-${hand}` },
        {
          frame: frame(vector(hand === 'left' ? edge - cover - filler.nm : edge + cover, foot, front), UP, ALONG),
          length: height,
          width,
          stock: spec.stock,
        },
      );
      panels.push(panel);
      const host = spec.endPanels ? id(base, `frame/end-${hand}`) : side;
      connections.push(hand === 'left' ? connect(panel.id, 'far', host, 'reference', glued) : connect(panel.id, 'near', host, 'other', glued));
    }
  }
  return { panels, connections };
}

/** Neighbors are screwed side to side before they go up. */
function joined(base: RunFrame, laid: readonly LaidPart[]): Connection[] {
  const { spec } = base;
  return laid.slice(1).flatMap(({ part }, index) => {
    const before = laid[index]!.part;
    if (part.kind !== 'box' || before.kind !== 'box') return [];
    const left = id(base, `side/${before.id}/right`);
    return [
      {
        ...laidOn(left, 'other', id(base, `side/${part.id}/left`), 'reference', { ...spec, glue: false }, { fastening: fasteningOf(spec, 4, 'screws') }),
        id: `${left}:neighbor`,
      },
    ];
  });
}
