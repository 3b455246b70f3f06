/**
 * A hinged leaf and its supports: gates on their hinges, bought brackets and legs by their rating, the hinge line, the ledger behind it, and the leaf
 * itself. The working load at the front edge governs, and is taken on one support alone. Source: docs/formulas/leaf-load.md.
 */
import { screwById } from '../joints/screws.ts';
import { toMm } from '../length/length.ts';
import { pressingOn } from '../parts/opened.ts';
import type { ResolvedPanel } from '../solid/resolve.ts';
import { connectionsOf, type HingeScrews, type Prop } from '../solid/cabinet.ts';
import { evaluate, formula, greatest, termOf, type ExplainedValue, type TermValue } from '../explained/explained-value.ts';
import { PERMANENT, WITHDRAWAL, shearOf, threadIn } from './fasteners.ts';
import { combinationInWood } from './combined.ts';
import type { HangInput } from './hang-input.ts';
import { EDGE_SCREWS, edgePull, FIBRE_PULL, GLUE_EDGE_MPA } from './joint-capacity.ts';
import { JOINT_UTILIZATION, link, MOMENT_UTILIZATION, type Link } from './link.ts';
import { bendingAcrossMPa } from '../stock/materials.ts';
import { STANDARD_GRAVITY } from '../length/constants.ts';

const SOURCE = '[eq] docs/formulas/leaf-load.md';
/** A hinge's steel leaf: its thickness, and a specific gravity with the same bearing strength (about 400 MPa). [ASSUME] */
export const HINGE_PLATE = { side: 2, gravity: 2 } as const;
/** Width added to the strip of leaf that bends with a point load, mm. [ASSUME] */
const PRESSED_WIDTH_MM = 100;

