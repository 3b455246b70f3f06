/** Setups of every demo cabinet, replayed as wood taken from blanks, in every shop. */
import { describe, expect, test } from '@jest/globals';
import back from '../../../../examples/print-room-back.carcass.json' with { type: 'json' };
import { readProject } from '../formats/project-file.ts';
import { plan } from '../planner/plan.ts';
import { STARTER_SHOPS } from '../stock/shop.ts';
import { furnishedRoom } from '../test/print-room.ts';
import { replayFaults } from '../test/replay-check.ts';
import { STAGES } from './operations.ts';
import { compound } from './angles.ts';
import { orderFault } from './order.ts';
import { setupsOf } from './setups.ts';

const rooms = [furnishedRoom(), readProject(back)];
const cabinets = rooms.flatMap(({ design, record, workshop }) => plan(design, record, workshop).cabinets.map(({ cabinet, name }) => ({ name, cabinet })));
const shops = STARTER_SHOPS.map(({ id, make }) => [id, make()] as const);

describe.each(shops)('in the %s shop', (_id, shop) => {
  test.each(cabinets.map(({ name, cabinet }) => [name, cabinet] as const))('%s: every feature is cut once, where it was drawn', (_name, cabinet) => {
    const made = setupsOf([cabinet], shop);
    expect(made.unmade.map(({ id, work }) => [id, work.kind])).toEqual([]);
    expect(made.proved).toBe(true);
    expect(replayFaults(cabinet, shop)).toEqual([]);
  });

  test.each(cabinets.map(({ name, cabinet }) => [name, cabinet] as const))('%s: nothing that hurts is proposed', (_name, cabinet) => {
    const { setups, blanks } = setupsOf([cabinet], shop);
    for (const { setting, cuts } of setups)
      for (const { operation, way } of cuts) {
        const { length, width } = blanks.get(operation.panel)!;
        const saw = shop.machines[setting.machine]!.kind;
        if ((setting.held === 'fence' || setting.held === 'table') && way.against && setting.bit === undefined) {
          const crosswise = way.against === 'start' || way.against === 'end';
          const [onFence, across] = crosswise ? [width, length] : [length, width];
          // short-edge-on-fence: it racks and kicks back.
          expect(onFence).toBeGreaterThanOrEqual(Math.max(across, 200e6));
        }
        // too-small-to-hold: cut in a longer piece first.
        const least = saw === 'table-saw' ? 300e6 : saw === 'router-table' ? 150e6 : 0;
        if (Math.max(length, width) < least && setting.held !== 'wedge') expect(way.longer).toBe(true);
        if (setting.router) expect(setting.router.eachDown).toBeLessThanOrEqual(6e6);
      }
  });

  test.each(cabinets.map(({ name, cabinet }) => [name, cabinet] as const))('%s: in an order that keeps its references', (_name, cabinet) => {
    const { setups } = setupsOf([cabinet], shop);
    expect(
      orderFault(
        setups.map(({ id }) => id),
        setups,
      ),
    ).toBeNull();
    const stageOf = new Map<string, number>();
    for (const { stage, cuts } of setups)
      for (const { operation } of cuts) {
        const at = STAGES.indexOf(stage);
        expect(at).toBeGreaterThanOrEqual(stageOf.get(operation.panel) ?? 0);
        stageOf.set(operation.panel, at);
      }
  });
});

test('the ring whose walls lean is sawn at the compound angle: gauge and blade as for six walls that lean 4 degrees', () => {
  const ring = cabinets.find(({ cabinet }) => cabinet.id === 'ring')!.cabinet;
  const slanted = setupsOf([ring], STARTER_SHOPS[0]!.make()).setups.filter(({ stage, setting }) => stage === 'shapes' && setting.tilt);
  const { gaugeDeg, tiltDeg } = compound(6, 4);
  expect(slanted.length).toBeGreaterThan(0);
  for (const { setting } of slanted) {
    expect(setting.tilt!.deg).toBeCloseTo(tiltDeg, 4);
    expect(setting.gaugeDeg).toBeCloseTo(gaugeDeg, 4);
  }
});
