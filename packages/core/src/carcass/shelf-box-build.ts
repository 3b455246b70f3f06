/**
 * The shelf box as panels that meet. Panels are placed with their edges on the faces they meet;
 * what goes into a slot, and the slot itself, follow in solid/resolve.ts. Nothing here adds a
 * joint's depth to a length.
 */
import { BACK_PLAY, END_PLAY, FIT_PLAY } from '../joints/fits.ts';
import { ZERO, type Length } from '../length/length.ts';
import type { Fastening, Joint, JointKind, Meeting } from '../solid/meeting.ts';
import { frame, type EdgeId, type Face, type Panel } from '../solid/panel.ts';
import type { Compartment, Unit } from '../solid/unit.ts';
import { ALONG, OUT, UP, vector } from '../solid/vector.ts';
import { thicknessSource } from '../stock/thickness.ts';
import { dimension, minus, plus } from '../worked/dimension.ts';
import { boxPanel, own, type BoxFrame, type StockOf } from './box-frame.ts';
import { placeHanging } from './cleat-build.ts';
import { spaceShelves, type Spacing } from './shelf-spacing.ts';
import type { ShelfBox } from './shelf-box.ts';

/** Builds the unit's panels, meetings and spaces from the decisions and the measured stock. */
export function buildShelfBox(box: ShelfBox, stockOf: StockOf): Unit {
  const base = boxFrame(box, stockOf);
  const spacing = spaceShelves(box, base);
  const { hanging, panels: hangingPanels } = placeHanging(base);
  const panels = [...carcassPanels(base, spacing), ...hangingPanels];
  return {
    id: box.id,
    panels,
    meetings: [...endMeetings(base), ...shelfMeetings(base), ...backMeetings(base), ...railMeetings(base)],
    compartments: compartments(base, spacing),
    hanging,
    outside: {
      width: dimension([plus('width', box.width.nm, { source: own(box, 'width') })]),
      height: dimension([plus('height', box.height.nm, { source: own(box, 'height') })]),
      depth: dimension([
        plus('carcass-depth', box.depth.nm, { source: own(box, 'depth') }),
        ...(box.hanging.kind === 'outside' ? [plus('gap-behind', base.rear)] : []),
      ]),
    },
  };
}

function boxFrame(box: ShelfBox, stockOf: StockOf): BoxFrame {
  const { used, product } = stockOf(box.stock);
  const T = used.value;
  const source = thicknessSource(product, used);
  const back = box.back.kind === 'none' ? null : stockOf(box.back.stock);
  const backThickness = back?.used.value ?? ZERO;
  const cleat = stockOf(box.hanging.stock).used.value;
  const outside = box.hanging.kind === 'outside';
  const rear = outside ? cleat : ZERO;
  const recess = outside ? ZERO : cleat;
  const front = (rear + box.depth.nm) as Length;
  const carcassRear = (box.back.kind === 'over' ? rear + backThickness : rear) as Length;
  const insideRear = (rear + recess + backThickness) as Length;

  const depthTerm = plus('depth', box.depth.nm, { source: own(box, 'depth') });
  const backTerm = back ? [minus('back', backThickness, { source: thicknessSource(back.product, back.used) })] : [];
  const ends = (['top', 'bottom'] as const).map((end) => ({
    end,
    ...box[end],
    lipTerm: box[end].runs === 'between' && box[end].joint === 'dado' ? box[end].lip.nm : ZERO,
  }));
  const insideHeight = dimension([
    plus('height', box.height.nm, { source: own(box, 'height') }),
    minus('top-and-bottom', T, { times: 2, source }),
    ...ends.filter(({ lipTerm }) => lipTerm !== 0).map(({ end, lipTerm }) => minus(`lip-${end}`, lipTerm, { source: own(box, end, 'lip') })),
  ]);
  const floor = (ends[1]!.lipTerm + T) as Length;
  return {
    box,
    stockOf,
    T,
    back,
    backThickness,
    rear,
    carcassRear,
    insideRear,
    front,
    floor,
    ceiling: (floor + insideHeight.value) as Length,
    insideWidth: dimension([plus('width', box.width.nm, { source: own(box, 'width') }), minus('side', T, { times: 2, source })]),
    insideHeight,
    insideDepth: dimension([depthTerm, ...(recess ? [minus('recess', recess)] : []), ...backTerm]),
    carcassDepth: dimension([depthTerm, ...(box.back.kind === 'over' ? backTerm : [])]),
  };
}

function carcassPanels(base: BoxFrame, spacing: Spacing): Panel[] {
  const { box, T, carcassRear, insideRear, back } = base;
  const { product, used } = base.stockOf(box.stock);
  const source = thicknessSource(product, used);
  const over = (['top', 'bottom'] as const).filter((end) => box[end].runs === 'over');
  const sideLength = dimension([plus('height', box.height.nm, { source: own(box, 'height') }), ...over.map((end) => minus(end, T, { source }))]);
  const sideUp = box.bottom.runs === 'over' ? T : ZERO;
  const side = (element: 'left' | 'right'): Panel =>
    boxPanel(
      base,
      'side',
      element,
      { key: `side-${element}` },
      {
        frame: frame(vector(element === 'left' ? 0 : box.width.nm - T, sideUp, carcassRear), UP, OUT),
        length: sideLength,
        width: base.carcassDepth,
        stock: box.stock,
        banded: true,
      },
    );
  const level = (role: 'top' | 'bottom', upperFace: number): Panel => {
    const runsOver = box[role].runs === 'over';
    return boxPanel(
      base,
      role,
      '',
      { key: role },
      {
        frame: frame(vector(runsOver ? 0 : T, upperFace, carcassRear), ALONG, OUT),
        length: runsOver ? dimension([plus('width', box.width.nm, { source: own(box, 'width') })]) : base.insideWidth,
        width: base.carcassDepth,
        stock: box.stock,
        banded: true,
      },
    );
  };
  const panels = [side('left'), side('right'), level('top', base.ceiling + T), level('bottom', base.floor)];
  for (const { element, number, underside } of spacing.shelves) {
    panels.push(
      boxPanel(
        base,
        'shelf',
        element.id,
        { key: 'shelf', of: String(number) },
        {
          frame: frame(vector(T, underside + T, insideRear), ALONG, OUT),
          length: base.insideWidth,
          width: base.insideDepth,
          stock: box.stock,
          banded: true,
        },
      ),
    );
  }
  if (back) panels.push(backPanel(base));
  return panels;
}

