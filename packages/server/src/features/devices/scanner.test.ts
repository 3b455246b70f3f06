/** The scanner's adapter on its stand-in: a scan as it streams, faults, bad questions, and no scanner at all. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { AddressInfo, Server } from 'node:net';
import { connect } from 'node:net';
import { peaksOf, type Length } from '@keen/core';
import { startScannerStandIn } from '../../devices/stud-scanner/stand-in.ts';
import { testApp, type TestApp } from '../../test/app.ts';
import { deviceEvents } from '../../test/device-events.ts';

let standIn: Server;
let app: TestApp;
let without: TestApp;
beforeAll(async () => {
  standIn = await startScannerStandIn(0);
  app = await testApp({ scannerPort: (standIn.address() as AddressInfo).port });
  without = await testApp();
});
afterAll(async () => {
  await app.close();
  await without.close();
  standIn.close();
});

interface Event {
  readonly type: string;
  readonly at?: number;
  readonly level?: number;
  readonly why?: string;
}
const scan = (query: string): Promise<Event[]> => deviceEvents(app, `scanner/scan?${query}`);
const samplesOf = (events: readonly Event[]) => events.filter(({ type }) => type === 'sample');

test('a scanner that is on says who it is', async () => {
  const { body } = await app.api.get('/api/devices/scanner').expect(200);
  expect(body).toEqual({ name: 'stud scanner, stand-in', battery: expect.any(Number) });
});

describe('a scan', () => {
  test('comes sample by sample, from end to end, and then ends', async () => {
    const events = await scan('from=0&to=1000&up=1500&speed=20000');
    expect(events.at(-1)).toEqual({ type: 'end' });
    expect(samplesOf(events).map(({ at }) => at)).toEqual(Array.from({ length: 201 }, (_, n) => n * 5));
  });
  test('shows the studs of the made-up wall, and its noise is another each time', async () => {
    const first = samplesOf(await scan('from=0&to=1200&up=1500&speed=20000'));
    const peaks = peaksOf(first.map(({ at, level }) => ({ along: (at! * 1e6) as Length, level: level! })));
    expect(peaks.map(({ along }) => Math.round(along / 5e6) * 5)).toEqual([225, 630, 1040]);
    expect(samplesOf(await scan('from=0&to=1200&up=1500&speed=20000'))).not.toEqual(first);
  });
  test.each([
    ['drop', 'dropped'],
    ['silent', 'silent'],
  ] as const)('that is lost (%s) says so after everything that came before', async (how, why) => {
    await app.api.post('/api/devices/scanner/fault').send({ how, at: 300 }).expect(204);
    const events = await scan('from=0&to=1000&up=1500&speed=20000');
    expect(samplesOf(events).map(({ at }) => at)).toEqual(Array.from({ length: 60 }, (_, n) => n * 5));
    expect(events.at(-1)).toEqual({ type: 'lost', why });
    // The fault was for once: the rest can be scanned on.
    expect((await scan('from=300&to=1000&up=1500&speed=20000')).at(-1)).toEqual({ type: 'end' });
  });
});

test.each([
  ['from=0&to=wide&up=1500', 'to'],
  ['from=0&to=1000&up=-4', 'up'],
  ['from=0&up=1500', 'to'],
  ['from=0&to=1000&up=1500&speed=1', 'speed'],
  ['from=0&to=1000&up=1500&deep=1', 'deep'],
])('a scan of nonsense (%s) is refused where it is wrong', async (query, where) => {
  const { body } = await app.api.get(`/api/devices/scanner/scan?${query}`).expect(400);
  expect(body.where).toContain(where);
});

test('without a scanner the answer says so, and what else can be done', async () => {
  const { body } = await without.api.get('/api/devices/scanner/scan?from=0&to=100&up=1500').expect(503);
  expect(body).toMatchObject({ code: 'scanner-away', accepted: expect.stringContaining('type the studs in') });
});

test('the stand-in answers nonsense on its own line and goes on', async () => {
  const socket = connect((standIn.address() as AddressInfo).port, '127.0.0.1');
  const said = await new Promise<string>((resolve) => {
    let all = '';
    socket.on('data', (chunk) => {
      all += chunk.toString();
      if (all.split('\n').length > 4) resolve(all);
    });
    socket.write('not json\n{"cmd":"dance"}\n{"cmd":"scan","from":0,"to":1e9}\n');
  });
  socket.destroy();
  expect(said.match(/"type":"error"/g)).toHaveLength(3);
});
