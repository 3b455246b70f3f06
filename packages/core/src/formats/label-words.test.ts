import { expect, test } from '@jest/globals';
import { plan } from '../planner/plan.ts';
import { printRoom } from '../test/print-room.ts';
import { partLabels } from './label-words.ts';

const { design, record, workshop } = printRoom();
const { parts } = plan(design, record, workshop);
const labels = partLabels(parts, workshop, (id) => ({ name: design.units[id]?.name ?? 'rail', unit: design.units[id]?.unit ?? 'mm' }));

test('every part that is sawn has one label, a cleat blank one for both its halves', () => {
  const wanted = parts.reduce((sum, line) => sum + (line.role === 'cleat-blank' ? 1 : line.panels.length), 0);
  expect(labels).toHaveLength(wanted);
  expect(new Set(labels.map(({ panel }) => panel)).size).toBe(wanted);
});

test('it says mark, size, stock, grain, and what comes next', () => {
  const side = labels.find(({ panel }) => panel === 'ink/side/left')!;
  expect(side).toMatchObject({ mark: 'A1', name: 'left side, Ink cupboard', size: '820 × 280 mm', stock: 'Birch plywood 18 mm', grain: 'along' });
  expect(side.next).toMatch(/^cut its \d+ slots$/);
  expect(labels.find(({ next }) => next === 'rip at the bevel into its two halves')).toBeDefined();
  // Between two parts that are alike stand different names.
  const [one, other] = labels.filter(({ mark }) => mark === 'A4');
  expect(one!.name).not.toBe(other!.name);
});

test('a part in inches is read in inches', () => {
  const type = labels.find(({ name }) => name.includes('Type'))!;
  expect(type.size).toMatch(/ in$/);
});