const LEAF_WEIGHT = formula({
  label: 'leaf-weight',
  unit: 'N',
  text: '(contents + leaf) · g₀',
  source: SOURCE,
  terms: { contents: 'kg', leaf: 'kg' },
  compute: ({ contents, leaf }) => (contents + leaf) * STANDARD_GRAVITY,
});
const PRESSING = formula({ label: 'pressing', unit: 'N', text: 'Q · g₀', source: SOURCE, terms: { Q: 'kg' }, compute: ({ Q }) => Q * STANDARD_GRAVITY });
/** Distance of one support's load from the hinge line. */
const LEAF_LEVER = formula({
  label: 'leaf-lever',
  unit: 'mm',
  text: '(W/n · d/2 + Q d) / (W/n + Q)',
  source: SOURCE,
  terms: { W: 'N', n: 'count', Q: 'N', d: 'mm' },
  compute: ({ W, n, Q, d }) => ((W / n) * (d / 2) + Q * d) / (W / n + Q || 1),
});
const PROP_LOAD = formula({
  label: 'prop-load',
  unit: 'N',
  text: '(W/n + Q) · max(1, e / reach)',
  source: SOURCE,
  terms: { W: 'N', n: 'count', Q: 'N', e: 'mm', reach: 'mm' },
  compute: ({ W, n, Q, e, reach }) => (W / n + Q) * Math.max(1, e / reach),
});
const LEG_LOAD = formula({
  label: 'prop-load',
  unit: 'N',
  text: '(W/n + Q) · e / reach',
  source: SOURCE,
  terms: { W: 'N', n: 'count', Q: 'N', e: 'mm', reach: 'mm' },
  compute: ({ W, n, Q, e, reach }) => ((W / n + Q) * e) / reach,
});
const GATE_PULL = formula({
  label: 'gate-hinge-pull',
  unit: 'N',
  text: 'F (ledger + min(e, reach)) / s / screws',
  source: SOURCE,
  terms: { F: 'N', ledger: 'mm', e: 'mm', reach: 'mm', s: 'mm', screws: 'count' },
  compute: ({ F, ledger, e, reach, s, screws }) => (F * (ledger + Math.min(e, reach))) / s / screws,
});
const GATE_SHEAR = formula({
  label: 'gate-hinge-shear',
  unit: 'N',
  text: 'F / 2 / screws',
  source: SOURCE,
  terms: { F: 'N', screws: 'count' },
  compute: ({ F, screws }) => F / 2 / screws,
});
/** A rated pair of supports assumes an even load; a load at the edge tips the leaf twice as much about the hinge line. */
const RATED_USE = formula({
  label: 'rated-use',
  unit: 'share',
  text: '(W/2 + Q) / (rated · g₀ · n/2 / 2)',
  source: '[ASSUME] docs/formulas/leaf-load.md',
  terms: { W: 'N', Q: 'N', rated: 'kg', n: 'count' },
  compute: ({ W, Q, rated, n }) => (W / 2 + Q) / ((rated * STANDARD_GRAVITY * n) / 4),
});
const LEG_USE = formula({
  label: 'rated-use',
  unit: 'share',
  text: 'F / (rated · g₀ / 2)',
  source: '[ASSUME] docs/formulas/leaf-load.md',
  terms: { F: 'N', rated: 'kg' },
  compute: ({ F, rated }) => F / ((rated * STANDARD_GRAVITY) / 2),
});
const UPLIFT = formula({
  label: 'hinge-uplift',
  unit: 'N',
  text: '(W/n + Q) · max(0, e / reach − 1)',
  source: SOURCE,
  terms: { W: 'N', n: 'count', Q: 'N', e: 'mm', reach: 'mm' },
  compute: ({ W, n, Q, e, reach }) => (W / n + Q) * Math.max(0, e / reach - 1),
});
const HINGE_REST = formula({
  label: 'hinge-rest',
  unit: 'N',
  text: '|W (1 − d/(2 reach))| + |Q (1 − d/reach)|',
  source: SOURCE,
  terms: { W: 'N', Q: 'N', d: 'mm', reach: 'mm' },
  compute: ({ W, Q, d, reach }) => Math.abs(W * (1 - d / 2 / reach)) + Math.abs(Q * (1 - d / reach)),
});
const FOLDED = formula({
  label: 'leaf-folded',
  unit: 'N',
  text: 'leaf · g₀',
  source: SOURCE,
  terms: { leaf: 'kg' },
  compute: ({ leaf }) => leaf * STANDARD_GRAVITY,
});
const LEDGER_MOMENT = formula({
  label: 'ledger-moment',
  unit: 'N mm',
  text: 'F · ledger',
  source: SOURCE,
  terms: { F: 'N', ledger: 'mm' },
  compute: ({ F, ledger }) => F * ledger,
});
const GLUE_MOMENT = formula({
  label: 'ledger-glue',
  unit: 'N mm',
  text: '0.17 MPa · B t² / 6',
  source: '[ASSUME] docs/formulas/leaf-load.md',
  terms: { B: 'mm', t: 'mm' },
  compute: ({ B, t }) => (GLUE_EDGE_MPA * B * t * t) / 6,
});
const SCREW_MOMENT = formula({
  label: 'ledger-screws',
  unit: 'N mm',
  text: 'pull · t / 2',
  source: SOURCE,
  terms: { pull: 'N', t: 'mm' },
  compute: ({ pull, t }) => (pull * t) / 2,
});
/** Beyond the supports the leaf is a cantilever across its grain; a point load bends a strip that widens away from it. */
const BENT_PAST = formula({
  label: 'leaf-past-props',
  unit: 'share',
  text: '(Q c + W c²/(2 d) · b/B) / (b t²/6) / F, b = 2c + 100 mm',
  source: '[eq; b ASSUME] docs/formulas/leaf-load.md',
  terms: { Q: 'N', c: 'mm', W: 'N', d: 'mm', B: 'mm', t: 'mm', F: 'MPa' },
  compute: ({ Q, c, W, d, B, t, F }) => {
    const b = Math.min(B, 2 * c + PRESSED_WIDTH_MM);
    return (Q * c + (((W * c * c) / (2 * d)) * b) / B) / ((b * t * t) / 6) / F;
  },
});
/** Between two supports the leaf is a beam along its grain; half its depth bends under a load at one edge. */
const BENT_BETWEEN = formula({
  label: 'leaf-between-props',
  unit: 'share',
  text: '(Q L/4 + W/2 · L/(8 n)) / (d/2 · t²/6) / F',
  source: '[eq; d/2 ASSUME] docs/formulas/leaf-load.md',
  terms: { Q: 'N', L: 'mm', W: 'N', n: 'count', d: 'mm', t: 'mm', F: 'MPa' },
  compute: ({ Q, L, W, n, d, t, F }) => ((Q * L) / 4 + ((W / 2) * L) / (8 * n)) / (((d / 2) * t * t) / 6) / F,
});

