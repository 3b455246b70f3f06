/** The sums behind what is set: each makes the number that is set. */
import { expect, test } from '@jest/globals';
import back from '../../../../examples/print-room-back.carcass.json' with { type: 'json' };
import { readProject } from '../formats/project-file.ts';
import { plan } from '../planner/plan.ts';
import { handHeldShop, defaultShop } from '../stock/shop.ts';
import { furnishedRoom } from '../test/print-room.ts';
import { entered } from '../length/entered.ts';
import { calibrationFrom, scaleOf } from './calibration.ts';
import { edgeOffset } from './router.ts';
import { distanceSum, scaleSum, stackSum, straightEdgeSum } from './setup-sums.ts';
import { setupsOf } from './setups.ts';

const cabinets = [furnishedRoom(), readProject(back)].flatMap(({ design, record, workshop }) =>
  plan(design, record, workshop).cabinets.map(({ cabinet }) => cabinet),
);

test.each([
  ['usual', defaultShop()],
  ['hand-held', handHeldShop()],
])('in the %s shop every sum makes its number', (_name, shop) => {
  const { setups, blanks } = setupsOf(cabinets, shop);
  let sums = 0;
  for (const { setting, cuts } of setups)
    for (const cut of cuts) {
      const distance = distanceSum(cut, blanks.get(cut.operation.panel)!);
      if (distance) {
        sums++;
        expect(distance.value).toBe(setting.distance);
      }
      if (setting.stack) expect(stackSum(setting.stack, shop.stack!).value).toBe(setting.stack.cuts);
      const edge = straightEdgeSum(setting, shop.machines[setting.machine]!, distance);
      if (edge) expect(edge.value).toBe(setting.distance! - edgeOffset(shop.machines[setting.machine]!, setting.router!.cuts));
    }
  expect(sums).toBeGreaterThan(20);
});

test('a scale that comes out 0.3 over is set 0.3 under, and the sum says so', () => {
  const { setups } = setupsOf(cabinets, defaultShop());
  const { setting } = setups.find((setup) => setup.setting.distance)!;
  const learned = calibrationFrom([{ of: 'place', cutter: scaleOf(setting), thick: entered('100 mm'), came: entered('100.3 mm') }]);
  expect(scaleSum(setting, learned, null)!.value).toBe(setting.distance! - 300_000);
  expect(scaleSum(setting, calibrationFrom([]), null)).toBeNull();
});
