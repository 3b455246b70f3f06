/** Settled layouts as JSON: lengths exact to the nanometer, with the tree of cuts. */
import { readEntered } from '../length/entered.ts';
import { mm, type Length } from '../length/length.ts';
import { Refusal } from '../problem/problem.ts';
import { list, number, object, quote, text, yesNo, type Codec, type Json } from './codec.ts';
import { exactMm } from './nest-plan.ts';
import type { CutTree, Placement, KeptLayout, PinnedPart } from '../model/sheet-layout.ts';

/** Layouts of the largest project: a dozen sheet products, laid out a few times. */
export const MAX_LAYOUTS = 60;
const MAX_SHEETS = 200;
const MAX_PIECES = 2000;
/** Depth of nested cuts. */
const MAX_DEPTH = 400;

/** A length exact to the nanometer, written in millimeters. */
export const exact = (most: Length): Codec<Length> => ({
  read: (value, where) => {
    if (typeof value !== 'string') throw new Refusal('value', `${quote(value)} is no length`, where, 'text with a unit, such as "600mm"');
    const read = readEntered(value, { where });
    if (!read.ok) throw new Refusal(read.problem.code, read.problem.message, where, read.problem.accepted);
    if (read.value.nm < 0 || read.value.nm > most) throw new Refusal('range', `${quote(value)} is out of range`, where, `0 to ${exactMm(most)}`);
    return read.value.nm;
  },
  write: (value) => exactMm(value),
  schema: { type: 'string', description: 'a length with its unit, exact' },
});

const side = exact(mm(10_000));

export const pinCodec: Codec<PinnedPart> = object({ id: text(200), product: text(64), sheet: text(100), x: side, y: side, turned: yesNo });

const placement: Codec<Placement> = object({ part: text(200), x: side, y: side, dx: side, dy: side, turned: yesNo });

type Row = Readonly<Record<string, unknown>>;

function readTree(value: unknown, where: string, depth: number): CutTree {
  const row = typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Row) : null;
  const has = (...keys: string[]): boolean => row !== null && Object.keys(row).sort().join() === keys.sort().join();
  if (depth > MAX_DEPTH) throw new Refusal('deep', 'the cuts go too deep', where, `at most ${MAX_DEPTH} one in another`);
  if (has('part')) return { kind: 'part', part: text(200).read(row!['part'], `${where}.part`) };
  if (has('waste')) return { kind: 'waste', ...wasteCodec.read(row!['waste'], `${where}.waste`) };
  if (!has('cut', 'at', 'first', 'second') || (row!['cut'] !== 'x' && row!['cut'] !== 'y'))
    throw new Refusal('value', `${quote(value)} is no cut, part or waste`, where, 'cut (x or y), at, first and second; or part; or waste');
  return {
    kind: 'cut',
    axis: row!['cut'] as 'x' | 'y',
    at: side.read(row!['at'], `${where}.at`),
    first: readTree(row!['first'], `${where}.first`, depth + 1),
    second: readTree(row!['second'], `${where}.second`, depth + 1),
  };
}

const wasteCodec = object({ x: side, y: side, dx: side, dy: side });

function writeTree(tree: CutTree): Json {
  if (tree.kind === 'part') return { part: tree.part };
  if (tree.kind === 'waste') return { waste: wasteCodec.write({ x: tree.x, y: tree.y, dx: tree.dx, dy: tree.dy }) };
  return { cut: tree.axis, at: side.write(tree.at), first: writeTree(tree.first), second: writeTree(tree.second) };
}

const treeCodec: Codec<CutTree> = {
  read: (value, where) => readTree(value, where, 0),
  write: writeTree,
  schema: { type: 'object', description: 'a tree of cuts: {cut, at, first, second}, {part} or {waste}' },
};

export const keptLayoutCodec: Codec<KeptLayout> = object({
  id: text(64),
  order: number(0, 1e9, true),
  product: text(64),
  made: text(40),
  kerf: side,
  sheets: list(
    object({ sheet: text(300), length: side, width: side, trim: side, offcut: yesNo, placements: list(placement, MAX_PIECES), cuts: treeCodec }),
    MAX_SHEETS,
  ),
});
