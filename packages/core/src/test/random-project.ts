/**
 * Random projects a person could have typed: every field of every family, hanging and wall, anywhere within its limits, mostly near what is
 * usual. For sweeps that look for what breaks; the same seed gives the same project. Test support.
 */
import { familyOf } from '../cabinets/families.ts';
import type { ElementsForm, FormField } from '../cabinets/form.ts';
import { seeded, type Random } from '../random/random.ts';
import { PRESETS } from '../contents/presets.ts';
import { entered, type Entered } from '../length/entered.ts';
import { toMm, type DisplayUnit, type Length } from '../length/length.ts';
import { EMPTY_DECISIONS, type Design } from '../model/design.ts';
import type { ProjectFile } from '../formats/project-file.ts';
import { starterWorkshop } from '../stock/catalogue.ts';
import { newWall } from '../wall/new-wall.ts';
import { type Wall, PLUG_IDS, SPECIES_IDS, STRUCTURE_IDS } from '../model/wall.ts';
import { FAMILY_IDS, startOf } from './family-units.ts';
import type { FamilyId, CabinetSpec } from '../model/specs/cabinet-spec.ts';

type Row = Record<string, unknown>;

const WORKSHOP = starterWorkshop();
const SHEETS = Object.values(WORKSHOP.products).filter(({ kind }) => kind === 'sheet');
const PRODUCTS = Object.values(WORKSHOP.products);
/** A field is left as it starts more often than not, so that most designs are nearly sound. */
const CHANGED = 0.3;
const MAX_ELEMENTS = 6;

export interface RandomProjectOptions {
  readonly family?: FamilyId;
  /** The share of fields that are changed. */
  readonly changed?: number;
}

/** One cabinet on a wall. */
export function randomProject(seed: number, { family, changed = CHANGED }: RandomProjectOptions = {}): ProjectFile {
  const random = seeded(seed);
  const unit: DisplayUnit = random() < 0.5 ? 'mm' : 'in';
  const cabinet = randomCabinet(random, family ?? oneOf(random, FAMILY_IDS), unit, changed);
  const design: Design = {
    ...EMPTY_DECISIONS,
    name: `Random ${seed}`,
    unit,
    wall: randomWall(random, unit),
    children: random() < 0.3,
    earthquakes: random() < 0.2,
    person: { height: entered(unit === 'mm' ? '1720 mm' : '68 in') },
    items: {},
    units: { [cabinet.id]: cabinet },
  };
  return { design, record: [], workshop: WORKSHOP };
}

function randomCabinet(random: Random, family: FamilyId, unit: DisplayUnit, changed: number): CabinetSpec {
  const of = familyOf({ family });
  const { form } = of;
  const start = of.create(startOf(family, unit)) as unknown as Row;
  let made = randomFields(random, start, form.fields, unit, changed);
  for (const list of form.elements) if (random() < 0.5) made = { ...made, [list.path]: randomElements(random, made, list, unit, changed) };
  if (random() < 0.5)
    made = { ...made, contents: { bottom: { preset: oneOf(random, Object.keys(PRESETS)), kg: random() < 0.5 ? null : Math.round(random() * 60) } } };
  return made as unknown as CabinetSpec;
}

function randomFields(random: Random, start: Row, fields: readonly FormField[], unit: DisplayUnit, changed: number): Row {
  return fields.reduce<Row>((row, field) => {
    if (random() >= changed) return row;
    const value = randomValue(random, row, field, unit);
    return value === undefined ? row : set(row, field.path, value);
  }, start);
}

function randomElements(random: Random, cabinet: Row, { path, least, most, fields, start }: ElementsForm, unit: DisplayUnit, changed: number): Row {
  const count = Math.max(least, Math.min(most, Math.floor(random() * (MAX_ELEMENTS + 1))));
  const made: Row = {};
  for (let order = 0; order < count; order++) {
    const id = `${path}-${order}`;
    made[id] = randomFields(random, start({ ...cabinet, [path]: made }, id, order) as Row, fields, unit, changed);
  }
  return made;
}

