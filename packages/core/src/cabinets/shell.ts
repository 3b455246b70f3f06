/**
 * The shell of most families: two sides, top, bottom and back, as panels that meet. The spec says which run through, which joints and which back; sizes
 * follow from it and the measured stock.
 */
import type { WordKey } from '../checks/words/labels.ts';
import { playOf } from '../joints/fits.ts';
import { entered } from '../length/entered.ts';
import { ZERO, type Length } from '../length/length.ts';
import type { Connection } from '../solid/connection.ts';
import { frame, type Face, type Panel } from '../solid/panel.ts';
import { hangsOnCleat } from '../solid/cabinet.ts';
import { ALONG, OUT, UP, vector } from '../solid/vector.ts';
import { explainedLength, minus, plus, type ExplainedLength, type LengthTerm } from '../explained/explained-length.ts';
import { gapBehind, own, panelOf, thicknessTerm, type HungFrame, type StockOf } from './box-frame.ts';
import type { DisplayUnit } from '../length/length.ts';
import type { DesignFault } from './family.ts';
import { choiceField, HANGING_KINDS, lengthField, stockField, type FormField } from './form.ts';
import { between, jointOf, LOOSE, connect, railEndsOf } from './joinery.ts';
import { pick } from './new-spec.ts';
import type { Shelled } from '../model/specs/shell.ts';

/** A sound default: bottom in a dado with a lip under it, top in a rabbet, back in a rabbet. */
export const newShell = (unit: DisplayUnit, backStock: string): Pick<Shelled, 'top' | 'bottom' | 'back'> => ({
  top: { runs: 'between', joint: 'rabbet', lip: pick(unit, '0', '0') },
  bottom: { runs: 'between', joint: 'dado', lip: pick(unit, '15', '5/8') },
  back: { kind: 'rabbet', stock: backStock, rabbetDepth: pick(unit, '8', '5/16'), setback: pick(unit, '12', '1/2'), play: entered('0.5 mm'), split: null },
});

const lipMatters = (end: 'top' | 'bottom') => (box: Shelled) => box[end].runs === 'between' && box[end].joint === 'dado';

export const SHELL_JOINT_FIELDS: readonly FormField<Shelled>[] = [
  choiceField('top.runs', 'top-runs', ['between', 'over'], 'joints'),
  choiceField('top.joint', 'top-joint', ['butt', 'rabbet', 'dado'], 'joints'),
  lengthField('top.lip', 'top-lip', 0, 200, 'joints', { when: lipMatters('top') }),
  choiceField('bottom.runs', 'bottom-runs', ['between', 'over'], 'joints'),
  choiceField('bottom.joint', 'bottom-joint', ['butt', 'rabbet', 'dado'], 'joints'),
  lengthField('bottom.lip', 'bottom-lip', 0, 200, 'joints', { when: lipMatters('bottom') }),
];

const isLetIn = ({ back }: Shelled): boolean => back.kind === 'rabbet' || back.kind === 'groove';

export const SHELL_BACK_FIELDS: readonly FormField<Shelled>[] = [
  choiceField('back.kind', 'back-kind', ['rabbet', 'groove', 'over', 'none'], 'back', {
    allows: (box: Shelled, option) => option !== 'over' || box.hanging.kind !== 'recessed',
  }),
  stockField('back.stock', 'back-stock', 'back', { when: (box: Shelled) => box.back.kind !== 'none' }),
  lengthField('back.rabbetDepth', 'rabbet-depth', 1, 25, 'back', { when: isLetIn }),
  lengthField('back.play', 'back-play', 0, 5, 'back', { when: isLetIn }),
  lengthField('back.split', 'back-split', 60, 2400, 'back', { when: isLetIn, optional: true, start: { mm: '400 mm', in: '16 in' } }),
  lengthField('back.setback', 'back-setback', 3, 150, 'back', { when: (box: Shelled) => box.back.kind === 'groove' }),
];

export const SHELL_HANGING_KIND: FormField<Shelled> = choiceField('hanging.kind', 'hanging-kind', HANGING_KINDS, 'hanging', {
  allows: (box: Shelled, option) =>
    option === 'recessed' ? box.back.kind !== 'over' : option === 'outside' || (box.hanging.rail !== null && box.hanging.wallRail === null),
});

/** A recessed cleat needs a back set in far enough; without a cleat it needs a hanging rail. */
export function shellFault(box: Shelled): DesignFault | null {
  if (box.hanging.kind === 'recessed' && box.back.kind === 'over')
    return { code: 'recess-over', path: ['back', 'kind'], message: 'a cleat hidden behind the back needs an inset back', accepted: 'rabbet, groove or none' };
  if (!hangsOnCleat(box.hanging) && box.hanging.rail === null)
    return {
      code: 'through-rail',
      path: ['hanging', 'rail'],
      message: 'without a cleat it hangs by its hanging rail: it needs one',
      accepted: 'a height from 30 mm to 400 mm',
    };
  return null;
}

