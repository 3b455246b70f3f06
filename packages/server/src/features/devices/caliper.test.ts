/** The caliper's adapter on its stand-in: readings as they stream, faults, bad questions, and no caliper at all. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { AddressInfo, Server } from 'node:net';
import { connect } from 'node:net';
import { startCaliperStandIn } from '../../devices/caliper/stand-in.ts';
import { testApp, type TestApp } from '../../test/app.ts';
import { deviceEvents } from '../../test/device-events.ts';

let standIn: Server;
let app: TestApp;
let without: TestApp;
beforeAll(async () => {
  standIn = await startCaliperStandIn(0);
  app = await testApp({ caliperPort: (standIn.address() as AddressInfo).port });
  without = await testApp();
});
afterAll(async () => {
  await app.close();
  await without.close();
  standIn.close();
});

interface Event {
  readonly type: string;
  readonly mm?: number;
  readonly why?: string;
}
const measure = (query: string): Promise<Event[]> => deviceEvents(app, `caliper/readings?${query}`);
const readingsOf = (events: readonly Event[]): number[] => events.flatMap(({ type, mm }) => (type === 'reading' ? [mm!] : []));

test('a caliper that is on says who it is', async () => {
  const { body } = await app.api.get('/api/devices/caliper').expect(200);
  expect(body).toEqual({ name: 'digital caliper, stand-in', battery: expect.any(Number) });
});

describe('a sheet that is measured', () => {
  test('comes place by place, a little under its name and not twice the same', async () => {
    const events = await measure('nominal=18&places=6');
    expect(events.at(-1)).toEqual({ type: 'end' });
    const readings = readingsOf(events);
    expect(readings).toHaveLength(6);
    for (const mm of readings) expect(Math.abs(mm - 18 * 0.988)).toBeLessThan(0.08);
    expect(new Set(readings).size).toBeGreaterThan(1);
    expect(readingsOf(await measure('nominal=18&places=6'))).not.toEqual(readings);
  });
  test('in five places when nobody says how many', async () => expect(readingsOf(await measure('nominal=6'))).toHaveLength(5));
  test.each([
    ['drop', 'dropped'],
    ['silent', 'silent'],
  ] as const)('that is lost (%s) says so after every reading that came before', async (how, why) => {
    await app.api.post('/api/devices/caliper/fault').send({ how, after: 3 }).expect(204);
    const events = await measure('nominal=18&places=5');
    expect(readingsOf(events)).toHaveLength(3);
    expect(events.at(-1)).toEqual({ type: 'lost', why });
    // The fault was for once.
    expect((await measure('nominal=18&places=2')).at(-1)).toEqual({ type: 'end' });
  });
  test('goes on after a garbled line and a reading of no sheet, and tells of both', async () => {
    await app.api.post('/api/devices/caliper/fault').send({ how: 'nonsense', after: 2 }).expect(204);
    const events = await measure('nominal=18&places=4');
    expect(events.filter(({ type }) => type === 'garbled')).toHaveLength(1);
    expect(readingsOf(events).filter((mm) => mm === 0)).toHaveLength(1);
    expect(readingsOf(events).filter((mm) => mm > 17)).toHaveLength(4);
    expect(events.at(-1)).toEqual({ type: 'end' });
  });
});

test.each([
  ['nominal=0', 'nominal'],
  ['nominal=18&places=0', 'places'],
  ['nominal=18&places=1.5', 'places'],
  ['places=3', 'nominal'],
  ['nominal=18&deep=1', 'deep'],
])('a question of nonsense (%s) is refused where it is wrong', async (query, where) => {
  const { body } = await app.api.get(`/api/devices/caliper/readings?${query}`).expect(400);
  expect(body.where).toContain(where);
});

test('without a caliper the answer says so, and what else can be done', async () => {
  const { body } = await without.api.get('/api/devices/caliper/readings?nominal=18').expect(503);
  expect(body).toMatchObject({ code: 'caliper-away', accepted: expect.stringContaining('type the readings in') });
});

test('the stand-in answers nonsense on its own line and goes on', async () => {
  const socket = connect((standIn.address() as AddressInfo).port, '127.0.0.1');
  const said = await new Promise<string>((resolve) => {
    let all = '';
    socket.on('data', (chunk) => {
      all += chunk.toString();
      if (all.split('\n').length > 4) resolve(all);
    });
    socket.write('not json\n{"cmd":"dance"}\n{"cmd":"measure","nominal":18,"places":9000}\n');
  });
  socket.destroy();
  expect(said.match(/"type":"error"/g)).toHaveLength(3);
});
