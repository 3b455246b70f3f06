/** The shop record as a log: each entry as a sentence with its subjects, so that it can be found by part, step, day and words. */
import { fineText, lengthText, minutesText } from '../checks/words/amounts.ts';
import { labelWords } from '../checks/words/labels.ts';
import type { DisplayUnit } from '../length/length.ts';
import type { PartLine } from '../parts/part-line.ts';
import type { Plan } from '../planner/plan.ts';
import type { StepKind, RecordEntry } from '../model/record.ts';
import { plannedFor } from '../model/shop-facts.ts';
import type { Workshop } from '../model/workshop.ts';

export interface LogLine {
  readonly id: string;
  readonly at: string;
  readonly kind: RecordEntry['kind'];
  readonly says: string;
  /** Panels concerned. */
  readonly panels: readonly string[];
  /** Cabinets concerned. */
  readonly units: readonly string[];
  /** Step concerned; null for none. */
  readonly step: string | null;
  readonly photos: readonly string[];
  readonly nextTime: boolean;
  /** Withdrawn by a later entry. */
  readonly withdrawn: boolean;
}

export interface LogContext {
  readonly plan: Plan;
  readonly products: Workshop['products'];
  readonly cabinetNames: Readonly<Record<string, { readonly name: string }>>;
  readonly unit: DisplayUnit;
}

/** Past tense of each kind of step. */
const STEP_DONE: Readonly<Record<StepKind, string>> = {
  measure: 'Sheets measured',
  cut: 'Sheets cut',
  boards: 'Boards cut',
  label: 'Labelled and counted',
  setup: 'Cut at the machine',
  'by-hand': 'Cut by hand',
  'cleat-rip': 'Cleat ripped',
  band: 'Edges banded',
  sand: 'Sanded',
  coat: 'Coated',
  'dry-fit': 'Put together dry',
  glue: 'Glued up',
  square: 'Diagonals compared',
  trim: 'Back trimmed',
  fit: 'Cut to fit',
  doors: 'Doors hinged',
  look: 'Looked into the wall',
  rail: 'Rail put up',
  'wall-half': 'On the wall: what it hangs on',
  'cabinet-half': 'On the cabinet: what it hangs by',
  hang: 'Hung',
  correct: 'Put right and hung again',
  lock: 'Locked',
  drawers: 'Drawers put in',
  fronts: 'Drawer fronts set',
  loose: 'Loose parts put in',
  load: 'Loaded',
};

/** All entries, oldest first. */
export function logLines(record: readonly RecordEntry[], context: LogContext): LogLine[] {
  const withdrawn = new Set(record.map(({ withdraws }) => withdraws));
  const byId = new Map(record.map((entry) => [entry.id, entry]));
  return record.map((entry): LogLine => {
    const about = entry.withdraws === undefined ? entry : (byId.get(entry.withdraws) ?? entry);
    const panels = panelsOf(about);
    const says =
      entry.kind === 'withdrawn'
        ? `Taken back: ${about === entry ? 'an entry that is not here' : lowered(entryWords(about, context))}`
        : entryWords(entry, context);
    return {
      id: entry.id,
      at: entry.at,
      kind: entry.kind,
      says,
      panels,
      units: cabinetsOf(about, panels, context),
      step: about.done?.step ?? about.note?.step ?? null,
      photos: entry.note?.photos ?? [],
      nextTime: entry.note?.nextTime ?? false,
      withdrawn: withdrawn.has(entry.id),
    };
  });
}

/** Search by words in any order: in the text, the part or cabinet, the day. */
export function findInLog(
  lines: readonly LogLine[],
  words: string,
  { plan, cabinetNames }: Pick<LogContext, 'plan' | 'cabinetNames'>,
  dayWords: (at: string) => string = (at) => at.slice(0, 10),
): LogLine[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  if (wanted.length === 0) return [...lines];
  return lines.filter(({ says, at, panels, units, kind, step }) => {
    const marks = panels.map((panel) => lineOf(plan, panel)?.mark ?? '');
    // A note does not repeat its step; a tick says what was done.
    const about = kind === 'note' ? (step ?? '') : '';
    const text = [says, dayWords(at), kind, about, ...marks, ...panels, ...units.map((id) => cabinetNames[id]?.name ?? id)].join(' ').toLowerCase();
    return wanted.every((word) => beginsIn(text, word));
  });
}

/** Whether a word of the text starts with the query: 'b' is sheet B, not the middle of November. */
const beginsIn = (text: string, word: string): boolean => {
  for (let at = text.indexOf(word); at >= 0; at = text.indexOf(word, at + 1)) if (at === 0 || !/[\p{L}\p{N}]/u.test(text[at - 1]!)) return true;
  return false;
};

const lowered = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
const lineOf = ({ parts }: Plan, panel: string): PartLine | undefined => parts.find((line) => line.panels.includes(panel) || line.id === panel);
const plural = (count: number, one: string, more = `${one}s`): string => `${count} ${count === 1 ? one : more}`;