/** Shared by all parts of a shell; made once, before any panel is placed. */
export interface ShellFrame<D extends Shelled = Shelled> extends HungFrame<D> {
  readonly backThickness: Length;
  /** Distances from the wall: rear of the sides, front edge of the carcass. */
  readonly carcassRear: Length;
  readonly front: Length;
  readonly rear: Length;
  readonly floor: Length;
  readonly insideHeight: ExplainedLength;
  /** From the back to the front edge, minus what the family keeps free there. */
  readonly insideDepth: ExplainedLength;
  readonly carcassDepth: ExplainedLength;
}

/** `away`: depth a family takes from the inside, for a door or a setback. */
export function shellFrame<D extends Shelled>(spec: D, stockOf: StockOf, away: readonly LengthTerm[] = []): ShellFrame<D> {
  const sheet = thicknessTerm({ stockOf }, spec.stock);
  const T = sheet.value;
  const backTerm = spec.back.kind === 'none' ? null : thicknessTerm({ stockOf }, spec.back.stock);
  const backThickness = backTerm?.value ?? ZERO;
  const rear = gapBehind(spec, stockOf);
  const recess = spec.hanging.kind === 'recessed' ? stockOf(spec.hanging.stock).used.value : ZERO;
  const grooved = spec.back.kind === 'groove' ? spec.back.setback.nm : ZERO;
  const front = (rear + spec.depth.nm) as Length;
  const depthTerm = plus('depth', spec.depth.nm, { source: own(spec, 'depth') });
  const ends = (['top', 'bottom'] as const).map((end) => ({
    end,
    lip: spec[end].runs === 'between' && spec[end].joint === 'dado' ? spec[end].lip.nm : ZERO,
  }));
  const insideHeight = explainedLength([
    plus('height', spec.height.nm, { source: own(spec, 'height') }),
    minus('top-and-bottom', T, { times: 2, source: sheet.source }),
    ...ends.filter(({ lip }) => lip !== 0).map(({ end, lip }) => minus(`lip-${end}`, lip, { source: own(spec, end, 'lip') })),
  ]);
  const floor = (ends[1]!.lip + T) as Length;
  const width = explainedLength([plus('width', spec.width.nm, { source: own(spec, 'width') })]);
  const backAway = backTerm ? [minus('back', backThickness, { source: backTerm.source })] : [];
  return {
    spec,
    stockOf,
    T,
    backThickness,
    rear,
    carcassRear: (spec.back.kind === 'over' ? rear + backThickness : rear) as Length,
    front,
    floor,
    behind: { left: ZERO, length: width },
    topUp: spec.height.nm,
    insideLeft: T,
    insideWidth: explainedLength([...width.terms, minus('side', T, { times: 2, source: sheet.source })]),
    ceiling: (floor + insideHeight.value) as Length,
    insideRear: (rear + recess + grooved + backThickness) as Length,
    floorMid: floor - T / 2,
    insideHeight,
    insideDepth: explainedLength([
      depthTerm,
      ...(recess ? [minus('recess', recess)] : []),
      ...(grooved ? [minus('back-setback', grooved, { source: own(spec, 'back', 'setback') })] : []),
      ...backAway,
      ...away,
    ]),
    carcassDepth: explainedLength([depthTerm, ...(spec.back.kind === 'over' ? backAway : [])]),
  };
}

const id = (base: ShellFrame, rest: string): string => `${base.spec.id}/${rest}`;

/** Sides, top, bottom and back. */
export function shellPanels(base: ShellFrame): Panel[] {
  const { spec, T, carcassRear } = base;
  const { source } = thicknessTerm(base, spec.stock);
  const over = (['top', 'bottom'] as const).filter((end) => spec[end].runs === 'over');
  const sideLength = explainedLength([plus('height', spec.height.nm, { source: own(spec, 'height') }), ...over.map((end) => minus(end, T, { source }))]);
  const sideUp = spec.bottom.runs === 'over' ? T : ZERO;
  const side = (hand: 'left' | 'right'): Panel =>
    panelOf(
      base,
      'side',
      hand,
      { key: `side-${hand}` },
      {
        frame: frame(vector(hand === 'left' ? 0 : spec.width.nm - T, sideUp, carcassRear), UP, OUT),
        length: sideLength,
        width: base.carcassDepth,
        stock: spec.stock,
        banded: true,
      },
    );
  const level = (role: 'top' | 'bottom', upperFace: number): Panel => {
    const runsOver = spec[role].runs === 'over';
    return panelOf(
      base,
      role,
      '',
      { key: role },
      {
        frame: frame(vector(runsOver ? 0 : T, upperFace, carcassRear), ALONG, OUT),
        length: runsOver ? base.behind.length : base.insideWidth,
        width: base.carcassDepth,
        stock: spec.stock,
        banded: true,
      },
    );
  };
  const panels = [side('left'), side('right'), level('top', base.ceiling + T), level('bottom', base.floor)];
  return spec.back.kind === 'none' ? panels : [...panels, ...backPanels(base)];
}

