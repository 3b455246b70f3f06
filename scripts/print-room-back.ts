/** The back wall of the made-up print room: cabinets of every family beside the everyday cabinets of the first wall. */
import { entered, familyOf, newWall, type Wall } from '../packages/core/src/index.ts';
import type { FamilyId, CabinetSpec } from '../packages/core/src/model/specs/cabinet-spec.ts';

type Row = Record<string, unknown>;

const wall = newWall({ unit: 'mm', width: entered('9600 mm'), ceiling: entered('2600 mm'), spacing: entered('400 mm') });
/** A stud every 400, and one in the corner. */
export const backWall: Wall = {
  ...wall,
  studs: { ...wall.studs, marks: { corner: { id: 'corner', regular: null, at: entered('70 mm'), state: 'found', gone: false } } },
};

let order = 0;
/** A cabinet of a family, some of its values changed by path. */
function spec(
  family: FamilyId,
  id: string,
  name: string,
  size: readonly [string, string, string],
  place: readonly [string, string],
  changes: Row = {},
): CabinetSpec {
  const [width, height, depth] = size.map((text) => entered(text)) as [ReturnType<typeof entered>, ReturnType<typeof entered>, ReturnType<typeof entered>];
  const made: unknown = familyOf({ family }).create({
    id,
    name,
    order: ++order,
    unit: 'mm',
    width,
    height,
    depth,
    stock: 'birch-18',
    backStock: 'birch-6',
    contents: { preset: 'light', kg: null },
    place: { along: entered(place[0]), up: entered(place[1]) },
  });
  return Object.entries(changes).reduce<Row>((row, [path, value]) => set(row, path.split('.'), value), made as Row) as unknown as CabinetSpec;
}

function set(row: Row, [key, ...rest]: readonly string[], value: unknown): Row {
  return { ...row, [key!]: rest.length === 0 ? value : set(row[key!] as Row, rest, value) };
}

/** A part of a run with nothing under it. */
const hungOnly = { lower: null, lowerShelves: 1, lowerFront: 'open' };
/** A part with a box on the floor under it. */
const onFloor = (lowerFront: string, lowerShelves: number) => ({ lower: entered('720 mm'), lowerShelves, lowerFront });
const mm = (text: string) => entered(`${text} mm`);
const bay = (id: string, at: number, tool: string, width: string | null, length: string, kg: number) => ({
  [id]: { id, order: at, tool, width: width === null ? null : mm(width), toolLength: mm(length), kg, held: 'ledge', block: null, spare: false },
});