/** Undefined where it stays as it is: a part that is not there has no fields. */
function randomValue(random: Random, row: Row, field: FormField, unit: DisplayUnit): unknown {
  const now = at(row, field.path);
  if (now === undefined) return undefined;
  switch (field.kind) {
    case 'length':
      if (field.optional && random() < 0.4) return null;
      return randomLength(random, field.least, field.most, (now as Entered | null)?.nm as Length | undefined, unit);
    case 'count':
      return field.least + Math.floor(random() * (Math.min(field.most, field.least + 12) - field.least + 1));
    case 'number':
    case 'degrees': {
      const value = field.least + random() ** 2 * (field.most - field.least);
      return Math.round(value * 10) / 10;
    }
    case 'yes-no':
      return random() < 0.5;
    case 'choice': {
      // What the form does not offer with the rest, a file may still hold.
      const isTyped = random() < 0.8;
      const options = field.options.filter((option) => !isTyped || (field.allows?.(row, option) ?? true));
      return options.length > 0 ? oneOf(random, options) : undefined;
    }
    case 'stock':
      if (field.optional && random() < 0.4) return null;
      return oneOf(random, field.sheetsOnly ? SHEETS : PRODUCTS).id;
    case 'part':
      return random() < 0.4 ? null : field.start(row);
    case 'space':
      return random() < 0.7 ? 'bottom' : oneOf(random, ['shelves-0', 'dividers-0', 'nowhere']);
    case 'text':
      return 'name';
    case 'id':
      return undefined;
  }
}

/** Mostly near what it was, sometimes anywhere, now and then the least or the most. */
function randomLength(random: Random, least: Length, most: Length, now: Length | undefined, unit: DisplayUnit): Entered {
  const [low, high] = [toMm(least), toMm(most)];
  const draw = random();
  const near = now === undefined ? low + random() ** 3 * (high - low) : toMm(now) * (0.6 + random() * 0.9);
  const wanted = draw < 0.05 ? low : draw < 0.1 ? high : draw < 0.3 ? low + random() ** 2 * (high - low) : near;
  const value = Math.min(high, Math.max(low, wanted));
  if (unit === 'mm') return entered(`${Math.min(high, Math.max(low, Math.round(value * 10) / 10))} mm`);
  const parts = Math.min(Math.floor((high / 25.4) * 32), Math.max(Math.ceil((low / 25.4) * 32), Math.round((value / 25.4) * 32)));
  return parts / 32 <= high / 25.4 && parts / 32 >= low / 25.4 ? entered(`${parts}/32 in`) : entered(`${value} mm`);
}

function randomWall(random: Random, unit: DisplayUnit): Wall {
  const structure = oneOf(random, STRUCTURE_IDS);
  const wall = newWall({
    unit,
    width: entered(unit === 'mm' ? '6000 mm' : '236 in'),
    ceiling: entered(oneOf(random, unit === 'mm' ? ['2400 mm', '2600 mm', '3200 mm'] : ['96 in', '108 in'])),
    structure,
    spacing: random() < 0.2 ? null : entered(oneOf(random, unit === 'mm' ? ['400 mm', '600 mm'] : ['16 in', '24 in'])),
    ...(random() < 0.3 ? { offset: entered(`${Math.round(random() * 300)} mm`) } : {}),
  });
  const rating = (): number | null => (random() < 0.4 ? null : Math.round(random() * 2000));
  return {
    ...wall,
    studs: { ...wall.studs, species: oneOf(random, SPECIES_IDS) },
    fixing: {
      ...wall.fixing,
      into: random() < 0.2 ? 'covering' : 'ground',
      plug: oneOf(random, PLUG_IDS),
      pullN: rating(),
      shearN: rating(),
      rating: random() < 0.5 ? 'working' : 'ultimate',
      ...(random() < 0.2 ? { strict: true } : {}),
    },
  };
}

const oneOf = <T>(random: Random, options: readonly T[]): T => options[Math.floor(random() * options.length)]!;

const at = (row: Row, path: readonly string[]): unknown =>
  path.reduce<unknown>((node, key) => (typeof node === 'object' && node !== null ? (node as Row)[key] : undefined), row);

function set(row: Row, [key, ...rest]: readonly string[], value: unknown): Row {
  return { ...row, [key!]: rest.length === 0 ? value : set(row[key!] as Row, rest, value) };
}
