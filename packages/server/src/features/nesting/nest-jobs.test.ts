import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { auditPlan, readNestPlan, readNestProblem } from '@keen/core';
import { testApp, type TestApp } from '../../test/app.ts';
import { isOver, order, problem, PRODUCT, SLOW_MS, until, type Row } from '../../test/nest-jobs.ts';

let app: TestApp;
beforeAll(async () => void (app = await testApp()));
afterAll(() => app.close());

const ask = (body: Row, project = 'print-room') => app.api.post(`/api/projects/${project}/nest-jobs`).send(body);

test(
  'a job runs to its end; its plan is sound',
  async () => {
    const { body } = await ask(order({ seconds: 1 })).expect(201);
    expect(body).toMatchObject({ product: PRODUCT, key: 'k1', seconds: 1 });
    const done = await until(body.id as string, isOver, app);
    expect(done).toMatchObject({ state: 'done', fault: null });
    const plan = readNestPlan(done['plan']);
    expect(plan.unplaced).toEqual([]);
    expect(auditPlan(readNestProblem(problem()), plan)).toEqual([]);
    expect((await app.api.get('/api/projects/print-room/nest-jobs').expect(200)).body).toContainEqual(expect.objectContaining({ id: body.id, state: 'done' }));
  },
  SLOW_MS,
);

test(
  'stopped, it keeps the best so far; the same id asked for again is the same job',
  async () => {
    const asked = order({ seconds: 600, product: 'ply-1-2' });
    await ask(asked).expect(201);
    await until(asked['id'] as string, ({ plan }) => plan !== null, app);
    expect((await ask(asked).expect(201)).body).toMatchObject({ id: asked['id'], state: 'running' });
    await app.api.post(`/api/nest-jobs/${asked['id']}/stop`).expect(200);
    const stopped = await until(asked['id'] as string, isOver, app);
    expect(stopped['state']).toBe('stopped');
    expect(stopped['spentMs']).toBeLessThan(60_000);
    expect(readNestPlan(stopped['plan']).unplaced).toEqual([]);
  },
  SLOW_MS,
);

test(
  'more jobs than threads: all of them come to an end, and a newer one for the same stock takes the place of the older',
  async () => {
    const products = ['ply-3-4', 'ply-1-2', 'ply-1-4'];
    const asked = products.map((product) => order({ product, seconds: 1 }));
    for (const each of asked) await ask(each).expect(201);
    const newer = order({ product: 'ply-3-4', seconds: 1 });
    await ask(newer).expect(201);
    await app.api.get(`/api/nest-jobs/${asked[0]!['id']}`).expect(404);
    for (const { id } of [newer, ...asked.slice(1)] as Row[]) expect(await until(id as string, isOver, app)).toMatchObject({ state: 'done' });
  },
  SLOW_MS,
);

describe('refused, and nothing is kept', () => {
  test.each<[string, Row, string, number]>([
    ['a problem that is none', { problem: { sheets: [], parts: [] } }, 'sheets', 400],
    ['a part without a length', { problem: { ...problem(1), parts: [{ id: 'a', width: '3mm' }] } }, 'parts[0].length', 400],
    ['stock nobody has', { product: 'ebony' }, 'product', 404],
    ['an hour and a second', { seconds: 3601 }, 'seconds', 400],
    ['a strange wish', { then: 'beauty' }, 'then', 400],
    ['a strange field', { more: 1 }, 'more', 400],
  ])('%s', async (_name, change, where, status) => {
    const asked = order(change);
    const { body } = await ask(asked).expect(status);
    expect(body).toMatchObject({ where, message: expect.any(String), accepted: expect.any(String) });
    await app.api.get(`/api/nest-jobs/${asked['id']}`).expect(404);
  });
  test('for a project that is not there', async () => {
    expect((await ask(order(), 'nowhere').expect(404)).body.where).toBe('id');
  });
});
