/**
 * The shelf box as panels that meet. Panels are placed with their edges on the faces they meet; slots, and what goes into them, follow in solid/resolve.ts.
 * Nothing here adds a joint's depth to a length.
 */
import { NM_PER, type Length } from '../length/length.ts';
import { frame, type PanelCut, type Panel } from '../solid/panel.ts';
import type { Connection } from '../solid/connection.ts';
import type { Compartment, Handle, Hardware, CabinetGeometry } from '../solid/cabinet.ts';
import { ALONG, OUT, UP, vector } from '../solid/vector.ts';
import { explainedLength, minus, plus, type LengthTerm } from '../explained/explained-length.ts';
import { own, panelOf, thicknessTerm, type StockOf } from './box-frame.ts';
import { placeHanging } from './cleat-build.ts';
import { BEHIND_DOOR, hangDoors, isDoored, type DoorOpening } from './doors.ts';
import { frameFront } from './face-frame.ts';
import { between, jointOf, LOOSE, connect, onPins, railEndsOf } from './joinery.ts';
import { FLOOR } from './shelf-box.ts';
import { shellFrame, shellConnections, shellOutside, shellPanels, type ShellFrame } from './shell.ts';
import { cutUp, overriddenPlaces, type CutUp, type CutUpJob, type SpaceBox } from './spaces.ts';
import type { ShelfBox, ShelfElement, SpaceElement } from '../model/specs/shelf-box.ts';

/** Clearance at each end of a shelf on pins. [ASSUME] */
const PIN_CLEARANCE = 1_000_000 as Length;
/** Depth of pin holes, unless the upright is thin. [ASSUME] */
const PIN_DEPTH = 10_000_000;

/** The elements that divide its inside, and the space they divide. */
const insideJob = (base: BoxFrame): CutUpJob<ShelfElement, SpaceElement> => {
  const { spec } = base;
  return {
    inside: wholeSpace(base),
    shelves: Object.values(spec.shelves),
    dividers: Object.values(spec.dividers),
    thickness: base.T,
    thicknessFrom: thicknessTerm(base, spec.stock).source,
    panelOf: (kind, id) => `${spec.id}/${kind}/${id}`,
    enteredAt: (kind, id) => own(spec, kind === 'shelf' ? 'shelves' : 'dividers', id, 'at'),
    rest: (shelf, above, space) => (shelf.fixing === 'pins' ? onHoles(spec, above, space.height.value) : above),
  };
};

/** Its shelves and dividers in place, with their spaces: the basis for rearranging them. */
export const insideOf = (box: ShelfBox, stockOf: StockOf): CutUp<ShelfElement | SpaceElement> =>
  cutUp(insideJob(shellFrame(box, stockOf, awayInside(box, stockOf))));

/** Panels, connections and spaces of the cabinet, from its spec and the measured stock. */
export function buildShelfBox(box: ShelfBox, stockOf: StockOf): CabinetGeometry {
  const base = shellFrame(box, stockOf, awayInside(box, stockOf));
  const job = insideJob(base);
  const inside = cutUp(job);
  const { hanging, panels: hangingPanels } = placeHanging(base);
  const holes = pinHoles(base, inside);
  // Marks follow this order: the back comes after what stands in front of it.
  const shell = shellPanels(base);
  const carcass = [
    ...shell.filter(({ role }) => role !== 'back'),
    ...insidePanels(base, inside),
    ...shell.filter(({ role }) => role === 'back'),
    ...strips(base),
  ].map((panel) => withHoles(panel, holes.get(panel.id)));
  const framed = frameFront(base, openingOf(base), explainedLength([plus('height', box.height.nm, { source: own(box, 'height') })]));
  const doors = hangDoors(base, framed.opening);
  return {
    id: box.id,
    panels: [...carcass, ...framed.panels, ...doors.panels, ...hangingPanels],
    connections: [...shellConnections(base), ...insideConnections(base, inside), ...stripConnections(base), ...framed.connections, ...doors.connections],
    compartments: inside.spaces.map((space) => compartment(base, space)),
    hardware: [...pinsOf(box, inside), ...doors.hardware],
    handles: inside.placed.map(({ element, kind, within, at }): Handle => ({
      panel: id(base, `${kind}/${element.id}`),
      path: [kind === 'shelf' ? 'shelves' : 'dividers', element.id, 'at'],
      axis: kind === 'shelf' ? 'up' : 'along',
      kind: 'length',
      value: at - (kind === 'shelf' ? within.floor : within.left),
      perMm: NM_PER.mm,
    })),
    overriddenSizes: overriddenPlaces(job, inside, { shelf: 'shelves', divider: 'dividers' }),
    hanging,
    outside: shellOutside(
      base,
      [...(framed.thickness > 0 ? [plus('face-frame', framed.thickness)] : []), ...(doors.proud > 0 ? [plus('door', doors.proud)] : [])],
      overhangs(box),
    ),
  };
}

