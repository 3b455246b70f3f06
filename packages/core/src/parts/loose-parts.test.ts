import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { entered } from '../length/entered.ts';
import { mm, toMm } from '../length/length.ts';
import { designCodec } from '../formats/design-codec.ts';
import { readProjectFile, writeProjectText, type ProjectFile } from '../formats/project-file.ts';
import { auditPlan } from '../nesting/audit.ts';
import { search } from '../nesting/search.ts';
import { lineOfPiece, sheetJobs } from '../sheets/cutting.ts';
import { plan } from '../planner/plan.ts';
import { labelWords } from '../checks/words/labels.ts';
import { keptCorners } from './loose-parts.ts';
import { pieceDrawing } from './piece-drawing.ts';
import type { LoosePart } from '../model/loose-part.ts';

const read = readProjectFile(readFileSync(new URL('../../../../examples/ink-cupboard.carcass.json', import.meta.url), 'utf8'));
if (!read.ok) throw new Error(read.problem.message);
const room = read.value;

const part = (id: string, more: Partial<LoosePart> = {}): LoosePart => ({
  id,
  order: 1,
  name: 'Tray bottom',
  stock: 'birch-18',
  count: 1,
  length: entered('400 mm'),
  width: entered('250 mm'),
  grain: 'length',
  outline: [],
  ...more,
});
const withLoose = (...parts: LoosePart[]): ProjectFile => ({
  ...room,
  design: { ...room.design, loose: Object.fromEntries(parts.map((each) => [each.id, each])) },
});
const planned = ({ design, record, workshop }: ProjectFile) => plan(design, record, workshop);
const D = keptCorners([
  { x: 0, y: 0, bulge: 0 },
  { x: 300, y: 0, bulge: 1 },
  { x: 300, y: 200, bulge: 0 },
  { x: 0, y: 200, bulge: 0 },
]);

describe('parts without a cabinet', () => {
  test('stand in the cut list with the measured thickness of their sheet, marks and ids of their own', () => {
    const made = planned(withLoose(part('tray', { count: 3 }), part('lid', { order: 0, name: 'Lid', length: entered('16 in') })));
    const loose = made.parts.filter(({ unit }) => unit === 'loose');
    const sheet = made.parts.find(({ stock }) => stock === 'birch-18')!;
    expect(loose.map(({ mark, names, count, panels }) => [mark, labelWords(names[0]!), count, panels])).toEqual([
      ['P.1', 'Lid', 1, ['loose/lid']],
      ['P.2', 'Tray bottom', 3, ['loose/tray', 'loose/tray/2', 'loose/tray/3']],
    ]);
    expect(loose.every(({ thickness }) => thickness === sheet.thickness)).toBe(true);
    expect(loose[0]!.length.terms[0]!.source).toEqual({ kind: 'entered', path: ['loose', 'lid', 'length'] });
  });

  test('are laid out with the parts of the cabinets', () => {
    const file = withLoose(part('tray', { count: 3 }));
    const made = planned(file);
    const job = sheetJobs(made.parts, file.workshop).find(({ product }) => product === 'birch-18')!;
    const stepper = search(job.problem, 1);
    stepper.step(5);
    const laid = stepper.plan();
    expect(auditPlan(job.problem, laid)).toEqual([]);
    const placed = laid.sheets.flatMap(({ placements }) => placements.map((each) => each.part)).filter((id) => id.startsWith('loose/'));
    expect(placed.sort()).toEqual(['loose/tray', 'loose/tray/2', 'loose/tray/3']);
    for (const id of placed) expect(lineOfPiece(made.parts, id)!.mark).toBe('P.1');
  });

  test('an outline is drawn as it is, and the cabinets are what they were', () => {
    const made = planned(withLoose(part('disc', { length: entered('400 mm'), width: entered('200 mm'), outline: D })));
    const line = made.parts.find(({ unit }) => unit === 'loose')!;
    expect(pieceDrawing(line, null)).toMatchObject({ lengthMm: 400, widthMm: 200, outline: [{ x: 0 }, { x: 300, bulge: 1 }, { y: 200 }, { x: 0 }] });
    expect(made.parts.filter(({ unit }) => unit !== 'loose').map(({ mark, length }) => [mark, toMm(length.value)])).toEqual(
      planned(room).parts.map(({ mark, length }) => [mark, toMm(length.value)]),
    );
  });

  test('come back out of a file as they were', () => {
    const file = withLoose(part('disc', { width: entered('200 mm'), outline: D }), part('lid'));
    const again = readProjectFile(writeProjectText(file));
    expect(again.ok && again.value.design.loose).toEqual(file.design.loose);
  });

  test.each<[string, Partial<LoosePart>, string]>([
    ['of no product', { stock: 'birch-99' }, 'design.loose.tray.stock'],
    ['of a corner off its blank', { outline: [...D.slice(0, 3), { x: mm(401), y: mm(0), bulge: 0 }] }, 'design.loose.tray.outline'],
    ['of one corner', { outline: D.slice(0, 1) }, 'design.loose.tray.outline'],
    ['of too many', { count: 1000 }, 'design.loose.tray.count'],
  ])('a part %s is refused where it is wrong', (_, more, where) => {
    const file = withLoose(part('tray', { width: entered('200 mm'), ...more }));
    const text = JSON.stringify({ ...(JSON.parse(writeProjectText(room)) as object), design: designCodec.write(file.design) });
    const again = readProjectFile(text);
    expect(!again.ok && again.problem.where).toContain(where);
  });
});
