/** The shop as JSON: machines by kind, cutters, jigs, fits. */
import { FINISHES } from '../build/finishes.ts';
import { GLUES } from '../build/glues.ts';
import { mm } from '../length/length.ts';
import { Refusal } from '../problem/problem.ts';
import { MACHINE_KINDS, MEASURE_LIMITS, type MeasureKey } from '../stock/shop.ts';
import { byId, checked, choice, length, list, number, object, objectWith, orNull, ownIds, text, yesNo, type Codec } from './codec.ts';
import type { FinishLabel, GlueLabel, Machine, MachineKind, Shop } from '../model/shop.ts';

const long = (measure: keyof typeof MEASURE_LIMITS) => length(mm(MEASURE_LIMITS[measure][0]), mm(MEASURE_LIMITS[measure][1]));
const degrees = (measure: 'tiltDeg' | 'mitreDeg') => number(MEASURE_LIMITS[measure][0], MEASURE_LIMITS[measure][1]);

const machineCodec: Codec<Machine> = checked(
  objectWith(
    { id: text(64), order: number(0, 1000, true), kind: choice(Object.keys(MACHINE_KINDS) as MachineKind[]), name: text(80) },
    {
      kerf: long('kerf'),
      deep: long('deep'),
      rip: long('rip'),
      crosscut: long('crosscut'),
      guide: long('guide'),
      tiltDeg: degrees('tiltDeg'),
      tilts: choice(['left', 'right']),
      mitreDeg: degrees('mitreDeg'),
      stack: orNull(long('stack')),
      base: long('base'),
    },
  ),
  ({ id: _id, order: _order, kind, name, ...measures }, where) => {
    const { has, name: called } = MACHINE_KINDS[kind];
    const strange = (Object.keys(measures) as MeasureKey[]).find((measure) => !Object.hasOwn(has, measure));
    if (strange) throw new Refusal('measure', `a ${called} has no '${strange}'`, `${where}.${strange}`, Object.keys(has).join(', ') || 'nothing');
    const missing = (Object.keys(has) as MeasureKey[]).find((measure) => measures[measure] === undefined);
    if (missing) throw new Refusal('measure', `'${missing}' of the ${called} '${name}' is missing`, where, Object.keys(has).join(', '));
  },
);

/** A chipper or shim: from thin card to a thick blade. */
const LEAF = length(mm(0.02), mm(12));
/** Results of test cuts. */
const OVER = length(mm(-2), mm(2));
const REPEAT = length(mm(0.001), mm(5));
const PLAY = length(mm(-1), mm(5));

/** Minutes on a label: up to two weeks. */
const LABEL_MIN = number(1, 14 * 24 * 60);
const MIN_C = number(-20, 40);
const glueLabelCodec: Codec<GlueLabel> = object({ openMin: LABEL_MIN, clampMin: LABEL_MIN, cureMin: LABEL_MIN, leastC: MIN_C });
const finishLabelCodec: Codec<FinishLabel> = object({
  coats: number(1, 9, true),
  recoatMin: LABEL_MIN,
  dryMin: LABEL_MIN,
  coversM2: number(0.5, 100),
  leastC: MIN_C,
});
const GLUE_IDS = { pattern: new RegExp(`^(${Object.keys(GLUES).join('|')})$`), words: Object.keys(GLUES).join(', ') };
const FINISH_IDS = { pattern: new RegExp(`^(${Object.keys(FINISHES).join('|')})$`), words: Object.keys(FINISHES).join(', ') };

export const shopCodec: Codec<Shop> = checked(
  object({
    machines: byId(machineCodec, 40),
    stack: orNull(object({ outer: length(mm(2), mm(20)), chippers: list(LEAF, 12), shims: list(LEAF, 20), over: OVER })),
    bits: byId(
      object({ id: text(64), order: number(0, 1000, true), kind: choice(['straight', 'drill', 'forstner']), diameter: length(mm(0.5), mm(60)), over: OVER }),
      100,
    ),
    jigs: object({ pins: yesNo, pockets: yesNo }),
    clamps: byId(object({ id: text(64), order: number(0, 1000, true), reach: length(mm(50), mm(4000)), count: number(1, 100, true) }), 40),
    labels: object({ glues: byId(glueLabelCodec, 20, GLUE_IDS), finishes: byId(finishLabelCodec, 20, FINISH_IDS) }),
    fits: object({ tight: PLAY, push: PLAY, glue: PLAY, loose: PLAY }),
    repeats: object({ slot: REPEAT, depth: REPEAT, length: REPEAT, place: REPEAT, hinge: REPEAT }),
    trim: length(mm(0), mm(100)),
    car: orNull(object({ length: length(mm(300), mm(6000)), width: length(mm(300), mm(3000)) })),
    keep: object({ length: length(mm(20), mm(3000)), width: length(mm(20), mm(3000)) }),
    liftsKg: number(1, 200),
  }),
  ({ machines, bits, clamps, fits }, where) => {
    ownIds(machines, `${where}.machines`);
    ownIds(bits, `${where}.bits`);
    ownIds(clamps, `${where}.clamps`);
    const order = ['tight', 'push', 'glue', 'loose'] as const;
    order.slice(1).forEach((fit, index) => {
      const tighter = order[index]!;
      if (fits[fit].nm < fits[tighter].nm)
        throw new Refusal('fits', `'${fit}' is tighter than '${tighter}'`, `${where}.fits.${fit}`, `${fits[tighter].text} or more`);
    });
  },
);