/** Links of every leaf of a cabinet, with the contents multiplied by `factor`. */
export const leafLinks = (input: HangInput, factor: number): Link[] => (input.cabinet.props ?? []).flatMap((prop) => ofProp(input, prop, factor));

function ofProp(input: HangInput, prop: Prop, factor: number): Link[] {
  const { cabinet, weights } = input;
  const leaf = cabinet.byId.get(prop.leaf)!;
  const held = weights.contents.filter(({ compartment }) => compartment.floor === leaf.id).reduce((sum, { mass }) => sum + mass.value, 0);
  const own = weights.panels.get(leaf.id)!;
  const pressed = pressingOn(cabinet);
  const W = evaluate(LEAF_WEIGHT, { contents: held * factor, leaf: own });
  const Q = evaluate(PRESSING, { Q: pressed ? { value: pressed.kg, source: pressed.from } : 0 });
  const n = prop.count;
  const d = { value: toMm(leaf.width.value), length: leaf.width };
  const reach = toMm(prop.reach);
  const e = evaluate(LEAF_LEVER, { W, n, Q, d });
  const terms = { W, n, Q, e, reach };
  const loads: LeafLoads = {
    input,
    prop,
    leaf,
    W,
    Q,
    d,
    e,
    reach,
    own,
    F: evaluate(prop.kind === 'leg' ? LEG_LOAD : PROP_LOAD, terms),
    uplift: evaluate(UPLIFT, terms),
  };
  return [...propLinks(loads), ...hingeLinks(loads), bendingLink(loads)];
}

interface LeafLoads {
  readonly input: HangInput;
  readonly prop: Prop;
  readonly leaf: ResolvedPanel;
  readonly W: ExplainedValue;
  readonly Q: ExplainedValue;
  readonly d: Exclude<TermValue, number | ExplainedValue>;
  readonly e: ExplainedValue;
  readonly reach: number;
  readonly own: ExplainedValue;
  readonly F: ExplainedValue;
  readonly uplift: ExplainedValue;
}

function propLinks({ input, prop, leaf, W, Q, e, reach, F }: LeafLoads): Link[] {
  const { kind, count: n, ratedKg, hingeScrews, panels } = prop;
  const base = { id: `prop-${leaf.id}`, kind: 'prop' as const, name: { key: `link-${kind}` } as const, panels: panels.length > 0 ? panels : [leaf.id] };
  if (kind === 'leg') return [link({ ...base, use: evaluate(LEG_USE, { F, rated: ratedKg ?? 0 }) })];
  if (kind === 'bracket') return [link({ ...base, use: evaluate(RATED_USE, { W, Q, rated: ratedKg ?? 0, n }) })];
  const board = hungOn(input, panels[0]!);
  if (!hingeScrews || !board) return [];
  const { lateral, pull } = hingeScrewCapacity(input, hingeScrews, board);
  const T = evaluate(GATE_PULL, { F, ledger: toMm(prop.ledgerDeep), e, reach, s: toMm(prop.hingesApart), screws: hingeScrews.count });
  const V = evaluate(GATE_SHEAR, { F, screws: hingeScrews.count });
  return [link({ ...base, use: evaluate(combinationInWood(input.wall), { V, T, "Z'": lateral, "W'": pull }) })];
}

/** The panel a gate is hinged to. */
const hungOn = ({ cabinet }: HangInput, gate: string): ResolvedPanel | undefined =>
  cabinet.byId.get(connectionsOf(cabinet, 'asGuest', gate).find(({ joint }) => joint.kind === 'hinge')?.host ?? '');

/** One hinge screw in a panel's face: sheared across a steel leaf, and pulled out. */
function hingeScrewCapacity(input: HangInput, { screw: id, length }: HingeScrews, host: ResolvedPanel): { lateral: ExplainedValue; pull: ExplainedValue } {
  const screw = screwById(id);
  const material = input.materialOf(host.stock);
  const grip = Math.min(toMm(length) - HINGE_PLATE.side, toMm(host.thickness));
  const thread = threadIn(grip, toMm(length));
  return {
    lateral: shearOf(screw, { side: HINGE_PLATE.side, grip, gap: 0, sideGravity: HINGE_PLATE.gravity, mainGravity: material.gravity }),
    pull:
      material.kind === 'fibre'
        ? evaluate(FIBRE_PULL, { n: 1, D: screw.diameterMm, grip: thread })
        : evaluate(WITHDRAWAL, { G: material.gravity, D: screw.diameterMm, thread, C_D: PERMANENT }),
  };
}