function backPanel(base: BoxFrame): Panel {
  const { box, T, insideRear } = base;
  const over = box.back.kind === 'over';
  return boxPanel(
    base,
    'back',
    '',
    { key: 'back' },
    {
      frame: frame(over ? vector(0, 0, insideRear) : vector(T, base.floor, insideRear), UP, ALONG),
      length: over ? dimension([plus('height', box.height.nm, { source: own(box, 'height') })]) : base.insideHeight,
      width: over ? dimension([plus('width', box.width.nm, { source: own(box, 'width') })]) : base.insideWidth,
      stock: box.back.stock,
    },
  );
}

function joint(base: BoxFrame, kind: JointKind, depth: Length, endPlay: Length, fastened: boolean): Joint {
  const { box } = base;
  const { perJoint, screw, length } = box.assembly;
  const fastening: Fastening | null = fastened && perJoint > 0 ? { screw, length: length.nm, count: perJoint } : null;
  return kind === 'butt'
    ? { kind, depth: ZERO, endPlay: ZERO, play: ZERO, glue: box.glue, fastening }
    : { kind, depth, endPlay, play: FIT_PLAY[box.fit], glue: box.glue, fastening };
}

const meet = (guest: string, edge: EdgeId, host: string, face: Face, by: Joint): Meeting => ({ id: `${guest}:${edge}`, guest, edge, host, face, joint: by });

function endMeetings(base: BoxFrame): Meeting[] {
  const { box } = base;
  return (['top', 'bottom'] as const).flatMap((end) => {
    const { runs, joint: kind } = box[end];
    const by = joint(base, kind, box.jointDepth.nm, END_PLAY, true);
    const panel = `${box.id}/${end}`;
    if (runs === 'between') return betweenSides(box.id, panel, by);
    const face: Face = end === 'top' ? 'other' : 'reference';
    const edge: EdgeId = end === 'top' ? 'end' : 'start';
    return (['left', 'right'] as const).map((hand) => meet(`${box.id}/side/${hand}`, edge, panel, face, by));
  });
}

const betweenSides = (unit: string, panel: string, by: Joint): Meeting[] => [
  meet(panel, 'start', `${unit}/side/left`, 'other', by),
  meet(panel, 'end', `${unit}/side/right`, 'reference', by),
];

function shelfMeetings(base: BoxFrame): Meeting[] {
  const { box } = base;
  const by = joint(base, box.shelfJoint, box.jointDepth.nm, END_PLAY, true);
  const loose: Joint = { kind: 'butt', depth: ZERO, endPlay: ZERO, play: ZERO, glue: false, fastening: null };
  return Object.keys(box.shelves).flatMap((id) => {
    const shelf = `${box.id}/shelf/${id}`;
    return [...betweenSides(box.id, shelf, by), ...(base.back ? [meet(shelf, 'near', `${box.id}/back`, 'reference', loose)] : [])];
  });
}

function backMeetings(base: BoxFrame): Meeting[] {
  const { box } = base;
  const back = `${box.id}/back`;
  if (box.back.kind === 'rabbet') {
    const by: Joint = { ...joint(base, 'rabbet', box.back.rabbetDepth.nm, BACK_PLAY, false), play: ZERO };
    return [
      meet(back, 'near', `${box.id}/side/left`, 'other', by),
      meet(back, 'far', `${box.id}/side/right`, 'reference', by),
      meet(back, 'start', `${box.id}/bottom`, 'reference', by),
      meet(back, 'end', `${box.id}/top`, 'other', by),
    ];
  }
  if (box.back.kind === 'none') return [];
  const by = joint(base, 'butt', ZERO, ZERO, false);
  return ['side/left', 'side/right', 'top', 'bottom'].map((panel) => meet(`${box.id}/${panel}`, 'near', back, 'reference', by));
}

function railMeetings(base: BoxFrame): Meeting[] {
  const { box } = base;
  if (!box.hanging.rail) return [];
  const rail = `${box.id}/hanging-rail`;
  const by = joint(base, 'butt', ZERO, ZERO, false);
  const { screw, length } = box.assembly;
  const count = Math.max(box.hanging.railScrews, box.assembly.perJoint);
  const ends: Joint = { ...by, fastening: count > 0 ? { screw, length: length.nm, count } : null };
  return [...betweenSides(box.id, rail, ends), meet(rail, 'far', `${box.id}/top`, 'other', by)];
}

function compartments(base: BoxFrame, spacing: Spacing): Compartment[] {
  const { box } = base;
  return spacing.openings.map(({ keptBy, floorUp, height, name }) => ({
    id: `${box.id}/space/${keptBy}`,
    name,
    floor: keptBy === 'bottom' ? `${box.id}/bottom` : `${box.id}/shelf/${keptBy}`,
    keptBy,
    width: base.insideWidth,
    height,
    depth: base.insideDepth,
    at: { along: base.T, up: floorUp, out: base.insideRear },
  }));
}
