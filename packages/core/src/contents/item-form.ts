/** The fields of an item: the table, pasted cells, CSV, the file reader and the form take names and limits from these rows. */
import { enter, entered, typedText, type Entered } from '../length/entered.ts';
import { mm, type DisplayUnit, type Length } from '../length/length.ts';
import { accept, refuse, type Outcome } from '../problem/problem.ts';
import { ITEM_MATERIALS } from './item-mass.ts';
import { MAX_ITEM_KG, readWeight } from './weight.ts';
import { ITEM_KINDS, REACHES, STANCES, type Item, type ProfilePoint } from '../model/item.ts';

export const ITEM_LIMITS = { size: { least: mm(1), most: mm(3000) }, small: { least: mm(0), most: mm(1000) } } as const;
export const MAX_ITEMS = 1000;
export const MAX_COUNT = 2000;
export const MAX_PROFILE = 12;
export const MAX_STACK = 50;
export const NAME_LENGTH = 80;

interface ColumnBase {
  /** Field of the item. */
  readonly key: ItemColumnKey;
  /** Title of the column, in the table and in files. */
  readonly title: string;
}

export type ItemColumnKey =
  | 'name'
  | 'kind'
  | 'count'
  | 'width'
  | 'depth'
  | 'height'
  | 'kg'
  | 'material'
  | 'stands'
  | 'turned'
  | 'stack'
  | 'deep'
  | 'reach'
  | 'near'
  | 'growth'
  | 'lift'
  | 'neck'
  | 'hole'
  | 'profile';

export type ItemTableColumn = ColumnBase &
  (
    | { readonly type: 'text'; readonly most: number; readonly needed: boolean }
    | { readonly type: 'choice'; readonly options: readonly string[] }
    | { readonly type: 'count'; readonly least: number; readonly most: number }
    | { readonly type: 'length'; readonly least: Length; readonly most: Length; readonly optional: boolean }
    | { readonly type: 'mass' }
    | { readonly type: 'yes-no' }
    | { readonly type: 'profile' }
  );

const size = (key: ItemColumnKey, title: string): ItemTableColumn => ({ key, title, type: 'length', ...ITEM_LIMITS.size, optional: false });
const small = (key: ItemColumnKey, title: string): ItemTableColumn => ({ key, title, type: 'length', ...ITEM_LIMITS.small, optional: true });

export const ITEM_COLUMNS: readonly ItemTableColumn[] = [
  { key: 'name', title: 'what', type: 'text', most: NAME_LENGTH, needed: true },
  { key: 'kind', title: 'kind', type: 'choice', options: ITEM_KINDS },
  { key: 'count', title: 'count', type: 'count', least: 1, most: MAX_COUNT },
  size('width', 'width'),
  size('depth', 'depth'),
  size('height', 'height'),
  { key: 'kg', title: 'kg each', type: 'mass' },
  { key: 'material', title: 'made of', type: 'choice', options: Object.keys(ITEM_MATERIALS) },
  { key: 'stands', title: 'stands', type: 'choice', options: STANCES },
  { key: 'turned', title: 'end on', type: 'yes-no' },
  { key: 'stack', title: 'high', type: 'count', least: 1, most: MAX_STACK },
  { key: 'deep', title: 'deep', type: 'count', least: 1, most: MAX_STACK },
  { key: 'reach', title: 'reached', type: 'choice', options: REACHES },
  { key: 'near', title: 'together with', type: 'text', most: 40, needed: false },
  { key: 'growth', title: 'more to come', type: 'count', least: 0, most: MAX_COUNT },
  small('lift', 'lift out'),
  small('neck', 'neck'),
  small('hole', 'hole'),
  { key: 'profile', title: 'outline', type: 'profile' },
];

export const columnFor = (key: ItemColumnKey): ItemTableColumn => ITEM_COLUMNS.find((column) => column.key === key)!;

/** A plain item to start a row from. */
export function newItem({ id, order, unit }: { id: string; order: number; unit: DisplayUnit }): Item {
  const pick = (metric: string, imperial: string): Entered => entered(unit === 'mm' ? metric : imperial);
  return {
    id,
    order,
    name: 'Thing',
    kind: 'block',
    width: pick('100 mm', '4 in'),
    depth: pick('100 mm', '4 in'),
    height: pick('150 mm', '6 in'),
    neck: null,
    profile: [],
    kg: null,
    material: 'mixed',
    count: 1,
    growth: 0,
    stands: 'upright',
    turned: false,
    stack: 1,
    deep: 3,
    reach: 'weekly',
    near: '',
    lift: null,
    hole: null,
    homes: {},
  };
}

