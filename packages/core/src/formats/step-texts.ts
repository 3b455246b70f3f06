/** Texts of the longer steps: cuts, coats, glue-ups, drawers, the hanging; and shared phrases. */
import { finishOf } from '../build/finishes.ts';
import { glueOf } from '../build/glues.ts';
import type { BuildChoices } from '../model/build-choices.ts';
import type { Step, StepDetail } from '../build/step.ts';
import { fineText, lengthText, massText, minutesText } from '../checks/words/amounts.ts';
import { labelWords } from '../checks/words/labels.ts';
import { capital } from '../checks/words/sentence.ts';
import { screwById } from '../joints/screws.ts';
import { NM_PER, type DisplayUnit, type Length } from '../length/length.ts';
import type { PartLine } from '../parts/part-line.ts';
import type { Plan, CabinetPlan } from '../planner/plan.ts';
import { boundsOf, boundsOfCabinet } from '../solid/views.ts';
import type { ExplainedValue } from '../explained/explained-value.ts';
import type { HangingStep, HangingSummary } from './hanging-steps.ts';
import type { SetupContext } from './setup-settings.ts';
import { LITERS_PER_QUART } from '../length/constants.ts';
import type { Workshop } from '../model/workshop.ts';

export interface StepWords {
  readonly title: string;
  /** Its cabinet; null for steps that serve several. */
  readonly of: string | null;
  readonly says: readonly string[];
  /** What to check or measure, each with its number. */
  readonly checks: readonly string[];
  readonly caution: string | null;
  /** How to do it without a helper; null where one person suffices. */
  readonly alone: string | null;
  /** Readable from two steps away: a number, and its subject. */
  readonly big: readonly { readonly text: string; readonly of: string; readonly sum?: ExplainedValue }[];
}

export interface BuildSummary {
  readonly plan: Plan;
  readonly workshop: Workshop;
  readonly choices: BuildChoices;
  /** For machine settings. */
  readonly setups: SetupContext;
  /** The hanging of a cabinet, step by step. */
  readonly hangingOf: (unit: string) => HangingSummary | null;
}

export type DetailOf<K extends StepDetail['kind']> = Extract<StepDetail, { kind: K }>;
export type StepText = Partial<Omit<StepWords, 'title' | 'alone' | 'of'>> & { readonly title: string };

export const plural = (count: number, one: string, more = `${one}s`): string => `${count} ${count === 1 ? one : more}`;

export const product = ({ workshop }: BuildSummary, id: string): string => workshop.products[id]?.name ?? id;

const lineOf = ({ parts }: Plan, panel: string): PartLine | undefined => parts.find((line) => line.panels.includes(panel) || line.id === panel);

/** Marks of everything a step touches: 'A1, A2 and 4 more'. */
export function marksOf(panels: readonly string[], plan: Plan): readonly string[] {
  return [...new Set(panels.flatMap((panel) => lineOf(plan, panel)?.mark ?? []))];
}

export function marks({ panels }: Step, { plan }: BuildSummary): string {
  const all = marksOf(panels, plan);
  if (all.length === 0) return '';
  return `${all.length === 1 ? 'Part' : 'Parts'} ${all.length > 12 ? `${all.slice(0, 10).join(', ')} and ${all.length - 10} more` : all.join(', ')}.`;
}

