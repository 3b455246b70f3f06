import { expect, test } from '@jest/globals';
import { testApp } from '../test/app.ts';

test('without --demo no simulated device has a switch for faults', async () => {
  const app = await testApp({ faultSwitches: false });
  for (const device of ['devices/caliper', 'devices/scale', 'devices/scanner', 'labels/printer', 'merchant']) {
    const { status } = await app.api.post(`/api/${device}/fault`).send({ how: 'drop', after: 1 });
    expect([device, status]).toEqual([device, 404]);
  }
  await app.close();
});