/** Depth that doors and a setback take from shelves and dividers. */
const awayInside = (box: ShelfBox, stockOf: StockOf): LengthTerm[] => [
  ...(isDoored(box.front) && box.doors.lies === 'inset' && !box.faceFrame
    ? [minus('inset-door', stockOf(box.doors.stock).used.value), minus('behind-door', BEHIND_DOOR)]
    : []),
  ...(box.setback.nm > 0 ? [minus('setback', box.setback.nm, { source: own(box, 'setback') })] : []),
];

const overhangs = ({ faceFrame }: ShelfBox) => (faceFrame && faceFrame.overhang.nm > 0 ? [plus('frame-overhang', faceFrame.overhang.nm, { times: 2 })] : []);

type BoxFrame = ShellFrame<ShelfBox>;

const id = (base: BoxFrame, rest: string): string => `${base.spec.id}/${rest}`;

function wholeSpace(base: BoxFrame): SpaceBox {
  return {
    id: FLOOR,
    name: { key: 'opening-bottom' },
    left: base.insideLeft,
    floor: base.floor,
    width: base.insideWidth,
    height: base.insideHeight,
    leftPanel: id(base, 'side/left'),
    rightPanel: id(base, 'side/right'),
    floorPanel: id(base, 'bottom'),
    ceilingPanel: id(base, 'top'),
  };
}

function insidePanels(base: BoxFrame, { placed }: CutUp<ShelfElement | SpaceElement>): Panel[] {
  const { spec, insideRear, insideDepth } = base;
  return placed.map(({ element, kind, within, at, number }) =>
    panelOf(
      base,
      kind,
      element.id,
      { key: kind, of: String(number) },
      {
        frame: kind === 'shelf' ? frame(vector(within.left, at + base.T, insideRear), ALONG, OUT) : frame(vector(at, within.floor, insideRear), UP, OUT),
        length: kind === 'shelf' ? within.width : within.height,
        width: insideDepth,
        stock: spec.stock,
        banded: true,
        cuts: kind === 'divider' ? roundStrips(base, within) : [],
      },
    ),
  );
}

/** Clearance around a strip in the notch of a divider. [ASSUME] */
const NOTCH_PLAY = 500_000;

/** A divider is notched around the strips across the back: past its own edge where they lie at its end, because the ends go into joints. */
function roundStrips({ spec, T, floor, ceiling }: BoxFrame, within: SpaceBox): PanelCut[] {
  const reach = spec.jointDepth.nm + NOTCH_PLAY;
  const strips = [
    ...(spec.hanging.rail ? [{ id: 'rail', from: ceiling - spec.hanging.rail.nm, to: ceiling }] : []),
    ...(spec.nailingStrip ? [{ id: 'strip', from: floor, to: floor + spec.nailingStrip.nm }] : []),
  ];
  return strips.flatMap(({ id: strip, from, to }): PanelCut[] => {
    const low = Math.max(from - within.floor, 0);
    const high = Math.min(to - within.floor, within.height.value);
    if (low >= high) return [];
    const [a, b] = [low === 0 ? -reach : low - NOTCH_PLAY, high === within.height.value ? high + reach : high + NOTCH_PLAY];
    return [
      {
        kind: 'notch',
        id: strip,
        edge: 'near',
        at: Math.round((a + b) / 2) as Length,
        width: Math.round(b - a) as Length,
        depth: (T + NOTCH_PLAY) as Length,
        round: false,
        reason: { key: 'strip-notch' },
      },
    ];
  });
}

/** The strip at the foot of the back; the one at its head is the hanging rail. */
function strips(base: BoxFrame): Panel[] {
  const { spec } = base;
  if (!spec.nailingStrip) return [];
  return [
    panelOf(
      base,
      'hanging-rail',
      'low',
      { key: 'nailing-strip' },
      {
        frame: frame(vector(base.insideLeft, base.floor, base.insideRear), ALONG, UP),
        length: base.insideWidth,
        width: explainedLength([plus('strip-height', spec.nailingStrip.nm, { source: own(spec, 'nailingStrip') })]),
        stock: spec.stock,
      },
    ),
  ];
}

function insideConnections(base: BoxFrame, { placed }: CutUp<ShelfElement | SpaceElement>): Connection[] {
  const { spec } = base;
  const fixed = jointOf(spec, spec.shelfJoint, spec.setback.nm > 0 ? { stopped: true } : {});
  const onBack = (panel: string): Connection[] => (spec.back.kind === 'none' ? [] : [connect(panel, 'near', id(base, 'back'), 'reference', LOOSE)]);
  return placed.flatMap(({ element, kind, within }) => {
    const panel = id(base, `${kind}/${element.id}`);
    if (kind === 'divider')
      return [
        connect(panel, 'start', within.floorPanel, 'reference', fixed, ['shelfJoint']),
        connect(panel, 'end', within.ceilingPanel, 'other', fixed, ['shelfJoint']),
        ...onBack(panel),
        // A strip across the back lies in the divider's notch.
        ...roundStrips(base, within).map(({ id: strip }) => ({
          ...connect(id(base, strip === 'rail' ? 'hanging-rail' : 'hanging-rail/low'), 'reference', panel, 'near', { ...LOOSE, kind: 'laid' as const }),
          id: `${panel}:${strip}`,
        })),
      ];
    const pins = 'fixing' in element && element.fixing === 'pins';
    const ends = between(
      panel,
      within.leftPanel,
      within.rightPanel,
      pins ? onPins(PIN_CLEARANCE) : fixed,
      pins ? ['shelves', element.id, 'fixing'] : ['shelfJoint'],
    );
    return [...ends, ...(pins ? [] : onBack(panel))];
  });
}

