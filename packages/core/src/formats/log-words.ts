/** The shop record as a log: each entry as a sentence with its subjects, so that it can be found by part, step, day and words. */
import { fineText, lengthText, minutesText } from '../checks/words/amounts.ts';
import { labelWords } from '../checks/words/labels.ts';
import type { DisplayUnit } from '../length/length.ts';
import type { PartLine } from '../parts/part-line.ts';
import type { Plan } from '../planner/plan.ts';
import type { DoneStep, KeptPart, StepKind, RecordEntry } from '../model/record.ts';
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
  const withdrawn = new Set(record.flatMap((entry) => (entry.kind === 'withdrawn' ? [entry.withdraws] : [])));
  const byId = new Map(record.map((entry) => [entry.id, entry]));
  return record.map((entry): LogLine => {
    const about = entry.kind === 'withdrawn' ? (byId.get(entry.withdraws) ?? entry) : entry;
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
      step: stepOf(about),
      photos: entry.kind === 'note' ? entry.note.photos : [],
      nextTime: entry.kind === 'note' && entry.note.nextTime,
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

const stepOf = (entry: RecordEntry): string | null => (entry.kind === 'step' ? entry.done.step : entry.kind === 'note' ? (entry.note.step ?? null) : null);

/** The parts an entry is about. */
function panelsOf(entry: RecordEntry): string[] {
  switch (entry.kind) {
    case 'made':
      return [...new Set(entry.made.map((operation) => operation.slice(0, Math.max(0, operation.indexOf(':')))))];
    case 'as-cut':
      return [entry.asCut.panel];
    case 'sawn':
      return [...new Set(entry.sawn.parts)];
    case 'spoiled':
      return [entry.spoiled.part];
    case 'kept':
      return [entry.kept.panel];
    case 'note':
      return entry.note.part ? [entry.note.part] : [];
    default:
      return [];
  }
}

/** The cabinets an entry is about: those it names, and those its parts, step, space or assembly belong to. */
function cabinetsOf(entry: RecordEntry, panels: readonly string[], { cabinetNames }: LogContext): string[] {
  const named = (): readonly string[] => {
    switch (entry.kind) {
      case 'hung':
        return [entry.hung.unit];
      case 'note':
        return entry.note.unit ? [entry.note.unit] : [];
      case 'step':
        return [ownerOf(entry.done.step)];
      case 'opening':
        return [ownerOf(entry.opening.space)];
      case 'diagonals':
        return [ownerOf(entry.diagonals.assembly)];
      default:
        return [];
    }
  };
  return [...new Set([...panels.map(ownerOf), ...named()])].filter((id) => Object.hasOwn(cabinetNames, id));
}

/** The cabinet that a part, step, space or assembly belongs to: its id begins with the cabinet's. */
const ownerOf = (id: string): string => id.split('/')[0]!;

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
  switch (entry.kind) {
    case 'thickness': {
      const { product, value, sheet, place } = entry.reading;
      return `${products[product]?.name ?? product} measures ${fine(value.nm)}${sheet ? `, sheet ${sheet}` : ''}${place ? `, ${place.replace('-', ' ')}` : ''}.`;
    }
    case 'scan':
      return `The wall was scanned ${lengthText(entry.scan.up.nm, unit)} above the floor: ${plural(entry.scan.samples.length, 'sample')}.`;
    case 'test-cut':
      return `A test cut set to ${fine(entry.testCut.thick.nm)} came to ${fine(entry.testCut.came.nm)} (${entry.testCut.cutter}).`;
    case 'made':
      return `${plural(entry.made.length, 'cut')} made at the machine in ${parts(panelsOf(entry))}.`;
    case 'as-cut': {
      const { asCut } = entry;
      const line = lineOf(plan, asCut.panel);
      const texts = (['length', 'width', 'thickness'] as const).flatMap((measure) => {
        const is = asCut[measure];
        if (!is) return [];
        const off = line && measure !== 'thickness' ? is.nm - plannedFor(asCut, measure, line[measure].value) : 0;
        return [`${measure} ${fine(is.nm)}${Math.abs(off) >= 50_000 ? `, ${fine(Math.abs(off))} ${off > 0 ? 'over' : 'short'}` : ''}`];
      });
      return `${part(asCut.panel)} came out: ${texts.join('; ')}.`;
    }
    case 'sawn': {
      const { sawn } = entry;
      const there = sawn.parts.length > 0 ? `; ${parts(sawn.parts)} ${sawn.parts.length === 1 ? 'is' : 'are'} there` : '';
      return `${plural(sawn.cuts.length, 'cut')} sawn${there}.`;
    }
    case 'spoiled':
      return `${part(entry.spoiled.part)} is spoiled: it is wanted once more.`;
    case 'hung': {
      const { unit: id, came, asked } = entry.hung;
      const off = came.nm - asked.nm;
      return `${cabinetNames[id]?.name ?? id} hung: its bottom came to ${lengthText(came.nm, unit)}${off === 0 ? ', as asked' : `, ${fine(Math.abs(off))} ${off > 0 ? 'higher' : 'lower'} than asked`}.`;
    }
    case 'step':
      return stepWords(entry.done, cabinetNames);
    case 'opening': {
      const { opening } = entry;
      const space = plan.cabinets.flatMap(({ cabinet: each }) => each.compartments).find(({ id }) => id === opening.space);
      const texts = (['width', 'height'] as const).flatMap((measure) =>
        opening[measure] ? [`${fine(opening[measure].nm)} ${measure === 'width' ? 'wide' : 'high'}`] : [],
      );
      return `${space ? labelWords(space.name).replace(/^./, (letter) => letter.toUpperCase()) : opening.space} came out ${texts.join(', ')}.`;
    }
    case 'diagonals': {
      const { one, other } = entry.diagonals;
      return `Diagonals ${fine(one.nm)} and ${fine(other.nm)}: ${fine(Math.abs(one.nm - other.nm))} apart.`;
    }
    case 'kept':
      return `${part(entry.kept.panel)} is ${KEPT_WORDS[entry.kept.how]}.`;
    case 'note':
      return entry.note.text.trim() === '' ? plural(entry.note.photos.length, 'picture') : entry.note.text;
    case 'withdrawn':
      return 'An entry without words.';
  }
}

const KEPT_WORDS: Readonly<Record<KeptPart['how'], string>> = { accepted: 'used as it is', trimmed: 'trimmed', shimmed: 'shimmed' };

function stepWords({ step, kind, minutes, planned }: DoneStep, cabinetNames: LogContext['cabinetNames']): string {
  const name = cabinetNames[ownerOf(step)]?.name;
  const took = minutes === undefined ? '' : `, ${minutesText(minutes)}${planned === undefined ? '' : ` where ${minutesText(planned)} were planned`}`;
  return `${STEP_DONE[kind]}${name ? `, ${name}` : ''}${took}.`;
}
