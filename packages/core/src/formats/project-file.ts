/**
 * The project file, *.carcass.json: design and shop record as the server stores them, with copies of what they use from the workshop. An older version is
 * lifted step by step; a newer one is refused. Unknown fields are refused, and nothing is half-read.
 */
import { outcomeOf, Refusal, type Outcome } from '../problem/problem.ts';
import type { Design } from '../model/design.ts';
import { constant, list, object, quote, type Json, type Schema } from './codec.ts';
import { designCodec } from './design-codec.ts';
import { readJsonText } from './json-text.ts';
import { MIGRATIONS } from './migrations.ts';
import { productsOf } from './spec-codec.ts';
import { recordCodec } from './record-codec.ts';
import { workshopCodec } from './workshop-codec.ts';
import type { RecordEntry } from '../model/record.ts';
import type { Workshop } from '../model/workshop.ts';

export const FORMAT = 'keen-carcass-project';
export const VERSION = 11;
/** Record entries in a file. */
export const MAX_ENTRIES = 200_000;
/** Size of a project file, characters. A long record is most of it. */
export const MAX_FILE_BYTES = 64_000_000;

export interface ProjectFile {
  readonly design: Design;
  readonly record: readonly RecordEntry[];
  readonly workshop: Workshop;
}

const fileCodec = object({
  format: constant(FORMAT),
  version: constant(VERSION),
  design: designCodec,
  record: list(recordCodec, MAX_ENTRIES),
  workshop: workshopCodec,
});

/** Reads a file's text. */
export const readProjectFile = (text: string): Outcome<ProjectFile> => outcomeOf(() => readProject(readJsonText(text, 'file', MAX_FILE_BYTES)));

/**
 * Reads a parsed file.
 * @throws Refusal
 */
export function readProject(value: unknown): ProjectFile {
  const { design, record, workshop } = fileCodec.read(lift(value), 'file');
  checkProducts(design, workshop);
  checkOnce(record);
  return { design, record, workshop };
}

function lift(value: unknown): unknown {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new Refusal('not-a-project', `${quote(value)} is no project`, 'file', 'a *.carcass.json file');
  let file = value as Record<string, unknown>;
  if (file['format'] !== FORMAT) throw new Refusal('not-a-project', `its format is ${quote(file['format'])}`, 'file.format', `'${FORMAT}'`);
  const version = file['version'];
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    throw new Refusal('version', `${quote(version)} is no version`, 'file.version', `a whole number from 1 to ${VERSION}`);
  if (version > VERSION)
    throw new Refusal('newer-version', `the file was written by a newer program (version ${version})`, 'file.version', `up to version ${VERSION}`);
  for (let at = version; at < VERSION; at++) file = { ...MIGRATIONS[at]!(file), version: at + 1 };
  return file;
}

/** Every product a design names must be in its workshop. */
export function checkProducts(design: Design, workshop: Workshop): void {
  for (const rail of Object.values(design.wall.rails)) needProduct(rail.stock, `design.wall.rails.${rail.id}.stock`, workshop);
  for (const { id, stock } of Object.values(design.loose)) needProduct(stock, `design.loose.${id}.stock`, workshop);
  for (const spec of Object.values(design.units)) {
    for (const { path, product } of productsOf(spec)) needProduct(product, `design.units.${spec.id}.${path}`, workshop);
  }
  // A variant may be used at any time.
  for (const { id, unit: spec } of Object.values(design.tries))
    for (const { path, product } of productsOf(spec)) needProduct(product, `design.tries.${id}.unit.${path}`, workshop);
}

function needProduct(product: string, where: string, { products }: Workshop): void {
  if (!Object.hasOwn(products, product))
    throw new Refusal('unknown-product', `there is no product ${quote(product)} in the workshop`, where, Object.keys(products).join(', '));
}

function checkOnce(record: readonly RecordEntry[]): void {
  const seen = new Set<string>();
  for (const [index, { id }] of record.entries()) {
    if (seen.has(id)) throw new Refusal('twice', `the entry ${quote(id)} stands twice`, `file.record[${index}].id`, 'each entry once');
    seen.add(id);
  }
}

export function writeProject({ design, record, workshop }: ProjectFile): Json {
  return fileCodec.write({ format: FORMAT, version: VERSION, design, record, workshop });
}

export const writeProjectText = (project: ProjectFile): string => `${JSON.stringify(writeProject(project), null, 2)}\n`;

/** The published JSON Schema of the file. */
export const projectSchema = (): Schema => ({ $schema: 'https://json-schema.org/draft/2020-12/schema', title: 'Keen Carcass project', ...fileCodec.schema });
