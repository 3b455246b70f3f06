/** What would help a hanging: stops taken away together, each help with the figures of the plan after it. */
import { describe, expect, test } from '@jest/globals';
import { fixWords } from '../checks/words/fixes.ts';
import { rulesOut } from '../checks/verdict.ts';
import { loadLimits } from '../hang/limits.ts';
import { mostUtilized } from '../hang/link.ts';
import { helpWords } from '../formats/verdict-summary.ts';
import { onWall } from '../test/check-case.ts';
import { ink, printRoom, typed } from '../test/print-room.ts';
import { applyEdit, type Edit } from '../model/edit.ts';
import { hangHelps } from './hang-helps.ts';
import { createPlanner } from '../planner/plan.ts';

const room = printRoom();
const helped = (...edits: Edit) => {
  const planner = createPlanner();
  const tried = { ...room, planner, design: applyEdit(room.design, edits) };
  return {
    tried,
    helps: hangHelps(tried, 'ink'),
    after: (edit: Edit) => planner.plan(applyEdit(tried.design, edit), room.record, room.workshop).byId.get('ink')!,
  };
};
const holding = (bottom: number, s1: number, s2: number) =>
  ink('contents', { bottom: { preset: 'tools', kg: bottom }, s1: { preset: 'tools', kg: s1 }, s2: { preset: 'tools', kg: s2 } });

describe('each help', () => {
  test.each<[string, Edit]>([
    ['over a bed, nothing locked', [ink('over', 'bed'), ink('hanging.antiLift', false), holding(20, 10, 8)]],
    ['heavier than it carries', [holding(40, 30, 10)]],
    ['no spacer, and a cleat beside the center', [ink('hanging.spacer', null), typed('hanging.rightInset', '400 mm')]],
    ['plugs nobody rated', [onWall('structure', 'hollow-block'), typed('hanging.wallScrew.length', '90 mm')]],
  ])('%s: its figures are those of the plan after it', (_name, edits) => {
    const { helps, after } = helped(...edits);
    expect(helps.length).toBeGreaterThan(0);
    for (const { fix, state, carriesKg, weakest } of helps) {
      const { hang, hangInput } = after(fix.edit);
      expect([state, weakest]).toEqual([hang.state, mostUtilized(hang.links)]);
      expect(carriesKg).toBe(hang.state === 'refused' ? null : loadLimits(hangInput).carriesKg);
    }
  });

  test('over a bed: locked and strengthened at once, so that nothing rules it out any more', () => {
    const { helps, after } = helped(ink('over', 'bed'), ink('hanging.antiLift', false), holding(20, 10, 8));
    expect(fixWords(helps[0]!.fix.label, 'mm')).toMatch(/^Add a screw against lifting off; /);
    expect(after(helps[0]!.fix.edit).findings.filter(rulesOut)).toEqual([]);
    expect(helpWords(helps[0]!, 'mm')).toMatch(/: (OK|Close to limit), carries \d+ kg \(\d+ lb\)$/);
  });

  test('on masonry: places closer to one another, and a larger plug where the table counts', () => {
    const { helps } = helped(onWall('structure', 'hollow-block'), onWall('fixing.plug', '6mm'), typed('hanging.wallScrew.length', '90 mm'));
    const words = helps.map(({ fix }) => fixWords(fix.label, 'mm')).join(' / ');
    expect(words).toMatch(/Fix it at least every \d+ mm/);
    expect(words).toMatch(/Use 8 mm plugs/);
  });

  test('nothing where it is OK, and nothing of a cabinet that is not there', () => {
    const { tried, helps } = helped(holding(5, 0, 0));
    expect(helps).toEqual([]);
    expect(hangHelps(tried, 'gone')).toEqual([]);
  });
});
