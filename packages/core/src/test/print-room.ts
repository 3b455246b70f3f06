/** The made-up print room of examples/, read as the product reads it, and ways to change it for a test. */
import file from '../../../../examples/print-room.carcass.json' with { type: 'json' };
import { buildCabinet } from '../cabinets/families.ts';
import { newShelfBox, type NewShelfBox } from '../cabinets/shelf-box.ts';
import { readProject, type ProjectFile } from '../formats/project-file.ts';
import { entered } from '../length/entered.ts';
import type { Design } from '../model/design.ts';
import { applyEdit, type EditStep } from '../model/edit.ts';
import { plan, type Plan, type CabinetPlan } from '../planner/plan.ts';
import { stockReader } from '../planner/stock-reader.ts';
import { resolveCabinet, type ResolvedCabinet } from '../solid/cabinet.ts';
import { starterWorkshop } from '../stock/catalogue.ts';
import type { CabinetSpec } from '../model/specs/cabinet-spec.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';
import type { RecordEntry } from '../model/record.ts';

/** The whole of it: four cabinets, what they hold, rails and all. */
export const furnishedRoom = (): ProjectFile => readProject(file);

/** Its two large cabinets alone, filled by what was guessed for each shelf, before anything was set out. */
export function printRoom(): ProjectFile {
  const { design, ...rest } = furnishedRoom();
  const { ink: inkCupboard, type: typeCase } = design.units;
  return { ...rest, design: { ...design, items: {}, wall: { ...design.wall, rails: {} }, units: { ink: inkCupboard!, type: typeCase! } } };
}

/** The plan of the print room after some edits. */
export function planWith(...edits: readonly EditStep[]): Plan {
  const { design, record, workshop } = printRoom();
  return plan(applyEdit(design, edits), record, workshop);
}

/** One unit of it: 'ink' or 'type'. */
export const cabinetWith = (id: 'ink' | 'type', ...edits: readonly EditStep[]): CabinetPlan => planWith(...edits).byId.get(id)!;

/** An edit of the ink cupboard, its lengths typed. */
export const ink = (path: string, value: unknown): EditStep => ({ path: ['units', 'ink', ...path.split('.')], value });
export const typed = (path: string, text: string): EditStep => ink(path, entered(text));

/** A box on its own on a plain wall with studs every 400 mm, for tests of shapes. */
export function aloneBox(spec: CabinetSpec, record: readonly RecordEntry[] = []): CabinetPlan {
  const { design } = printRoom();
  const alone: Design = { ...design, units: { [spec.id]: spec } };
  return plan(alone, record, starterWorkshop()).byId.get(spec.id)!;
}

export const boxOf = (more: Partial<NewShelfBox> = {}): ShelfBox =>
  newShelfBox({
    id: 'u1',
    name: 'Box',
    order: 1,
    unit: 'mm',
    width: entered('600 mm'),
    height: entered('700 mm'),
    depth: entered('300 mm'),
    stock: 'birch-18',
    backStock: 'birch-6',
    shelves: 2,
    contents: { preset: 'general', kg: null },
    place: { along: entered('900 mm'), up: entered('1300 mm') },
    ...more,
  });

/** The shelves of a cabinet that must be a shelf box. */
export function shelvesOf(spec: CabinetSpec): ShelfBox['shelves'] {
  if (spec.family !== 'shelf-box') throw new Error(`'${spec.id}' is no shelf box`);
  return spec.shelves;
}

/** The box's geometry alone, without its loads: for tests that try thousands. */
export const solidOf = (spec: CabinetSpec): ResolvedCabinet => resolveCabinet(buildCabinet(spec, stockReader([], starterWorkshop())));
