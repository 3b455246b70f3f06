/**
 * Inserts: loose holders in a space of any cabinet: blocks with holes or slots, pegs, trays, upright leaves with finger notches. Placed from the left and
 * the rear of their space.
 */
import { NM_PER, type Length } from '../length/length.ts';
import type { Connection } from '../solid/connection.ts';
import { frame, type PanelCut, type Panel } from '../solid/panel.ts';
import type { Compartment, Hardware, CabinetGeometry } from '../solid/cabinet.ts';
import { ALONG, OUT, UP, vector } from '../solid/vector.ts';
import { explainedLength, minus, plus, type ExplainedLength } from '../explained/explained-length.ts';
import { own, panelOf, type PanelBase, type StockOf } from './box-frame.ts';
import { choiceField, kindField, lengthField, stockField, type ElementsForm } from './form.ts';
import { LOOSE, connect } from './joinery.ts';
import { inOrder } from './spaces.ts';
import { type Insert, type SpecBase } from '../model/specs/spec-base.ts';
import { pick } from './new-spec.ts';

export const newInsert = ({ unit, stock }: Pick<SpecBase, 'unit' | 'stock'>, id: string, order: number, space: string): Insert => ({
  id,
  order,
  in: space,
  kind: 'holes',
  stock,
  along: pick(unit, '10', '3/8'),
  out: pick(unit, '10', '3/8'),
  length: pick(unit, '200', '8'),
  depth: pick(unit, '60', '2 3/8'),
  height: pick(unit, '60', '2 3/8'),
  count: 4,
  rows: 1,
  size: pick(unit, '20', '3/4'),
  step: pick(unit, '0', '0'),
  clearance: pick(unit, '1', '1/32'),
  deep: null,
});

type OfKind = (insert: Insert) => boolean;
const is =
  (...kinds: Insert['kind'][]): OfKind =>
  ({ kind }) =>
    kinds.includes(kind);

/** The list every family with spaces has. */
export const INSERTS_FORM: ElementsForm<SpecBase> = {
  path: 'inserts',
  label: 'inserts',
  group: 'inside',
  most: 30,
  least: 0,
  fields: [
    kindField('in', 'insert-in', 'inside', { kind: 'space' }),
    choiceField('kind', 'insert-kind', ['holes', 'slots', 'pegs', 'tray', 'leaves'], 'inside'),
    stockField('stock', 'insert-stock', 'inside'),
    lengthField('along', 'insert-along', 0, 3000, 'inside'),
    lengthField('out', 'insert-out', 0, 900, 'inside'),
    lengthField('length', 'insert-length', 20, 3000, 'inside'),
    lengthField('depth', 'insert-depth', 15, 900, 'inside'),
    lengthField('height', 'insert-height', 8, 600, 'inside', { when: is('tray', 'leaves') }),
    kindField('count', 'insert-count', 'inside', { kind: 'count', least: 1, most: 60 }, { when: is('holes', 'slots', 'pegs', 'leaves') }),
    kindField('rows', 'insert-rows', 'inside', { kind: 'count', least: 1, most: 20 }, { when: is('holes', 'pegs') }),
    lengthField('size', 'insert-size', 1, 300, 'inside', { when: is('holes', 'slots', 'pegs') }),
    lengthField('step', 'insert-step', 0, 30, 'inside', { when: is('holes') }),
    lengthField('clearance', 'insert-clearance', 0, 30, 'inside', { when: is('holes', 'slots') }),
    lengthField('deep', 'insert-deep', 2, 300, 'inside', { optional: true, start: { mm: '12 mm', in: '1/2 in' }, when: is('holes', 'slots', 'pegs') }),
  ],
  start: (design, id, order) => newInsert(design, id, order, Object.keys(design.contents)[0] ?? 'bottom'),
  panel: (design, id) => `${design.id}/holder/${id}${design.inserts[id]?.kind === 'tray' ? '/rear' : design.inserts[id]?.kind === 'leaves' ? '/1' : ''}`,
};

interface Made {
  readonly panels: readonly Panel[];
  readonly connections: readonly Connection[];
  readonly hardware: readonly Hardware[];
}