function stripConnections(base: BoxFrame): Connection[] {
  const { spec } = base;
  if (!spec.nailingStrip) return [];
  const strip = id(base, 'hanging-rail/low');
  const ends = railEndsOf(spec);
  return [
    ...between(strip, id(base, 'side/left'), id(base, 'side/right'), ends),
    connect(strip, 'near', id(base, 'bottom'), 'reference', jointOf(spec, 'butt', { fastening: null })),
  ];
}

function openingOf(base: BoxFrame): DoorOpening {
  const { T, floor, spec } = base;
  return {
    left: base.insideLeft,
    bottom: floor,
    width: base.insideWidth,
    height: base.insideHeight,
    edges: { left: T, right: T, bottom: T, top: T },
    front: base.front,
    frames: { left: `${spec.id}/side/left`, right: `${spec.id}/side/right`, bottom: `${spec.id}/bottom`, top: `${spec.id}/top` },
  };
}

function compartment(base: BoxFrame, space: SpaceBox): Compartment {
  return {
    id: id(base, `space/${space.id}`),
    name: space.name,
    floor: space.floorPanel,
    keptBy: space.id,
    width: space.width,
    height: space.height,
    depth: base.insideDepth,
    at: { along: space.left, up: space.floor, out: base.insideRear },
  };
}

/** The pin hole of a shelf: the nearest to the position asked for. A shelf lies on its pins, so its underside is half a pin above the hole. */
function onHoles({ pins }: ShelfBox, above: Length, height: Length): Length {
  const radius = Math.round(pins.diameter.nm / 2);
  const first = pins.first.nm;
  const pitch = pins.pitch.nm;
  const most = Math.max(0, Math.floor((height - 2 * first) / pitch));
  const start = pins.from === 'bottom' ? first : height - first - most * pitch;
  const k = Math.min(most, Math.max(0, Math.round((above - radius - start) / pitch)));
  return (start + k * pitch + radius) as Length;
}

/** Rows of pin holes in the two uprights of every space with shelves on pins. */
function pinHoles(base: BoxFrame, { placed }: CutUp<ShelfElement | SpaceElement>): ReadonlyMap<string, readonly PanelCut[]> {
  const { spec } = base;
  const { pins } = spec;
  const rows = new Map<string, PanelCut[]>();
  const done = new Set<string>();
  for (const { element, within } of placed) {
    if (!('fixing' in element) || element.fixing !== 'pins' || done.has(`${within.id}@${within.floor}`)) continue;
    done.add(`${within.id}@${within.floor}`);
    const count = Math.max(0, Math.floor((within.height.value - 2 * pins.first.nm) / pins.pitch.nm)) + 1;
    for (const [host, face, from] of [
      [within.leftPanel, 'other', pins.from],
      [within.rightPanel, 'reference', pins.fromRight],
    ] as const) {
      const first = from === 'bottom' ? pins.first.nm : within.height.value - pins.first.nm - (count - 1) * pins.pitch.nm;
      const side = host.includes('/side/');
      const foot = side ? (spec.bottom.runs === 'over' ? base.T : 0) : dividerFoot(placed, host);
      const rear = side ? base.insideRear - base.carcassRear : 0;
      const insets = [rear + pins.inset.nm, rear + base.insideDepth.value - pins.inset.nm];
      const made = insets.map((v, index): PanelCut => ({
        kind: 'holes',
        id: `pins-${element.id}-${index}`,
        face,
        at: { u: within.floor + first - foot, v },
        step: { u: pins.pitch.nm, v: 0 },
        count,
        diameter: pins.diameter.nm,
        depth: Math.min(PIN_DEPTH, Math.floor(base.T / 2)) as Length,
        purpose: 'shelf-pins',
        reason: { key: 'pin-row' },
      }));
      rows.set(host, [...(rows.get(host) ?? []), ...made]);
    }
  }
  return rows;
}

const dividerFoot = (placed: CutUp<ShelfElement | SpaceElement>['placed'], host: string): number =>
  placed.find(({ kind, element }) => kind === 'divider' && host.endsWith(`/divider/${element.id}`))?.within.floor ?? 0;

const withHoles = (panel: Panel, holes: readonly PanelCut[] | undefined): Panel => (holes ? { ...panel, cuts: [...panel.cuts, ...holes] } : panel);

const pinsOf = (box: ShelfBox, { placed }: CutUp<ShelfElement | SpaceElement>): Hardware[] =>
  placed.flatMap(({ element, kind }) =>
    kind === 'shelf' && 'fixing' in element && element.fixing === 'pins'
      ? [{ id: `${box.id}/pins/${element.id}`, kind: 'pin' as const, name: { key: 'shelf-pins' }, count: 4, panel: `${box.id}/shelf/${element.id}` }]
      : [],
  );
