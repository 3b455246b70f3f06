/** Requirements of a glue-up: open time, clamps and their capacity, fasteners. */
import { seamOf } from '../joints/drilling.ts';
import { toMm } from '../length/length.ts';
import { isFace, type Connection } from '../solid/connection.ts';
import type { ResolvedCabinet } from '../solid/cabinet.ts';
import { dot } from '../solid/vector.ts';
import { cornersOf } from '../solid/convex.ts';
import { evaluate, formula, termOf, total, type ExplainedValue } from '../explained/explained-value.ts';
import type { GlueUp } from './assemblies.ts';
import { glueOf } from './glues.ts';
import { stepMinutes } from './minutes.ts';
import type { DrivenFasteners, GlueSummary } from './step.ts';
import { TEMPERATURE_FACTOR } from './temperature-factor.ts';
import type { Shop } from '../model/shop.ts';
import type { GlueId } from '../model/build-choices.ts';

/** Clamp spacing along a joint; two clamps where it is longer than a hand is wide. [ASSUME] */
const CLAMP_EVERY_MM = 300;
const TWO_FROM_MM = 120;
/** Room for pads and the clamp's hook. [ASSUME] */
const CLAMP_SPARE_MM = 40;

const CLAMPED = formula({
  label: 'clamped-minutes',
  unit: 'min',
  text: 'label · slower',
  source: '[ASSUME] docs/formulas/temperature-factor.md',
  terms: { label: 'min', slower: 'factor' },
  compute: ({ label, slower }) => label * slower,
});

const OPEN = formula({
  label: 'open-minutes',
  unit: 'min',
  text: 'label',
  source: '[ASSUME] docs/formulas/temperature-factor.md',
  terms: { label: 'min' },
  compute: ({ label }) => label,
});

const TO_A_PART = formula({
  label: 'clamps-to-a-part',
  unit: 'count',
  text: 'L ≤ narrow ? 1 : max(2, ⌈L / each⌉)',
  source: '[ASSUME] docs/formulas/glue-ways.md',
  terms: { L: 'mm', narrow: 'mm', each: 'mm' },
  compute: ({ L, narrow, each }) => Math.max(L > narrow ? 2 : 1, Math.ceil(L / each)),
});

const ON_CAULS = formula({
  label: 'clamps-on-cauls',
  unit: 'count',
  text: 'rows · (⌈L / span⌉ + 1)',
  source: '[ASSUME] docs/formulas/glue-ways.md',
  terms: { rows: 'count', L: 'mm', span: 'mm' },
  compute: ({ rows, L, span }) => rows * (Math.ceil(L / span) + 1),
});

/** Label times, extended by the cold. */
export const slowed = (labelMin: number, tempC: number) => evaluate(CLAMPED, { label: labelMin, slower: evaluate(TEMPERATURE_FACTOR, { T: tempC }) });

const seamMm = ({ byId }: ResolvedCabinet, connection: Connection): number => {
  const guest = byId.get(connection.guest)!;
  return isFace(connection.edge) ? toMm(guest.length.value) : (seamOf(connection, guest)?.lengthMm ?? 0);
};

/** Cauls across the hosts of several joints: stiff crowned battens that press a whole side from clamps at their ends. */
export interface Cauls {
  readonly cauls: number;
  readonly clamps: ExplainedValue;
}

/** Greatest clamp spacing on a caul. [ASSUME] mm */
const CAUL_SPAN_MM = 900;

/** Null where a clamp per joint needs no more. Source: docs/formulas/glue-ways.md. */
export function caulsFor(cabinet: ResolvedCabinet, glueUp: GlueUp): Cauls | null {
  const pressed = pressedIn(cabinet, glueUp);
  if (pressed.size < 3 || !glueUp.along) return null;
  const hosts = new Set(glueUp.connections.filter(({ joint }) => joint.glue).map(({ host }) => host));
  const longMm = Math.max(...[...hosts].map((id) => toMm(cabinet.byId.get(id)!.length.value)));
  // One along the front and one along the back edge; a single row on a narrow side.
  const rows = Math.max(...[...pressed.values()].map(({ value }) => value)) > 1 ? 2 : 1;
  const clamps = evaluate(ON_CAULS, { rows, L: longMm, span: CAUL_SPAN_MM });
  return clamps.value < clampsOf(cabinet, pressed).value ? { cauls: 2 * rows, clamps } : null;
}