/** The cabinet with its inserts in their spaces. An insert whose space is gone is left out; the checks report it. */
export function withInserts(cabinet: CabinetGeometry, design: SpecBase, stockOf: StockOf): CabinetGeometry {
  const inserts = inOrder(design.inserts);
  if (inserts.length === 0) return cabinet;
  const made = inserts.flatMap((insert, index) => {
    const space = cabinet.compartments.find(({ keptBy }) => keptBy === insert.in);
    const floor = space && cabinet.panels.find(({ id }) => id === space.floor);
    // Only a level floor holds a loose insert.
    return space && floor && floor.frame.w.up < -0.999 ? [make({ spec: design, stockOf }, insert, space, String(index + 1))] : [];
  });
  return {
    ...cabinet,
    panels: [...cabinet.panels, ...made.flatMap(({ panels }) => panels)],
    connections: [...cabinet.connections, ...made.flatMap(({ connections }) => connections)],
    hardware: [...cabinet.hardware, ...made.flatMap(({ hardware }) => hardware)],
  };
}

function make(base: PanelBase, insert: Insert, space: Compartment, of: string): Made {
  switch (insert.kind) {
    case 'tray':
      return tray(base, insert, space, of);
    case 'leaves':
      return leaves(base, insert, space, of);
    default:
      return block(base, { ...insert, kind: insert.kind }, space, of);
  }
}

const entered = ({ spec: spec }: PanelBase, insert: Insert, key: string) => ({ source: own(spec, 'inserts', insert.id, key) });
const measure = (base: PanelBase, insert: Insert, key: 'length' | 'depth' | 'height'): ExplainedLength =>
  explainedLength([plus(`insert-${key}`, insert[key].nm, entered(base, insert, key))]);

type InsertBlock = Insert & { readonly kind: 'holes' | 'slots' | 'pegs' };

/** A level block whose upper face is the reference; evenly spaced holes, or slots from the front edge. */
function block(base: PanelBase, insert: InsertBlock, { at, floor }: Compartment, of: string): Made {
  const t = base.stockOf(insert.stock).used.value;
  const panel = panelOf(
    base,
    'holder',
    insert.id,
    { key: `insert-${insert.kind}`, of },
    {
      frame: frame(vector(at.along + insert.along.nm, at.up + t, at.out + insert.out.nm), ALONG, OUT),
      length: measure(base, insert, 'length'),
      width: measure(base, insert, 'depth'),
      stock: insert.stock,
      cuts: insert.kind === 'slots' ? slots(insert) : holes(insert, t),
    },
  );
  const pegs =
    insert.kind === 'pegs'
      ? [{ id: `${panel.id}/pegs`, kind: 'dowel' as const, name: { key: 'pegs' as const, of }, count: insert.count * insert.rows, panel: panel.id }]
      : [];
  return { panels: [panel], connections: [connect(panel.id, 'other', floor, 'reference', { ...LOOSE, kind: 'laid' })], hardware: pegs };
}

const evenly = (run: number, count: number, index: number): number => Math.round((run * (2 * index + 1)) / (2 * count));

function holes({ kind, length, depth, count, rows, size, step, clearance, deep }: InsertBlock, t: Length): PanelCut[] {
  const across = (k: number): Length => (kind === 'pegs' ? size.nm : size.nm + clearance.nm + step.nm * k) as Length;
  const bored = deep && deep.nm < t ? deep.nm : null;
  const row = (v: number, k: number, many: number): PanelCut => ({
    kind: 'holes',
    id: `${k}-${v}`,
    face: 'reference',
    at: { u: evenly(length.nm, count, k), v },
    step: { u: many > 1 ? evenly(length.nm, count, 1) - evenly(length.nm, count, 0) : 0, v: 0 },
    count: many,
    diameter: across(k),
    depth: bored,
    purpose: 'items',
    reason: { key: `insert-${kind}` },
  });
  return Array.from({ length: rows }, (_, r) => evenly(depth.nm, rows, r)).flatMap((v) =>
    step.nm === 0 || kind === 'pegs' ? [row(v, 0, count)] : Array.from({ length: count }, (_, k) => row(v, k, 1)),
  );
}

function slots({ length, depth, count, size, clearance, deep }: Insert): PanelCut[] {
  return Array.from({ length: count }, (_, k) => ({
    kind: 'notch' as const,
    id: `slot-${k + 1}`,
    edge: 'far' as const,
    at: evenly(length.nm, count, count - 1 - k) as Length,
    width: (size.nm + clearance.nm) as Length,
    depth: Math.min(deep?.nm ?? depth.nm / 2, depth.nm - 5 * NM_PER.mm) as Length,
    round: false,
    reason: { key: 'insert-slots' },
  }));
}