/** The hinge line and the ledger behind it: lifted when the load lies beyond the supports, pulled down by a folded leaf. */
function hingeLinks({ input, prop, leaf, W, Q, d, reach, own, uplift }: LeafLoads): Link[] {
  const { cabinet } = input;
  const ledger = cabinet.byId.get(prop.ledger)!;
  const folded = evaluate(FOLDED, { leaf: own });
  const cases = prop.kind === 'leg' ? [termOf(evaluate(HINGE_REST, { W, Q, d, reach })), termOf(folded)] : [termOf(uplift), termOf(folded)];
  const load = greatest('hinge-load', 'N', cases, 'docs/formulas/leaf-load.md');
  const links: Link[] = [];
  const hinges = cabinet.hardware.find(({ kind, panel, screws }) => kind === 'hinge' && panel === leaf.id && screws);
  if (hinges?.screws) {
    const { screw, length, count } = hinges.screws;
    const gravity = Math.min(input.materialOf(leaf.stock).gravity, input.materialOf(ledger.stock).gravity);
    const one = shearOf(screwById(screw), {
      side: HINGE_PLATE.side,
      grip: toMm(length) - HINGE_PLATE.side,
      gap: 0,
      sideGravity: HINGE_PLATE.gravity,
      mainGravity: gravity,
    });
    const use = evaluate(JOINT_UTILIZATION, { load, capacity: evaluate(EDGE_SCREWS, { n: hinges.count * count, "Z'": one }) });
    links.push(link({ id: `hinge-${leaf.id}`, kind: 'leaf-hinge', name: { key: 'link-leaf-hinge' }, use, panels: [leaf.id, ledger.id] }));
  }
  const held = connectionsOf(cabinet, 'asGuest', ledger.id).find(({ joint }) => joint.kind !== 'hinge');
  if (held) {
    const t = toMm(ledger.thickness);
    const M = evaluate(LEDGER_MOMENT, { F: load, ledger: toMm(prop.ledgerDeep) });
    const ways: ExplainedValue[] = [];
    if (held.joint.glue && !input.isFaced(cabinet.byId.get(held.host)!.stock)) ways.push(evaluate(GLUE_MOMENT, { B: toMm(ledger.length.value), t }));
    if (held.joint.fastening)
      ways.push(evaluate(SCREW_MOMENT, { pull: edgePull(input, held.joint.fastening, toMm(cabinet.byId.get(held.host)!.thickness), ledger), t }));
    const capacity = greatest(
      'ledger-capacity',
      'N mm',
      ways.length > 0 ? ways.map((way) => termOf(way)) : [{ symbol: '', label: { key: 'nothing-holds' }, value: 0, unit: 'N mm' }],
    );
    links.push(
      link({
        id: `ledger-${ledger.id}`,
        kind: 'ledger',
        name: { key: 'link-ledger' },
        use: evaluate(MOMENT_UTILIZATION, { M, capacity }),
        panels: [ledger.id],
      }),
    );
  }
  return links;
}

function bendingLink({ input, prop, leaf, W, Q, d, reach }: LeafLoads): Link {
  const material = input.materialOf(leaf.stock);
  const source = { kind: 'table' as const, name: material.name, tag: material.source };
  const along = { value: material.bendingMPa, source };
  const across = { value: bendingAcrossMPa(material), source };
  const B = toMm(leaf.length.value);
  const t = { value: toMm(leaf.thickness), source: leaf.thicknessFrom };
  const past = evaluate(BENT_PAST, { Q, c: Math.max(0, d.value - reach), W, d, B, t, F: leaf.grain === 'width' ? along : across });
  const between = evaluate(BENT_BETWEEN, { Q, L: B / prop.count, W, n: prop.count, d, t, F: leaf.grain === 'length' ? along : across });
  const use = past.value >= between.value ? past : between;
  return link({ id: `bending-${leaf.id}`, kind: 'leaf-bending', name: { key: 'link-leaf' }, use, panels: [leaf.id] });
}