/** Height of the seam of a two-piece back above the inside floor; null in one piece, or without room for two. */
function splitAt({ spec, insideHeight }: ShellFrame): Length | null {
  const { split } = spec.back;
  return isLetIn(spec) && split && split.nm < insideHeight.value ? split.nm : null;
}

function backPanels(base: ShellFrame): Panel[] {
  const { spec, T, insideRear, floor } = base;
  const over = spec.back.kind === 'over';
  const width = over ? base.behind.length : base.insideWidth;
  const piece = (element: string, key: WordKey, up: number, length: ExplainedLength): Panel =>
    panelOf(base, 'back', element, { key }, { frame: frame(vector(over ? 0 : T, up, insideRear), UP, ALONG), length, width, stock: spec.back.stock });
  const split = splitAt(base);
  if (over) return [piece('', 'back', 0, explainedLength([plus('height', spec.height.nm, { source: own(spec, 'height') })]))];
  if (split === null) return [piece('', 'back', floor, base.insideHeight)];
  const source = { source: own(spec, 'back', 'split') };
  const rest = explainedLength([plus('inside-height', base.insideHeight.value, { inner: base.insideHeight }), minus('back-split', split, source)]);
  return [piece('', 'back-lower', floor, explainedLength([plus('back-split', split, source)])), piece('upper', 'back-upper', floor + split, rest)];
}

export const shellConnections = (base: ShellFrame): Connection[] => [...endConnections(base), ...backConnections(base), ...railConnections(base)];

function endConnections(base: ShellFrame): Connection[] {
  const { spec } = base;
  return (['top', 'bottom'] as const).flatMap((end) => {
    const { runs, joint: kind } = spec[end];
    const by = jointOf(spec, kind);
    const panel = id(base, end);
    if (runs === 'between') return between(panel, id(base, 'side/left'), id(base, 'side/right'), by, [end]);
    const face: Face = end === 'top' ? 'other' : 'reference';
    return (['left', 'right'] as const).map((hand) => connect(id(base, `side/${hand}`), end === 'top' ? 'end' : 'start', panel, face, by, [end]));
  });
}

function backConnections(base: ShellFrame): Connection[] {
  const { spec } = base;
  const back = id(base, 'back');
  if (spec.back.kind === 'rabbet' || spec.back.kind === 'groove') {
    const grooved = spec.back.kind === 'groove';
    const by = jointOf(spec, grooved ? 'dado' : 'rabbet', {
      depth: spec.back.rabbetDepth.nm,
      endPlay: spec.back.play.nm,
      ...(grooved ? playOf('loose') : { play: ZERO }),
      glue: spec.glue && !grooved,
      fastening: null,
    });
    const decided = ['back', 'kind'];
    const upper = splitAt(base) === null ? back : id(base, 'back/upper');
    const beside = (piece: string): Connection[] => [
      connect(piece, 'near', id(base, 'side/left'), 'other', by, decided),
      connect(piece, 'far', id(base, 'side/right'), 'reference', by, decided),
    ];
    return [
      ...beside(back),
      ...(upper === back ? [] : beside(upper)),
      connect(back, 'start', id(base, 'bottom'), 'reference', by, decided),
      connect(upper, 'end', id(base, 'top'), 'other', by, decided),
      // Two pieces lie edge to edge: the parts in front of the seam keep them flush.
      ...(upper === back ? [] : [connect(upper, 'start', back, 'end', LOOSE)]),
    ];
  }
  if (spec.back.kind === 'none') return [];
  const by = jointOf(spec, 'butt', { fastening: null });
  return ['side/left', 'side/right', 'top', 'bottom'].map((panel) => connect(id(base, panel), 'near', back, 'reference', by, ['back', 'kind']));
}

/** The hanging rail between the sides, under the top. */
function railConnections(base: ShellFrame): Connection[] {
  const { spec } = base;
  if (!spec.hanging.rail) return [];
  const rail = id(base, 'hanging-rail');
  const ends = railEndsOf(spec);
  return [
    ...between(rail, id(base, 'side/left'), id(base, 'side/right'), ends),
    connect(rail, 'far', id(base, 'top'), 'other', jointOf(spec, 'butt', { fastening: null })),
  ];
}

/** Outer sizes of a shell on its wall; `proud` is what projects beyond its front edges. */
export function shellOutside({ spec, rear }: ShellFrame, proud: readonly LengthTerm[] = [], beside: readonly LengthTerm[] = []) {
  return {
    width: explainedLength([plus('width', spec.width.nm, { source: own(spec, 'width') }), ...beside]),
    height: explainedLength([plus('height', spec.height.nm, { source: own(spec, 'height') })]),
    depth: explainedLength([
      plus('carcass-depth', spec.depth.nm, { source: own(spec, 'depth') }),
      ...(spec.hanging.kind === 'outside' ? [plus('gap-behind', rear)] : []),
      ...proud,
    ]),
  };
}