export function cutText(detail: DetailOf<'cut'>, step: Step, summary: BuildSummary, unit: DisplayUnit): StepText {
  const name = product(summary, detail.product);
  const first = detail.round === 0;
  const largest = [...new Set(step.panels.flatMap((panel) => lineOf(summary.plan, panel) ?? []))].sort((a, b) => b.length.value - a.length.value)[0];
  return {
    title:
      detail.cuts.length === 0
        ? `Cut ${name}`
        : `${detail.runs === 'along' ? 'Rip' : detail.runs === 'across' ? 'Crosscut' : 'Cut to size:'} ${name}${detail.rounds > 1 ? `, round ${detail.round + 1} of ${detail.rounds}` : ''}`,
    says: [
      detail.cuts.length === 0
        ? 'The sheets are not laid out yet: Sheets says in which order they come apart.'
        : `${plural(detail.cuts.length, 'cut')} at ${plural(detail.settings, 'setting')}${first && detail.sheets > 0 ? `, out of ${plural(detail.sheets, 'sheet')}` : ''}; Sheets plays them one by one.`,
      marks(step, summary),
    ].filter((line) => line !== ''),
    checks: [
      'Parts that are to match are cut at one setting, against fence or stop.',
      ...(largest
        ? [
            `The first piece is measured against the list: ${largest.mark} is ${lengthText(largest.length.value, unit)} × ${lengthText(largest.width.value, unit)}.`,
          ]
        : []),
    ],
    caution:
      detail.heavyKg > 0
        ? `Large pieces, up to ${massText(detail.heavyKg, unit)}: on the floor over foam or on sawhorses with a guide, not pushed over a saw table.`
        : 'Unplug before the blade is touched; a push stick for what is narrower than a hand.',
    big: detail.cuts.length > 0 ? [{ text: String(detail.cuts.length), of: detail.cuts.length === 1 ? 'cut' : 'cuts' }] : [],
  };
}

export function cleatBig(of: CabinetPlan | null, unit: DisplayUnit): StepWords['big'] {
  const { hanging } = of?.cabinet ?? {};
  return hanging?.rip
    ? [
        { text: fineText(hanging.longFace, unit), of: 'long face, at the fence' },
        { text: `${hanging.bevelDeg}°`, of: 'blade from square' },
      ]
    : [];
}

export function coatText(detail: DetailOf<'coat'>, { choices, workshop: { shop } }: BuildSummary, unit: DisplayUnit): StepText {
  const finish = finishOf({ kind: detail.finish as 'oil' }, shop)!;
  const amount = unit === 'mm' ? `${Math.ceil(detail.liters.value * 20) / 20} l` : `${Math.ceil((detail.liters.value / LITERS_PER_QUART) * 10) / 10} qt`;
  const glue = glueOf(choices.glue, shop);
  return {
    title: `${detail.side === 'inside' ? 'Finish inside' : 'Finish'}, coat ${detail.coat} of ${detail.of}`,
    says: [
      ...(detail.maskedMm > 0
        ? [`Tape off every glued face first, ${lengthText(Math.round(detail.maskedMm) * NM_PER.mm, unit)} in all: glue holds on bare wood only.`]
        : []),
      ...(detail.sandFirst ? ['Sand lightly, wipe off the dust.'] : []),
      `${capital(finish.name)}, about ${amount}${finish.bothFaces ? '; both faces of what lies free, or it cups' : ''}.`,
    ],
    checks: [
      `Dry to the touch and no smell before the next: ${minutesText(detail.dryMin.value)} at ${temperature(choices.tempC, unit)}.`,
      ...(detail.coat === 1 && detail.side === 'outside' && finish.id === 'stain' && glue.sealsWood
        ? ['Squeeze-out shows as pale patches now: scraped off and sanded before the stain.']
        : []),
    ],
    caution:
      [
        finish.rags ? 'Oily rags heat up by themselves: spread flat outdoors, or in water in a lidded tin.' : '',
        finish.solvent ? 'Open windows, no flame.' : '',
      ]
        .filter((line) => line !== '')
        .join(' ') || null,
    big: [{ text: minutesText(detail.dryMin.value), of: 'to dry', sum: detail.dryMin }],
  };
}

export const temperature = (celsius: number, unit: DisplayUnit): string => (unit === 'mm' ? `${celsius} °C` : `${Math.round((celsius * 9) / 5 + 32)} °F`);

export function openingsOf(of: CabinetPlan | null, unit: DisplayUnit): string[] {
  if (!of) return [];
  return of.cabinet.compartments.map(
    ({ name, width, height }) => `${capital(labelWords(name))}: ${lengthText(width.value, unit)} wide, ${lengthText(height.value, unit)} high.`,
  );
}

