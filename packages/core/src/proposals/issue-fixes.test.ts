/** No fix is offered that does not settle what it is offered for. */
import { describe, expect, test } from '@jest/globals';
import { designCodec } from '../formats/design-codec.ts';
import { entered } from '../length/entered.ts';
import { fixWords } from '../checks/words/fixes.ts';
import { newSpec } from '../test/family-units.ts';
import { randomProject } from '../test/random-project.ts';
import { printRoom } from '../test/print-room.ts';
import { applyEdit, type Edit } from '../model/edit.ts';
import { createPlanner, plan } from '../planner/plan.ts';
import { addCabinet } from './propose-box.ts';
import { issueFixes } from './issue-fixes.ts';

const RANK = { look: 0, change: 1, stop: 2 } as const;
const room = printRoom();
const offered = (edit: Edit, check: string) => {
  const design = applyEdit(room.design, edit);
  const planner = createPlanner();
  const finding = planner.plan(design, room.record, room.workshop).findings.find((each) => each.check === check && each.unit === 'ink')!;
  return { design, finding, fixes: [...issueFixes({ planner, ...room, design }, finding)].flatMap((fix) => fix ?? []) };
};
const at = (path: string, value: unknown): Edit[number] => ({ path: ['units', 'ink', ...path.split('.')], value });

describe('of the fixes of a finding', () => {
  test('those that settle it are offered, those that do not are left out', () => {
    const { finding, fixes } = offered([at('hanging.wallScrew.length', entered('50 mm'))], 'screw-too-short');
    expect(finding.fixes.length).toBeGreaterThan(0);
    expect(fixes.map(({ label }) => label.key)).toContain('use-screw-length');
    const { fixes: useless } = offered([at('depth', entered('420 mm')), at('hanging.wallScrew.upper', 1)], 'children');
    for (const fix of useless) expect(fix.label.key).not.toBe('larger-screw');
  });

  test('where one is not enough, those that strengthen are put together', () => {
    const { design, fixes } = offered([at('contents.s1', { preset: 'tools', kg: 60 })], 'over-load');
    expect(fixes.length).toBeGreaterThan(0);
    for (const fix of fixes) {
      if (!('edit' in fix)) continue;
      const after = plan(applyEdit(design, fix.edit), room.record, room.workshop);
      expect(after.findings.filter(({ check, unit }) => check === 'over-load' && unit === 'ink')).toEqual([]);
      expect(fixWords(fix.label, 'mm')).not.toBe('');
    }
  });
});

test('a drawer heavier than its slides are rated for is offered slides that carry it', () => {
  const empty = { ...room.design, units: {} };
  const planner = createPlanner();
  const { edit } = addCabinet({ planner, ...room, design: empty }, newSpec('drawer-unit', 'mm'));
  const design = applyEdit(empty, [...edit, { path: ['units', 'u1', 'contents'], value: { d3: { preset: 'tools', kg: 32 } } }]);
  const finding = planner.plan(design, room.record, room.workshop).findings.find(({ check }) => check === 'over-load')!;
  const fixes = [...issueFixes({ planner, ...room, design }, finding)].flatMap((fix) => fix ?? []);
  const words = fixes.map(({ label }) => fixWords(label, 'mm'));
  expect(words.some((each) => /Use slides rated for (35|45) kg a pair/i.test(each))).toBe(true);
});

test('every fix that is offered settles its finding, brings nothing graver, and can be saved', () => {
  let tried = 0;
  for (let seed = 1; seed <= 40; seed++) {
    const project = randomProject(seed, { changed: 0.06 });
    const planner = createPlanner();
    const before = planner.plan(project.design, project.record, project.workshop);
    for (const finding of before.findings)
      for (const fix of issueFixes({ planner, ...project }, finding)) {
        if (!fix || !('edit' in fix)) continue;
        tried++;
        const design = applyEdit(project.design, fix.edit);
        expect(designCodec.read(designCodec.write(design), 'design')).toEqual(design);
        const after = plan(design, project.record, project.workshop);
        const what = [seed, finding.check, fix.label.key];
        const graver = (findings: typeof after.findings): string[] =>
          findings
            .filter(({ severity, fixes }) => RANK[severity] > RANK[finding.severity] && !(fixes.length > 0 && fixes.every((each) => 'visit' in each)))
            .map(({ check }) => check);
        expect([what, graver(after.findings).filter((check) => !graver(before.findings).includes(check))]).toEqual([what, []]);
        const countOf = (findings: typeof after.findings): number => findings.filter(({ check }) => check === finding.check).length;
        const same = after.findings.filter(
          (each) =>
            each.check === finding.check &&
            each.severity === finding.severity &&
            each.panels.join() === finding.panels.join() &&
            (each.check !== 'overhang' || finding.check !== 'overhang' || each.side === finding.side),
        );
        const isLess = same.length === 0;
        expect([what, isLess || countOf(after.findings) < countOf(before.findings)]).toEqual([what, true]);
      }
  }
  expect(tried).toBeGreaterThan(40);
}, 60_000);