/** Text of a cell: lengths in the unit of the table as they were typed. */
export function cellText(item: Item, column: ItemTableColumn, unit: DisplayUnit): string {
  const value = item[column.key];
  switch (column.type) {
    case 'length':
      return value === null ? '' : typedText(value as Entered, unit);
    case 'mass':
      return item.kg === null ? '' : String(item.kg);
    case 'yes-no':
      return value ? 'yes' : '';
    case 'profile':
      return item.profile.map(({ at, width }) => `${typedText(at, unit)}:${typedText(width, unit)}`).join('; ');
    default:
      return String(value as string | number);
  }
}

const YES: ReadonlySet<string> = new Set(['yes', 'y', 'true', '1', 'x']);
const NO: ReadonlySet<string> = new Set(['', 'no', 'n', 'false', '0', '-']);

/** Reads a cell a person typed or pasted. `where` names the cell in the refusal. */
export function readCell(column: ItemTableColumn, text: string, unit: DisplayUnit, where: string): Outcome<Item[ItemColumnKey]> {
  const typed = text.trim();
  const wrong = (accepted: string): Outcome<never> =>
    refuse('cell', typed === '' ? `${column.title} is empty` : `'${short(typed)}' is no ${column.title}`, where, accepted);
  switch (column.type) {
    case 'text':
      return typed.length > column.most || (column.needed && typed === '')
        ? wrong(`text of ${column.needed ? 1 : 0} to ${column.most} characters`)
        : accept(typed);
    case 'choice': {
      const found = column.options.find((option) => option === typed.toLowerCase());
      return found === undefined ? wrong(`one of ${column.options.join(', ')}`) : accept(found);
    }
    case 'count': {
      const value = Number(typed);
      return typed === '' || !Number.isInteger(value) || value < column.least || value > column.most
        ? wrong(`a whole number from ${column.least} to ${column.most}`)
        : accept(value);
    }
    case 'mass': {
      if (typed === '') return accept(null);
      // Kilograms come back as they were written, to the last figure.
      const bare = Number(typed.replace(',', '.').replace(/\s*kg$/i, ''));
      if (bare >= 0 && bare <= MAX_ITEM_KG) return accept(bare);
      const read = readWeight(typed, 'kg', where);
      return read.ok ? read : wrong(`${read.problem.accepted}, or nothing to estimate it`);
    }
    case 'yes-no':
      return YES.has(typed.toLowerCase()) ? accept(true) : NO.has(typed.toLowerCase()) ? accept(false) : wrong('yes or no');
    case 'length':
      if (typed === '' && column.optional) return accept(null);
      return readSize(typed, unit, column, where, wrong);
    case 'profile':
      return readProfile(typed, unit, where, wrong);
  }
}

type Wrong = (accepted: string) => Outcome<never>;

function readSize(typed: string, unit: DisplayUnit, { least, most }: { least: Length; most: Length }, where: string, wrong: Wrong): Outcome<Entered> {
  const read = enter(typed, unit, where);
  if (!read.ok) return read;
  return read.value.nm < least || read.value.nm > most ? wrong(`a length from ${least / 1e6} to ${most / 1e6} mm`) : read;
}

/** '0:60; 40:60; 45:25; 200:25': heights from the lower end with the width there. */
function readProfile(typed: string, unit: DisplayUnit, where: string, wrong: Wrong): Outcome<readonly ProfilePoint[]> {
  if (typed === '') return accept([]);
  const accepted = `up to ${MAX_PROFILE} pairs such as 0:60; 40:60; 200:25, rising`;
  const pairs = typed.split(';').map((pair) => pair.split(':'));
  if (pairs.length < 2 || pairs.length > MAX_PROFILE || pairs.some((pair) => pair.length !== 2)) return wrong(accepted);
  const points: ProfilePoint[] = [];
  for (const [atText, widthText] of pairs) {
    const at = enter(atText!.trim(), unit, where);
    if (!at.ok) return at;
    const width = readSize(widthText!.trim(), unit, { least: mm(0), most: ITEM_LIMITS.size.most }, where, wrong);
    if (!width.ok) return width;
    if (at.value.nm < 0 || (points.length > 0 && at.value.nm < points.at(-1)!.at.nm)) return wrong(accepted);
    points.push({ at: at.value, width: width.value });
  }
  return accept(points);
}

const short = (text: string): string => (text.length > 40 ? `${text.slice(0, 37)}…` : text);