export const BACK_CABINETS: readonly CabinetSpec[] = [
  spec('tool-till', 'till', 'Brayer and stick till', ['620 mm', '520 mm', '220 mm'], ['300 mm', '1400 mm'], {
    tiltDeg: 8,
    bays: {
      ...bay('b1', 1, 'large brayer', '150', '260', 0.9),
      ...bay('b2', 2, 'small brayer', '110', '200', 0.5),
      ...bay('b3', 3, 'long stick', '60', '300', 0.7),
      ...bay('b4', 4, 'short stick', '60', '220', 0.5),
      ...bay('b5', 5, 'quoin keys', null, '140', 0.3),
      b6: { ...bay('b6', 6, 'third brayer', '70', '220', 0.6)['b6']!, spare: true },
    },
    contents: Object.fromEntries(['b1', 'b2', 'b3', 'b4', 'b5', 'b6'].map((id) => [id, { preset: 'nothing', kg: 0.6 }])),
  }),
  spec('slot-rack', 'slots', 'Paper slot rack', ['600 mm', '660 mm', '340 mm'], ['1100 mm', '1300 mm'], {
    contents: Object.fromEntries([1, 2, 3, 4, 5, 6].map((n) => [`t${n}`, { preset: 'nothing', kg: 4 }])),
  }),
  spec('ledge-rack', 'ledges', 'Proof ledge rack', ['700 mm', '640 mm', '140 mm'], ['1850 mm', '1350 mm'], {
    'hanging.rail': mm('60'),
    ledges: {
      l1: {
        id: 'l1',
        order: 1,
        at: null,
        kind: 'plain',
        strips: 2,
        stripHeight: mm('25'),
        stripGap: mm('30'),
        support: true,
        count: 4,
        notchWidth: mm('12'),
        notchDepth: mm('60'),
      },
      l2: {
        id: 'l2',
        order: 2,
        at: null,
        kind: 'scooped',
        strips: 1,
        stripHeight: mm('40'),
        stripGap: mm('30'),
        support: false,
        count: 6,
        notchWidth: mm('70'),
        notchDepth: mm('18'),
      },
      l3: {
        id: 'l3',
        order: 3,
        at: null,
        kind: 'notched',
        strips: 0,
        stripHeight: mm('25'),
        stripGap: mm('30'),
        support: false,
        count: 7,
        notchWidth: mm('14'),
        notchDepth: mm('70'),
      },
    },
  }),
  spec('drawer-unit', 'drawers', 'Sort drawers', ['520 mm', '520 mm', '340 mm'], ['2750 mm', '1250 mm'], {
    contents: { d1: { preset: 'nothing', kg: 3 }, d2: { preset: 'nothing', kg: 5 }, d3: { preset: 'nothing', kg: 7 } },
    boxStock: 'birch-12',
  }),
  spec('sloped-box', 'sloped', 'Ink-slab cover box', ['600 mm', '480 mm', '260 mm'], ['3550 mm', '1350 mm'], { apron: mm('70'), trim: mm('40') }),
  spec('mitred-box', 'ring', 'Twine hexagon', ['460 mm', '400 mm', '170 mm'], ['4500 mm', '1500 mm'], {
    backStock: 'birch-12',
    leanDeg: 4,
    'hanging.cabinetScrew.length': mm('25'),
  }),
  spec('fold-down', 'packing', 'Packing table', ['1000 mm', '520 mm', '460 mm'], ['5050 mm', '450 mm'], {}),
  spec('slab', 'slab', 'Proof board', ['1800 mm', '700 mm', '18 mm'], ['5060 mm', '1400 mm'], {
    edgingStock: 'birch-6',
    strip: mm('20'),
    cap: mm('25'),
    wingRight: mm('300'),
  }),
  spec('cabinet-run', 'run', 'Furniture run', ['2200 mm', '700 mm', '300 mm'], ['7050 mm', '1400 mm'], {
    fillerRight: mm('40'),
    parts: {
      c1: { id: 'c1', order: 1, kind: 'box', width: null, height: null, shelves: 2, front: 'doors', bridge: null, ...hungOnly },
      g1: { id: 'g1', order: 2, kind: 'open', width: mm('500'), height: null, shelves: 0, front: 'open', bridge: mm('280'), ...hungOnly },
      c2: { id: 'c2', order: 3, kind: 'box', width: null, height: mm('560'), shelves: 1, front: 'open', bridge: null, ...hungOnly },
    },
  }),
  spec('shelf-box', 'bays', 'Bay cupboard', ['900 mm', '760 mm', '290 mm'], ['7950 mm', '300 mm'], {
    dividers: { v1: { id: 'v1', order: 1, at: null, in: 'bottom', level: 0 } },
    shelves: {
      s1: { id: 's1', order: 1, at: null, in: 'bottom', level: 1, fixing: 'pins' },
      s2: { id: 's2', order: 2, at: null, in: 'bottom', level: 1, fixing: 'pins' },
      s3: { id: 's3', order: 1, at: null, in: 'v1', level: 0, fixing: 'fixed' },
    },
    contents: {
      bottom: { preset: 'light', kg: null },
      v1: { preset: 'light', kg: null },
      s1: { preset: 'light', kg: null },
      s2: { preset: 'light', kg: null },
      s3: { preset: 'light', kg: null },
    },
    front: 'doors',
    'doors.infill': 'panel',
    'doors.handle': 'knob',
    nailingStrip: mm('60'),
    inserts: {
      i1: {
        id: 'i1',
        order: 1,
        in: 'bottom',
        kind: 'holes',
        stock: 'birch-18',
        along: mm('20'),
        out: mm('30'),
        length: mm('300'),
        depth: mm('90'),
        height: mm('60'),
        count: 5,
        rows: 2,
        size: mm('24'),
        step: mm('0'),
        clearance: mm('1'),
        deep: mm('12'),
      },
    },
  }),
  spec('corner-unit', 'corner', 'Corner of the furniture', ['600 mm', '700 mm', '600 mm'], ['0 mm', '560 mm'], { 'hanging.rightInset': mm('-250') }),
  spec('cabinet-run', 'bench', 'Bench run', ['1550 mm', '1150 mm', '300 mm'], ['1150 mm', '0 mm'], {
    stand: 'toe',
    'doors.handle': 'knob',
    'hanging.rail': mm('80'),
    'hanging.rightInset': mm('150'),
    parts: {
      c1: { id: 'c1', order: 1, kind: 'box', width: null, height: mm('340'), shelves: 0, front: 'doors', bridge: null, ...onFloor('drawers', 3) },
      g1: { id: 'g1', order: 2, kind: 'open', width: mm('420'), height: null, shelves: 0, front: 'open', bridge: mm('300'), ...hungOnly },
      c2: { id: 'c2', order: 3, kind: 'box', width: null, height: mm('340'), shelves: 0, front: 'doors', bridge: null, ...onFloor('doors', 1) },
    },
  }),
];