export function glueText(detail: DetailOf<'glue'>, of: CabinetPlan | null, summary: BuildSummary, unit: DisplayUnit): StepText {
  const { glueUp, glue, skin, fasteners } = detail;
  const names = glueUp.groups.map((group) => groupName(group, of));
  const smallest = glueUp.groups.reduce((least, group, index) => (group.length < glueUp.groups[least]!.length ? index : least), 0);
  const driven = fasteners.map(({ by, screw, length, count, pilot }) => {
    if (by === 'brads') return `${count} brads, ${lengthText(length, unit)}: straight, well inside the edge, for one that wanders comes out of the face.`;
    if (by === 'dowels') return `${count} dowels, ${lengthText(length, unit)}.`;
    const { name, rootMm } = screwById(screw);
    return `${count} × ${name} × ${lengthText(length, unit)} ${by === 'pockets' ? 'pocket screws' : 'screws'}${pilot ? `, pilot ${fineText(Math.round(rootMm * 9) * (NM_PER.mm / 10), unit)}` : ''}.`;
  });
  const choice = glueOf(summary.choices.glue, summary.workshop.shop);
  return {
    title:
      skin === 'back'
        ? `Put the ${names[smallest]!} on`
        : skin === 'frame'
          ? `Put the face frame on`
          : skin === 'edging'
            ? `Put the edging on`
            : glueUp.go === 'second'
              ? `Glue the ${names[1]!} on`
              : `${glue ? 'Glue up' : 'Join'} ${listed(names)}`,
    says: [
      ...goWords(detail, of),
      ...(skin
        ? [`${capital(listed(names.filter((_, index) => glueUp.groups[index]!.length < 3)))}: ${plural(glueUp.connections.length, 'joint')}.`]
        : glueUp.go === null
          ? [
              `${plural(glueUp.connections.length, 'joint')}${glueUp.connections.length > 1 ? ' in one go' : ''}${glueUp.along ? '' : ': they lock into one another, none can be closed alone'}.`,
            ]
          : []),
      ...(glue
        ? [
            `${capital(choice.name)}: ${minutesText(glue.minutes.value)} from the first joint to the last clamp, it stays open for ${minutesText(glue.openMin.value)}.`,
          ]
        : ['No glue here.']),
      ...(glue && glue.cauls > 0
        ? [`${plural(glue.cauls, 'caul')}: battens planed to a slight crown, taped along the sides beforehand; clamps at their ends press every joint between.`]
        : []),
      ...(glue && glue.clampsWanted.value > 0
        ? [
            `${plural(glue.clampsWanted.value, 'clamp')} that ${glue.clampsWanted.value === 1 ? 'reaches' : 'reach'} ${lengthText(glue.reachMm * NM_PER.mm, unit)}; ${glue.clampsOwned === 0 ? 'none' : glue.clampsOwned} here do.`,
          ]
        : []),
      ...driven,
    ],
    checks: [
      ...(skin === 'back' ? ['The back is square where it was cut: its corner goes into the corner, the rest follows, diagonals once more.'] : []),
      ...(glue
        ? [`In the clamps for ${minutesText(glue.clampMin.value)} at ${temperature(summary.choices.tempC, unit)}; squeeze-out off before it skins.`]
        : []),
    ],
    caution: skin === 'back' && fasteners.length > 0 ? 'Nails and screws of the back never nearer to an edge than they are long past it.' : null,
    big: glue
      ? [
          { text: minutesText(glue.openMin.value), of: 'the glue stays open', sum: glue.openMin },
          { text: minutesText(glue.clampMin.value), of: 'in the clamps', sum: glue.clampMin },
        ]
      : [],
  };
}