/** Front and rear run through, the ends stand between them. */
function tray(base: PanelBase, insert: Insert, { at, floor }: Compartment, of: string): Made {
  const t = base.stockOf(insert.stock).used.value;
  const [left, rear] = [at.along + insert.along.nm, at.out + insert.out.nm];
  const height = measure(base, insert, 'height');
  const wall = (name: 'front' | 'rear' | 'left' | 'right', along: number, out: number, long: ExplainedLength, turned: boolean): Panel =>
    panelOf(
      base,
      'holder',
      `${insert.id}/${name}`,
      { key: `tray-${name}`, of },
      {
        frame: turned ? frame(vector(along, at.up, out), OUT, UP) : frame(vector(along, at.up, out), ALONG, UP),
        length: long,
        width: height,
        stock: insert.stock,
      },
    );
  const long = measure(base, insert, 'length');
  const short = explainedLength([plus('insert-depth', insert.depth.nm, entered(base, insert, 'depth')), minus('tray-wall', t, { times: 2 })]);
  const panels = [
    wall('rear', left, rear, long, false),
    wall('front', left, rear + insert.depth.nm - t, long, false),
    wall('left', left + t, rear + t, short, true),
    wall('right', left + insert.length.nm, rear + t, short, true),
  ];
  const [back, front, leftEnd, rightEnd] = panels.map(({ id }) => id) as [string, string, string, string];
  const glued = { ...LOOSE, glue: true };
  return {
    panels,
    connections: [
      ...[leftEnd, rightEnd].flatMap((end) => [connect(end, 'start', back, 'other', glued), connect(end, 'end', front, 'reference', glued)]),
      ...panels.map((panel) => connect(panel.id, 'near', floor, 'reference', LOOSE)),
    ],
    hardware: [],
  };
}

/** A finger notch in the middle of a leaf's upper edge. [ASSUME] */
const FINGER = { width: 24 * NM_PER.mm, depth: 16 * NM_PER.mm } as const;

/** Upright leaves side by side, each with a finger notch: they stand between items, not in joints. */
function leaves(base: PanelBase, insert: Insert, { at, floor }: Compartment, of: string): Made {
  const t = base.stockOf(insert.stock).used.value;
  const height = measure(base, insert, 'height');
  const depth = measure(base, insert, 'depth');
  const notched = insert.depth.nm > 2 * FINGER.width && insert.height.nm > 2 * FINGER.depth;
  const panels = Array.from({ length: insert.count }, (_, k) =>
    panelOf(
      base,
      'holder',
      `${insert.id}/${k + 1}`,
      { key: 'leaf-of', of },
      {
        frame: frame(
          vector(at.along + insert.along.nm + evenly(insert.length.nm, insert.count, k) - Math.round(t / 2), at.up, at.out + insert.out.nm),
          UP,
          OUT,
        ),
        length: height,
        width: depth,
        stock: insert.stock,
        cuts: notched
          ? [
              {
                kind: 'notch',
                id: 'finger',
                edge: 'end',
                at: Math.round(insert.depth.nm / 2) as Length,
                width: FINGER.width as Length,
                depth: FINGER.depth as Length,
                round: true,
                reason: { key: 'finger-notch' },
              },
            ]
          : [],
      },
    ),
  );
  return { panels, connections: panels.map(({ id }) => connect(id, 'start', floor, 'reference', LOOSE)), hardware: [] };
}

export const INSERT_WORDS = {
  inserts: 'inserts',
  insert: 'insert {of}',
  'insert-in': 'stands in',
  'insert-kind': 'kind',
  'insert-stock': 'cut from',
  'insert-along': 'from the left',
  'insert-out': 'from the rear',
  'insert-length': 'length',
  'insert-depth': 'depth',
  'insert-height': 'height',
  'insert-count': 'how many',
  'insert-rows': 'rows',
  'insert-size': 'thing, across',
  'insert-step': 'each next larger by',
  'insert-clearance': 'clearance',
  'insert-deep': 'bored to',
  'insert-holes': 'holder {of} with holes',
  'insert-slots': 'holder {of} with slots',
  'insert-pegs': 'peg block {of}',
  'kind-holes': 'block with holes',
  'kind-slots': 'block with slots',
  'kind-pegs': 'block with pegs',
  'kind-tray': 'tray',
  'kind-leaves': 'upright leaves',
  holes: 'block with holes',
  slots: 'block with slots',
  tray: 'tray',
  leaves: 'upright leaves',
  pegs: 'pegs',
  'tray-rear': 'rear of tray {of}',
  'tray-front': 'front of tray {of}',
  'tray-left': 'left end of tray {of}',
  'tray-right': 'right end of tray {of}',
  'tray-wall': 'wall of the tray',
  'leaf-of': 'leaf of insert {of}',
  'finger-notch': 'finger notch',
} as const;
