/** The scale's adapter on its stand-in: what swings until it stands, faults, bad questions, and no scale at all. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { AddressInfo, Server } from 'node:net';
import { startScaleStandIn } from '../../devices/scale/stand-in.ts';
import { testApp, type TestApp } from '../../test/app.ts';
import { deviceEvents } from '../../test/device-events.ts';

let standIn: Server;
let app: TestApp;
let without: TestApp;
beforeAll(async () => {
  standIn = await startScaleStandIn(0);
  app = await testApp({ scalePort: (standIn.address() as AddressInfo).port });
  without = await testApp();
});
afterAll(async () => {
  await app.close();
  await without.close();
  standIn.close();
});

interface Event {
  readonly type: string;
  readonly kg?: number;
  readonly steady?: boolean;
}
const weigh = (about: string): Promise<Event[]> => deviceEvents(app, `scale/weighing?about=${about}`);
const fault = (how: string, after: number) => app.api.post('/api/devices/scale/fault').send({ how, after });

test('a scale that is on says who it is', async () => {
  expect((await app.api.get('/api/devices/scale').expect(200)).body).toEqual({ name: 'scale, stand-in', battery: expect.any(Number) });
});

describe('what lies on it', () => {
  test('swings, then stands; only the last reading is steady', async () => {
    const events = await weigh('1.2');
    const weights = events.filter(({ type }) => type === 'weight');
    expect(weights.length).toBeGreaterThan(3);
    expect(weights.map(({ steady }) => steady)).toEqual([...weights.slice(1).map(() => false), true]);
    expect(Math.abs(weights.at(-1)!.kg! - 1.2)).toBeLessThan(1.2 * 0.13);
    expect(events.at(-1)).toEqual({ type: 'end' });
  });

  test('over what it bears is told, and no weight given', async () => {
    const events = await weigh('60');
    expect(events.map(({ type }) => type).filter((type) => type !== 'battery-low')).toEqual(['overload', 'end']);
  });

  test.each([
    ['drop', { type: 'lost', why: 'dropped' }],
    ['silent', { type: 'lost', why: 'silent' }],
  ])('a scale that is lost (%s) says so', async (how, last) => {
    await fault(how, 2).expect(204);
    const events = await weigh('2');
    expect(events.at(-1)).toEqual(last);
    expect(events.some(({ steady }) => steady)).toBe(false);
  });

  test('a garbled line and a weight below nothing are told as such, and the weighing goes on', async () => {
    await fault('nonsense', 1).expect(204);
    const events = await weigh('2');
    expect(events.filter(({ type }) => type === 'garbled')).toHaveLength(2);
    expect(events.filter(({ steady }) => steady)).toHaveLength(1);
  });

  test('one that never stands ends without a steady weight', async () => {
    await fault('unsteady', 1).expect(204);
    const events = await weigh('2');
    expect(events.some(({ steady }) => steady)).toBe(false);
    expect(events.at(-1)).toEqual({ type: 'end' });
  });
});

test.each(['about=0', 'about=heavy', '', 'about=2&colour=red'])('a question of nonsense (%s) is refused', (query) =>
  app.api.get(`/api/devices/scale/weighing?${query}`).expect(400),
);

test('without a scale the answer says what else can be done', async () => {
  const { body } = await without.api.get('/api/devices/scale/weighing?about=1').expect(503);
  expect(body).toMatchObject({ code: 'scale-away', accepted: expect.stringContaining('type the weight in') });
});