/** Which stage it is, and why it is not closed all at once. */
function goWords({ glueUp, closing: { way, ways, chosen } }: DetailOf<'glue'>, of: CabinetPlan | null): string[] {
  const plain = ways[0];
  const why =
    plain && !chosen && (way.goes === 'two' || way.cauls) && glueUp.go !== 'second'
      ? plain.hindered.map((each) =>
          each === 'glue'
            ? `All at once, a clamp to a joint, it takes ${minutesText(plain.minutes.value)} and the glue has skinned over.`
            : each === 'clamps'
              ? `All at once, a clamp to a joint, it takes ${plural(plain.clamps.value, 'clamp')}, more than there are.`
              : `All at once ${plain.pieces} pieces stand in wet glue, more than one person holds.`,
        )
      : [];
  if (glueUp.go === null) return why;
  const end = groupName(glueUp.go === 'first' ? glueUp.dry!.panels : glueUp.groups[1]!, of);
  return glueUp.go === 'first'
    ? [
        `First of two goes: the ${end} goes on dry and keeps it square, the other ${plural(glueUp.connections.length, 'joint')} ${glueUp.connections.length === 1 ? 'is' : 'are'} glued.`,
        ...why,
      ]
    : [`Second of two goes: the ${end} comes off, its ${plural(glueUp.connections.length, 'joint')} are spread, and it goes on again.`];
}

const listed = (names: readonly string[]): string =>
  names.length < 2
    ? (names[0] ?? '')
    : names.length > 4
      ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more`
      : `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`;

function groupName(group: readonly string[], of: CabinetPlan | null): string {
  const panel = of?.cabinet.byId.get(group[0]!);
  const name = panel ? labelWords(panel.name) : group[0]!;
  return group.length === 1 ? name : group.length === 2 ? `${name} with ${labelWords(of!.cabinet.byId.get(group[1]!)!.name)}` : `${name} and what is on it`;
}

export function drawerPlaces({ boxes }: DetailOf<'drawers'>, of: CabinetPlan | null, { plan }: BuildSummary, unit: DisplayUnit): string[] {
  if (!of) return [];
  const top = boundsOfCabinet(of.cabinet).high.up;
  return boxes.map((box) => {
    const high = Math.max(...box.map((id) => boundsOf(of.cabinet.byId.get(id)!).high.up));
    return `${marksOf(box, plan)[0] ?? 'A drawer'}: its upper edge ${lengthText(Math.round((top - high) * NM_PER.mm) as Length, unit)} below the top of the cabinet.`;
  });
}

/** Hanging steps that belong to one build step. */
const HANGING: Readonly<Partial<Record<StepDetail['kind'], readonly HangingStep['id'][]>>> = {
  look: ['look'],
  'wall-half': ['line', 'studs', 'bore', 'strip'],
  'cabinet-half': ['cabinet-half'],
  hang: ['empty', 'join', 'prop', 'lift', 'second', 'check'],
  correct: ['correct'],
  lock: ['lock'],
  load: ['load'],
};

const HANG_TITLES: Readonly<Record<'look' | 'wall-half' | 'cabinet-half' | 'hang' | 'correct' | 'lock' | 'load', string>> = {
  look: 'Look into the wall',
  'wall-half': 'What it hangs on, to the wall',
  'cabinet-half': 'What it hangs by, to the cabinet',
  hang: 'Hang it, and look',
  correct: 'Take it down, put it right, hang it again',
  lock: 'Lock it',
  load: 'Load it from the bottom up',
};

export function hangText(step: Step, { hangingOf }: BuildSummary): StepText {
  const kind = step.detail.kind as keyof typeof HANG_TITLES;
  // Screwed through, its line and holes are part of the hanging itself.
  const ids = step.detail.kind === 'hang' && step.detail.screws > 0 ? [...HANGING['wall-half']!, ...HANGING.hang!] : HANGING[kind]!;
  const steps = (step.unit === null ? null : hangingOf(step.unit))?.steps.filter(({ id }) => ids.includes(id)) ?? [];
  const cautions = steps.flatMap(({ caution }) => caution ?? []);
  return {
    title: HANG_TITLES[kind],
    says: steps.flatMap(({ says }) => says),
    checks: kind === 'correct' ? ['Level on the top, plumb down the front, both ends bear: entered again if it came lower or higher.'] : [],
    caution: cautions.length > 0 ? cautions.join(' ') : null,
  };
}