const panelsOf = ({ made, asCut, sawn, spoiled, kept, note }: RecordEntry): string[] => [
  ...new Set([
    ...(made ?? []).map((operation) => operation.slice(0, Math.max(0, operation.indexOf(':')))),
    ...(asCut ? [asCut.panel] : []),
    ...(sawn?.parts ?? []),
    ...(spoiled ? [spoiled.part] : []),
    ...(kept ? [kept.panel] : []),
    ...(note?.part ? [note.part] : []),
  ]),
];

function cabinetsOf({ hung, done, opening, diagonals, note }: RecordEntry, panels: readonly string[], { cabinetNames }: LogContext): string[] {
  const named = [...panels, done?.step ?? '', opening?.space ?? '', diagonals?.assembly ?? ''].map((id) => id.split('/')[0]!);
  return [...new Set([...named, hung?.unit ?? '', note?.unit ?? ''])].filter((id) => Object.hasOwn(cabinetNames, id));
}

function entryWords(entry: RecordEntry, context: LogContext): string {
  const { plan, products, cabinetNames, unit } = context;
  const fine = (nm: number): string => fineText(nm, unit);
  const part = (panel: string): string => {
    const line = lineOf(plan, panel);
    const solid = plan.cabinets.flatMap(({ cabinet: each }) => each.byId.get(panel) ?? [])[0];
    return line ? `${line.mark}${solid ? ` (${labelWords(solid.name)})` : ''}` : `a part that is gone (${panel})`;
  };
  const parts = (panels: readonly string[]): string =>
    panels.length > 6 ? `${panels.slice(0, 5).map(part).join(', ')} and ${panels.length - 5} more` : panels.map(part).join(', ');
  const { reading, scan, testCut, made, asCut, sawn, spoiled, hung, done, opening, diagonals, kept, note } = entry;
  if (reading)
    return `${products[reading.product]?.name ?? reading.product} measures ${fine(reading.value.nm)}${reading.sheet ? `, sheet ${reading.sheet}` : ''}${reading.place ? `, ${reading.place.replace('-', ' ')}` : ''}.`;
  if (scan) return `The wall was scanned ${lengthText(scan.up.nm, unit)} above the floor: ${plural(scan.samples.length, 'sample')}.`;
  if (testCut) return `A test cut set to ${fine(testCut.thick.nm)} came to ${fine(testCut.came.nm)} (${testCut.cutter}).`;
  if (made) return `${plural(made.length, 'cut')} made at the machine in ${parts(panelsOf(entry))}.`;
  if (asCut) {
    const line = lineOf(plan, asCut.panel);
    const texts = (['length', 'width', 'thickness'] as const).flatMap((measure) => {
      const is = asCut[measure];
      if (!is) return [];
      const off = line && measure !== 'thickness' ? is.nm - plannedFor(asCut, measure, line[measure].value) : 0;
      return [`${measure} ${fine(is.nm)}${Math.abs(off) >= 50_000 ? `, ${fine(Math.abs(off))} ${off > 0 ? 'over' : 'short'}` : ''}`];
    });
    return `${part(asCut.panel)} came out: ${texts.join('; ')}.`;
  }
  if (sawn)
    return sawn.parts.length > 0
      ? `${plural(sawn.cuts.length, 'cut')} sawn; ${parts(sawn.parts)} ${sawn.parts.length === 1 ? 'is' : 'are'} there.`
      : `${plural(sawn.cuts.length, 'cut')} sawn.`;
  if (spoiled) return `${part(spoiled.part)} is spoiled: it is wanted once more.`;
  if (hung) {
    const off = hung.came.nm - hung.asked.nm;
    return `${cabinetNames[hung.unit]?.name ?? hung.unit} hung: its bottom came to ${lengthText(hung.came.nm, unit)}${off === 0 ? ', as asked' : `, ${fine(Math.abs(off))} ${off > 0 ? 'higher' : 'lower'} than asked`}.`;
  }
  if (done) {
    const name = cabinetNames[done.step.split('/')[0]!]?.name;
    const took =
      done.minutes === undefined ? '' : `, ${minutesText(done.minutes)}${done.planned === undefined ? '' : ` where ${minutesText(done.planned)} were planned`}`;
    return `${STEP_DONE[done.kind]}${name ? `, ${name}` : ''}${took}.`;
  }
  if (opening) {
    const space = plan.cabinets.flatMap(({ cabinet: each }) => each.compartments).find(({ id }) => id === opening.space);
    const texts = (['width', 'height'] as const).flatMap((measure) =>
      opening[measure] ? [`${fine(opening[measure].nm)} ${measure === 'width' ? 'wide' : 'high'}`] : [],
    );
    return `${space ? labelWords(space.name).replace(/^./, (letter) => letter.toUpperCase()) : opening.space} came out ${texts.join(', ')}.`;
  }
  if (diagonals) return `Diagonals ${fine(diagonals.one.nm)} and ${fine(diagonals.other.nm)}: ${fine(Math.abs(diagonals.one.nm - diagonals.other.nm))} apart.`;
  if (kept) return `${part(kept.panel)} is ${kept.how === 'shimmed' ? 'shimmed' : kept.how === 'trimmed' ? 'trimmed' : 'used as it is'}.`;
  if (note) return note.text.trim() === '' ? plural(note.photos.length, 'picture') : note.text;
  return 'An entry without words.';
}