const clampsOf = ({ byId }: ResolvedCabinet, pressed: ReadonlyMap<string, ExplainedValue>): ExplainedValue =>
  total(
    'clamps-wanted',
    'count',
    [...pressed].map(([id, clamps]) => termOf(clamps, '', byId.get(id)!.name)),
  );

/** Clamps required, by pressed panel. Screws press while glue sets; one clamp across the assembly presses both ends of a panel. */
function pressedIn(cabinet: ResolvedCabinet, glueUp: GlueUp): Map<string, ExplainedValue> {
  const pressed = new Map<string, ExplainedValue>();
  for (const connection of glueUp.connections) {
    if (!connection.joint.glue) continue;
    if (connection.joint.fastening && connection.joint.fastening.by !== 'dowels' && connection.joint.fastening.by !== 'brads') continue;
    const wanted = evaluate(TO_A_PART, { L: seamMm(cabinet, connection), narrow: TWO_FROM_MM, each: CLAMP_EVERY_MM });
    if (wanted.value > (pressed.get(connection.guest)?.value ?? 0)) pressed.set(connection.guest, wanted);
  }
  return pressed;
}

/** Null where nothing in it is glued. `cauls`: where they save clamps. */
export function glueSummary(
  cabinet: ResolvedCabinet,
  glueUp: GlueUp,
  choice: { readonly glue: GlueId; readonly tempC: number },
  shop: Pick<Shop, 'clamps' | 'labels'>,
  cauls = false,
): GlueSummary | null {
  const glued = glueUp.connections.filter(({ joint }) => joint.glue);
  if (glued.length === 0) return null;
  const glue = glueOf(choice.glue, shop);
  const caul = cauls ? caulsFor(cabinet, glueUp) : null;
  const clampsWanted = caul?.clamps ?? clampsOf(cabinet, pressedIn(cabinet, glueUp));
  const reachMm = acrossMm(cabinet, glueUp);
  const owned = Object.values(shop.clamps).filter(({ reach }) => toMm(reach.nm) >= reachMm);
  return {
    joints: glued.length,
    minutes: stepMinutes({ 'spread-joint': glued.length, 'lay-caul': caul?.cauls ?? 0, 'set-clamp': clampsWanted.value }),
    openMin: evaluate(OPEN, { label: glue.openMin }),
    clampMin: slowed(glue.clampMin, choice.tempC),
    cureMin: slowed(glue.cureMin, choice.tempC),
    clampsWanted,
    cauls: caul?.cauls ?? 0,
    clampsOwned: owned.reduce((sum, { count }) => sum + count, 0),
    reachMm,
  };
}

/** Extent along the pressing direction; across its joints where it interlocks. */
function acrossMm({ byId }: ResolvedCabinet, { groups, along, dry }: GlueUp): number {
  if (!along) return Math.max(...groups.flat().map((id) => toMm(byId.get(id)!.width.value)));
  const at = [...groups.flat(), ...(dry?.panels ?? [])].flatMap((id) => {
    const { low, high } = cornersOf(byId.get(id)!);
    return [...low, ...high].map((corner) => dot(corner, along));
  });
  return Math.ceil(Math.max(...at) - Math.min(...at)) + CLAMP_SPARE_MM;
}

/** Fasteners of a glue-up, merged by kind and length. */
export function fastenersIn({ connections }: GlueUp): DrivenFasteners[] {
  const rows = new Map<string, DrivenFasteners>();
  for (const { joint } of connections) {
    if (!joint.fastening) continue;
    const { by, screw, length, count, pilot } = joint.fastening;
    const key = `${by} ${screw} ${length} ${pilot}`;
    rows.set(key, { by, screw, length, pilot, count: (rows.get(key)?.count ?? 0) + count });
  }
  return [...rows.values()];
}
