/** Half laps, worked by hand on a face frame: 40 mm stiles, 38 mm rails, 18 mm stock. */
import { describe, expect, test } from '@jest/globals';
import { jointGroups } from '../joints/joint-groups.ts';
import { entered } from '../length/entered.ts';
import { toMm, type Length } from '../length/length.ts';
import { setupsOf } from '../setups/setups.ts';
import { defaultShop } from '../stock/shop.ts';
import { lapFaults, clashes } from '../test/audit.ts';
import { replayFaults } from '../test/replay-check.ts';
import { aloneBox, boxOf } from '../test/print-room.ts';
import { sectionOfJoint } from './joint-section.ts';
import type { ShelfBox } from '../model/specs/shelf-box.ts';

const frame = (joined: 'pockets' | 'half-laps'): ShelfBox => ({
  ...boxOf(),
  faceFrame: { stock: 'birch-18', stile: entered('40 mm'), rail: entered('38 mm'), overhang: entered('3 mm'), inside: 'proud', joined },
});
const of = (joined: 'pockets' | 'half-laps') => aloneBox(frame(joined)).cabinet;
const mm = (nm: number): number => toMm(nm as Length);

describe('a face frame joined by half laps', () => {
  const cabinet = of('half-laps');
  const rail = cabinet.byId.get('u1/frame/rail-top')!;
  const stile = cabinet.byId.get('u1/frame/stile-left')!;

  test('its rails run on over both stiles, and say so', () => {
    // 600 + 2 × 3 overhang; between the stiles 526, and 40 over each.
    expect(mm(rail.length.value)).toBe(606);
    expect(rail.length.terms.at(-1)).toMatchObject({ label: { key: 'over-the-lap' }, times: 2, value: 40e6 });
    expect(mm(of('pockets').byId.get('u1/frame/rail-top')!.length.value)).toBe(526);
    expect(stile.length.value).toBe(of('pockets').byId.get('u1/frame/stile-left')!.length.value);
  });

  test('each gives up half its thickness, as wide as the other, on faces turned to one another', () => {
    expect(rail.slots.map(({ near, far, depth }) => [mm(near), mm(far), mm(depth)])).toEqual([
      [-40, 0, 9],
      [526, 566, 9],
    ]);
    expect(stile.slots.map(({ near, far, depth }) => mm(far - near) === 38 && mm(depth) === 9)).toEqual([true, true]);
    const outward = (panel: typeof rail): number => panel.frame.w.out * (panel.slots[0]!.face === 'reference' ? -1 : 1);
    expect(outward(rail) + outward(stile)).toBe(0);
    expect(lapFaults(cabinet)).toEqual([]);
    expect(clashes(cabinet)).toEqual([]);
  });

  test('it is one kind of joint, drawn in section, and the shop can cut it', () => {
    const laps = jointGroups(cabinet).filter(({ kind }) => kind === 'half-lap');
    expect(laps.flatMap(({ connections }) => connections)).toHaveLength(4);
    expect(laps[0]!.slot).toMatchObject({ depth: 9e6, left: 9e6 });
    const section = sectionOfJoint(cabinet, laps[0]!.connections[0]!)!;
    expect(section.host.length).toBeGreaterThan(0);
    expect(section.guest.length).toBeGreaterThan(0);
    const { unmade, setups } = setupsOf([cabinet], defaultShop());
    expect(unmade).toEqual([]);
    expect(setups.flatMap(({ cuts }) => cuts).filter(({ operation }) => operation.panel === rail.id)).toHaveLength(2);
    expect(replayFaults(cabinet, defaultShop())).toEqual([]);
  });
});
