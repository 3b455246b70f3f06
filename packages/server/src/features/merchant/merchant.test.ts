/** The merchant's adapter on its stand-in: prices, stock, and what is told when it is slow, down, dearer, out of stock or talks nonsense. */
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { startMerchantStandIn } from '../../devices/merchant/stand-in.ts';
import { testApp, type TestApp } from '../../test/app.ts';

type Row = Record<string, any>;
let standIn: Server;
let app: TestApp;
beforeAll(async () => {
  standIn = await startMerchantStandIn(0);
  app = await testApp({ merchantPort: (standIn.address() as AddressInfo).port });
});
afterAll(async () => {
  await app.close();
  standIn.close();
});

const catalogue = async (): Promise<Row> => (await app.api.get('/api/merchant/catalogue').expect(200)).body as Row;
const fault = (how: string) => app.api.post('/api/merchant/fault').send({ how });
const first = ({ offers }: Row): Row => offers[0] as Row;

test('what it sells is told with its price, stock and lead time, and from when it is', async () => {
  const heard = await catalogue();
  expect(heard).toMatchObject({ merchant: 'sheet merchant, stand-in', why: null });
  expect(first(heard)).toEqual({
    id: 'M101',
    material: 'birch-plywood',
    nominal: '18 mm',
    length: '2440 mm',
    width: '1220 mm',
    price: 76.5,
    inStock: 24,
    leadDays: 1,
  });
  expect(Date.now() - Date.parse(heard['heardAt'] as string)).toBeLessThan(10_000);
});

test('down or slow: what it said last, from when, and why it is not from now', async () => {
  const before = await catalogue();
  await fault('down').expect(204);
  expect(await catalogue()).toEqual({ ...before, why: 'the merchant answers 503' });
  await fault('slow').expect(204);
  const began = Date.now();
  expect(await catalogue()).toEqual({ ...before, why: 'the merchant takes too long to answer' });
  expect(Date.now() - began).toBeLessThan(4000);
  await fault('fine').expect(204);
  expect((await catalogue())['why']).toBeNull();
});

test('a changed price and an empty store are told as they are now', async () => {
  await fault('price').expect(204);
  expect(first(await catalogue())['price']).toBe(85.68);
  await fault('out').expect(204);
  expect(first(await catalogue())).toMatchObject({ price: 85.68, inStock: 0 });
  await fault('fine').expect(204);
  expect(first(await catalogue())).toMatchObject({ price: 76.5, inStock: 24 });
});

test('what was asked for a sheet is kept, each time it changed', async () => {
  const own = async (): Promise<number[]> =>
    ((await app.api.get('/api/merchant/prices').expect(200)).body as { offer: string; price: number; heardAt: string }[])
      .filter(({ offer }) => offer === first(heardLast)['id'])
      .map(({ price }) => price);
  const heardLast = await catalogue();
  const before = await own();
  expect(before.at(-1)).toBe(76.5);
  // The same price again is no change.
  await catalogue();
  expect(await own()).toEqual(before);
  await fault('price').expect(204);
  await Promise.all([catalogue(), catalogue(), catalogue()]);
  await fault('fine').expect(204);
  await catalogue();
  expect(await own()).toEqual([...before, 85.68, 76.5]);
});

test('a fault that is none is refused', async () => {
  const { body } = await fault('rude').expect(400);
  expect(body).toMatchObject({ where: 'how' });
});

test('nonsense from it changes nothing that was heard before', async () => {
  const good = await catalogue();
  const answers = ['{', '{"sheets":7}', '{"sheets":[{"id":"M1","price":-3}]}', 'x'.repeat(600_000)];
  let sent = '';
  const rude = createServer((_request, response) => response.end(sent));
  await new Promise<void>((resolve) => rude.listen(0, '127.0.0.1', resolve));
  const { port } = standIn.address() as AddressInfo;
  await new Promise((resolve) => {
    standIn.closeAllConnections();
    standIn.close(resolve);
  });
  expect((await catalogue())['why']).toBe('the merchant does not answer');
  await new Promise((resolve) => rude.close(resolve));
  await new Promise<void>((resolve) => rude.listen(port, '127.0.0.1', resolve));
  for (sent of answers) {
    const heard = await catalogue();
    expect(heard['offers']).toEqual(good['offers']);
    expect(heard['why']).not.toBeNull();
  }
  rude.closeAllConnections();
  rude.close();
});
