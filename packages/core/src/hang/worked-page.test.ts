/** The worked example of docs/hanging.md is the plan's: every use it lists, and the figures on the way to them. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { labelWords } from '../checks/words/labels.ts';
import { plan } from '../planner/plan.ts';
import { furnishedRoom } from '../test/print-room.ts';

const PAGE = readFileSync(new URL('../../../../docs/hanging.md', import.meta.url), 'utf8');
const worked = PAGE.slice(PAGE.indexOf('## Worked'), PAGE.indexOf('## Constants'));
const { design, record, workshop } = furnishedRoom();
const ink = plan(design, record, workshop).byId.get('ink')!;
const { hang } = ink;

test('the links stand there in their order, with their use', () => {
  const rows = [...worked.matchAll(/^\| (.+?) +\| (\d+) % *\|$/gm)].map(([, name, use]) => [name, Number(use)]);
  expect(rows.length).toBeGreaterThan(5);
  expect(rows).toEqual(hang.links.slice(0, rows.length).map(({ name, use }) => [labelWords(name), Math.round(100 * use.value)]));
});

test.each<[string, number]>([
  ['W = (\\d+) N\\*\\*, e', hang.weight.value],
  ['e = ([\\d.]+) mm', hang.forces.e],
  ['holds ([\\d.]+) kg', hang.plannedKg],
  ['weighs ([\\d.]+) kg', ink.weights.empty.mass.value],
  ['tip ratio ([\\d.]+);', hang.forces.hook!.tip.value],
  ['= \\*\\*(\\d+) N\\*\\*\\.\\n3', hang.forces.spacerPush.value],
  ['405 = \\*\\*(\\d+) N', hang.studs[0]!.share.value],
  ['= \\*\\*(\\d+) N\\*\\* on each upper', hang.studs[0]!.tension.value],
  ['may carry (\\d+) N', hang.studs[0]!.lateral.value],
  ['holds (\\d+) N pulled', hang.studs[0]!.pull.value],
  ['straight sum would be ([\\d.]+)\\.', hang.studs[0]!.otherRules.straight],
])('%s', (pattern, value) => {
  const found = new RegExp(pattern).exec(worked)![1]!;
  const digits = found.split('.')[1]?.length ?? 0;
  expect(Number(found)).toBeCloseTo(Number(value.toFixed(digits)), 9);
});
