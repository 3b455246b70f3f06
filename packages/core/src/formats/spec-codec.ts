/** A cabinet spec as JSON, made from its family's form: what can be typed can be read, and the schema says the same. */
import { FAMILIES } from '../cabinets/families.ts';
import type { Family } from '../cabinets/family.ts';
import { MAX_CONTENTS_KG, MAX_SHELVES, type ElementsForm, type FormField } from '../cabinets/form.ts';
import { PRESETS } from '../contents/presets.ts';
import { Refusal } from '../problem/problem.ts';
import { byId, checked, choice, constant, length, number, object, objectWith, orNull, PARTS, ownIds, quote, text, yesNo, type Codec } from './codec.ts';
import { MAX_ROWS, rowCodec } from './items-codec.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';
import type { PresetId } from '../model/item.ts';

const id = text(64);
/** Parts with a grain direction chosen by a person. */
const MAX_GRAINS = 400;

function leaf(field: FormField): Codec<unknown> {
  switch (field.kind) {
    case 'length':
      return field.optional ? orNull(length(field.least, field.most)) : length(field.least, field.most);
    case 'choice':
      return choice(field.options);
    case 'count':
      return number(field.least, field.most, true);
    case 'number':
    case 'degrees':
      return number(field.least, field.most);
    case 'yes-no':
      return yesNo;
    case 'text':
      return text(field.most);
    case 'stock':
      return field.optional ? orNull(id) : id;
    case 'space':
      return id;
    case 'id':
      return field.optional ? orNull(id) : id;
    case 'part':
      throw new RangeError(`the part '${field.path.join('.')}' has no fields`);
  }
}

interface Node {
  codec: Codec<unknown> | null;
  optional: boolean;
  readonly children: Map<string, Node>;
}

const node = (): Node => ({ codec: null, optional: false, children: new Map() });

/** Nested objects, from the paths of a form. */
function shapeOf(fields: readonly FormField[]): Record<string, Codec<unknown>> {
  const root = node();
  for (const field of fields) {
    let at = root;
    for (const key of field.path) {
      if (!at.children.has(key)) at.children.set(key, node());
      at = at.children.get(key)!;
    }
    if (field.kind === 'part') at.optional = true;
    else at.codec = leaf(field);
  }
  return childrenOf(root);
}

const childrenOf = ({ children }: Node): Record<string, Codec<unknown>> =>
  Object.fromEntries(
    [...children].map(([key, child]) => {
      const inner = child.codec ?? (object(childrenOf(child)) as Codec<unknown>);
      return [key, child.optional ? (orNull(inner) as Codec<unknown>) : inner];
    }),
  );

const elementCodec = ({ fields }: ElementsForm): Codec<unknown> => object({ id, order: number(-1e9, 1e9), ...shapeOf(fields) }) as Codec<unknown>;

/** Contents are keyed by space: at most one per element of all lists, plus one. */
const contents = (family: Family): Codec<unknown> =>
  byId(
    object({ preset: choice(Object.keys(PRESETS) as PresetId[]), kg: orNull(number(0, MAX_CONTENTS_KG)) }),
    family.form.elements.reduce((sum, { most }) => sum + most, MAX_SHELVES + 1),
  ) as Codec<unknown>;

function familyCodec(family: Family): Codec<CabinetSpec> {
  const { fields, elements } = family.form;
  const lists = Object.fromEntries(elements.map((form) => [form.path, byId(elementCodec(form), form.most)]));
  const whole = {
    id,
    family: constant(family.id),
    name: text(80),
    order: number(-1e9, 1e9),
    unit: choice(['mm', 'in']),
    ...shapeOf(fields),
    ...lists,
    contents: contents(family),
    rows: byId(rowCodec, MAX_ROWS),
    topLoaded: yesNo,
  };
  const inner = objectWith(whole, { grains: byId(choice(['length', 'width', 'free']), MAX_GRAINS, PARTS) }) as unknown as Codec<CabinetSpec>;
  return checked(inner, (design, where) => {
    const seen = new Map<string, string>();
    for (const { path } of elements) {
      for (const key of Object.keys((design as unknown as Record<string, object>)[path]!)) {
        const other = seen.get(key);
        if (other !== undefined) throw new Refusal('id', `'${key}' stands in ${other} too`, `${where}.${path}.${key}`, 'an id of its own');
        seen.set(key, path);
      }
    }
    for (const { path } of elements) ownIds((design as unknown as Record<string, Record<string, { id: string }>>)[path]!, `${where}.${path}`);
    ownIds(design.rows, `${where}.rows`);
  });
}

const CODECS: ReadonlyMap<string, Codec<CabinetSpec>> = new Map(FAMILIES.map((family) => [family.id, familyCodec(family)]));

/** A cabinet of any family, selected by 'family'. */
export const specCodec: Codec<CabinetSpec> = {
  read(value, where) {
    const family = typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Record<string, unknown>)['family'] : undefined;
    const codec = typeof family === 'string' ? CODECS.get(family) : undefined;
    if (!codec && (typeof value !== 'object' || value === null || Array.isArray(value)))
      throw new Refusal('value', `${quote(value)} cannot be used here`, where, 'an object');
    if (!codec) throw new Refusal('value', `${quote(family)} is no family of unit`, `${where}.family`, [...CODECS.keys()].join(', '));
    return codec.read(value, where);
  },
  write: (value) => CODECS.get(value.family)!.write(value),
  schema: { oneOf: [...CODECS.values()].map(({ schema }) => schema) },
};

/** Products a cabinet uses, with the path of each; optional parts that are absent are left out. */
export function productsOf(design: CabinetSpec): { readonly path: string; readonly product: string }[] {
  const family = FAMILIES.find((each) => each.id === design.family)!;
  const found: { path: string; product: string }[] = [];
  const look = (row: unknown, fields: readonly FormField[], before: string): void => {
    for (const field of fields) {
      if (field.kind !== 'stock') continue;
      const product = field.path.reduce<unknown>((at, key) => (at as Record<string, unknown> | null | undefined)?.[key], row);
      if (typeof product === 'string') found.push({ path: before + field.path.join('.'), product });
    }
  };
  look(design, family.form.fields, '');
  for (const { path, fields } of family.form.elements)
    for (const [key, element] of Object.entries((design as unknown as Record<string, Record<string, unknown>>)[path] ?? {}))
      look(element, fields, `${path}.${key}.`);
  return found;
}
