/** Heavy work: in line, within limits, ended with whoever asked. */
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { testApp, type TestApp } from '../test/app.ts';
import { HeavyWorkService } from './heavy-work.service.ts';
import { Slots } from './slots.ts';

const settled = async (): Promise<void> => void (await new Promise((done) => setImmediate(done)));

describe('a line of work', () => {
  test('runs so many at once, the others in their order, and refuses what is too much', async () => {
    const slots = new Slots(2, 2, 'prints');
    const ends: (() => void)[] = [];
    const begun: number[] = [];
    const task = (n: number) =>
      slots.take(async () => {
        begun.push(n);
        await new Promise<void>((done) => ends.push(done));
        return n;
      });
    const all = [task(1), task(2), task(3), task(4)];
    await settled();
    expect(begun).toEqual([1, 2]);
    await expect(task(5)).rejects.toMatchObject({ status: 503, problem: { code: 'busy', message: '2 prints are waiting already' } });
    for (let n = 0; n < 4; n++) {
      ends[n]!();
      await settled();
    }
    expect(await Promise.all(all)).toEqual([1, 2, 3, 4]);
    expect(begun).toEqual([1, 2, 3, 4]);
  });

  test('a task that fails frees its slot', async () => {
    const slots = new Slots(1, 1, 'prints');
    await expect(slots.take(() => Promise.reject(new Error('broken')))).rejects.toThrow('broken');
    expect(await slots.take(() => Promise.resolve('next'))).toBe('next');
  });
});

describe('the pool', () => {
  let app: TestApp;
  beforeAll(async () => void (app = await testApp()));
  afterAll(() => app.close());
  const label = (n: number) => ({
    mark: `A${n}`,
    name: 'left side of the ink cupboard',
    size: '820 × 280 mm',
    stock: 'Birch plywood 18 mm',
    grain: 'along' as const,
    band: 'front',
    next: 'cut its dados '.repeat(10),
    link: `http://127.0.0.1:8420/project/print-room/ink/box?part=${n}`,
  });
  const labels = (count: number) => Array.from({ length: count }, (_, n) => label(n));

  test('whoever goes away before it is done ends it: nothing is drawn for nobody', async () => {
    const { port } = (app.nest.getHttpServer() as Server).address() as AddressInfo;
    const gone = new AbortController();
    const asked = fetch(`http://127.0.0.1:${port}/api/labels/sheet`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ labels: labels(500) }),
      signal: gone.signal,
    }).catch(() => 'gone');
    const { slots } = app.nest.get(HeavyWorkService) as unknown as { slots: { running: number } };
    while (slots.running === 0) await settled();
    gone.abort();
    expect(await asked).toBe('gone');
    while (slots.running > 0) await settled();
    // The line is free for the next, who gets theirs.
    await app.api
      .post('/api/labels/sheet')
      .send({ labels: labels(3) })
      .expect(200);
  });

  test('other requests are answered while it draws', async () => {
    const drawing = app.api.post('/api/labels/sheet').send({ labels: labels(500) });
    let isDrawn = false;
    const drawn = Promise.resolve(drawing).then(({ status }) => {
      isDrawn = true;
      return status;
    });
    let answered = 0;
    while (!isDrawn) {
      await app.api.get('/api/health').expect(200);
      answered++;
    }
    expect(await drawn).toBe(200);
    expect(answered).toBeGreaterThan(3);
  });
});
