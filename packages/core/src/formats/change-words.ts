/** Changes between two versions of a design as text: additions, deletions, and every field with both values. */
import { familyOf } from '../cabinets/families.ts';
import { labelWords, WORDS } from '../checks/words/labels.ts';
import { typedText, type Entered } from '../length/entered.ts';
import type { DisplayUnit } from '../length/length.ts';
import type { Design } from '../model/design.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';

export interface Change {
  /** The cabinet concerned; null for the project. */
  readonly unit: string | null;
  readonly says: string;
}

/** Changes listed; further ones are counted. */
const MAX_TOLD = 60;

export function changeWords(before: Design, after: Design, unit: DisplayUnit): { readonly changes: readonly Change[]; readonly more: number } {
  const changes: Change[] = [...cabinetChanges(before, after, unit), ...projectChanges(before, after, unit)];
  return { changes: changes.slice(0, MAX_TOLD), more: Math.max(0, changes.length - MAX_TOLD) };
}

function cabinetChanges(before: Design, after: Design, unit: DisplayUnit): Change[] {
  const ids = [...new Set([...Object.keys(before.units), ...Object.keys(after.units)])];
  return ids.flatMap((id): Change[] => {
    const [was, is] = [before.units[id], after.units[id]];
    if (!was) return [{ unit: id, says: `${is!.name} came.` }];
    if (!is) return [{ unit: id, says: `${was.name} went.` }];
    if (was === is) return [];
    if (was.family !== is.family) return [{ unit: id, says: `${is.name} became another kind of cabinet.` }];
    return differences(was, is, []).map(({ path, from, to }) => ({ unit: id, says: `${is.name}: ${fieldWords(is, path)} ${fromTo(from, to, unit)}.` }));
  });
}

const PROJECT_WORDS: Readonly<Record<string, string>> = {
  name: 'name',
  unit: 'units',
  children: 'children can reach it',
  earthquakes: 'earthquakes',
  person: 'who uses it most',
  wall: 'wall',
  items: 'what is held',
  setupOrder: 'order of the setups',
  cutFrom: 'sheets parts are cut from',
  cutting: 'how sheets are cut up',
  layouts: 'settled layouts',
  pins: 'parts put on a sheet',
  loose: 'parts without a cabinet',
  build: 'how it is built',
  tries: 'tries',
};

function projectChanges(before: Design, after: Design, unit: DisplayUnit): Change[] {
  return (Object.keys(PROJECT_WORDS) as (keyof Design)[]).flatMap((key): Change[] => {
    const [was, is] = [before[key], after[key]];
    if (was === is || JSON.stringify(was) === JSON.stringify(is)) return [];
    const rows = differences(was, is, []);
    const name = PROJECT_WORDS[key]!;
    // A single thing is named; several are counted.
    if (rows.length === 1) return [{ unit: null, says: `${capital(name)}${pathWords(rows[0]!.path)} ${fromTo(rows[0]!.from, rows[0]!.to, unit)}.` }];
    return [{ unit: null, says: `${capital(name)}: ${rows.length} changes.` }];
  });
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

interface Difference {
  readonly path: readonly string[];
  readonly from: unknown;
  readonly to: unknown;
}

type Row = Readonly<Record<string, unknown>>;
const isRow = (value: unknown): value is Row => typeof value === 'object' && value !== null && !Array.isArray(value);
const isEntered = (value: unknown): value is Entered => isRow(value) && typeof value['text'] === 'string' && typeof value['nm'] === 'number';

function differences(was: unknown, is: unknown, path: readonly string[]): Difference[] {
  if (was === is) return [];
  if (!isRow(was) || !isRow(is) || isEntered(was) || isEntered(is)) return JSON.stringify(was) === JSON.stringify(is) ? [] : [{ path, from: was, to: is }];
  return [...new Set([...Object.keys(was), ...Object.keys(is)])].flatMap((key) => differences(was[key], is[key], [...path, key]));
}

/** The field's own label where the family has one, else the last segment of its path. */
function fieldWords(spec: CabinetSpec, path: readonly string[]): string {
  const field = familyOf(spec).form.fields.find((each) => each.path.join('.') === path.join('.'));
  if (field) return labelWords({ key: field.label });
  const key = path.at(-1) ?? '';
  return Object.hasOwn(WORDS, key) && !WORDS[key]!.includes('{of}') ? WORDS[key]! : `${path[0] ?? ''}${pathWords(path.slice(1))}`;
}

const pathWords = (path: readonly string[]): string =>
  path.length === 0
    ? ''
    : `, ${path
        .map((key) =>
          key
            .replace(/[-_]/g, ' ')
            .replace(/([a-z])([A-Z])/g, '$1 $2')
            .toLowerCase(),
        )
        .join(' ')}`;

function fromTo(from: unknown, to: unknown, unit: DisplayUnit): string {
  if (from === undefined || from === null)
    return to === undefined || to === null ? 'changed' : isRow(to) && !isEntered(to) ? 'came' : `is now ${valueWords(to, unit)}`;
  if (to === undefined || to === null) return isRow(from) && !isEntered(from) ? 'went' : `went (was ${valueWords(from, unit)})`;
  return `${valueWords(from, unit)} → ${valueWords(to, unit)}`;
}

function valueWords(value: unknown, unit: DisplayUnit): string {
  if (isEntered(value)) return `${typedText(value, unit)} ${unit}`;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return `${value.length} in a list`;
  if (isRow(value)) return 'something else';
  return String(value);
}
