import { PDFDocument } from 'pdf-lib';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { testApp, type TestApp } from '../../test/app.ts';
import type { SetState } from './sets.service.ts';

let app: TestApp;
beforeAll(async () => void (app = await testApp()));
afterAll(() => app.close());

const SETS = '/api/projects/print-room/sets';

async function ask(body: object = { paper: 'a4', units: 'mm' }): Promise<SetState> {
  return (await app.api.post(SETS).send(body).expect(202)).body as SetState;
}

/** All states it is seen in, up to one it stays in. */
async function watched(id: string): Promise<SetState[]> {
  const seen: SetState[] = [];
  for (let n = 0; n < 600; n++) {
    const state = (await app.api.get(`${SETS}/${id}`).expect(200)).body as SetState;
    seen.push(state);
    if (state.state !== 'running') return seen;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('it is never done');
}

describe('shop sets', () => {
  test('one is asked for, says how far it is, and is a PDF with as many pages as it shows one by one', async () => {
    const asked = await ask();
    expect(asked).toMatchObject({ state: 'running', pages: 0, problem: null });
    await app.api.get(`${SETS}/${asked.id}/pdf`).expect(409);
    const seen = await watched(asked.id);
    const last = seen.at(-1)!;
    expect(last).toMatchObject({ state: 'done', done: last.of });
    expect(last.pages).toBeGreaterThan(40);
    for (const { done, of } of seen) expect(done).toBeLessThanOrEqual(of);
    const { body, headers } = await app.api.get(`${SETS}/${asked.id}/pdf`).expect(200).expect('Content-Type', 'application/pdf');
    expect(headers['content-disposition']).toContain('shop-set.pdf');
    expect((await PDFDocument.load(body as Buffer)).getPageCount()).toBe(last.pages);
    const page = await app.api.get(`${SETS}/${asked.id}/pages/1`).expect(200).expect('Content-Type', /svg/);
    expect((page.body as Buffer).toString()).toContain(`page 1 of ${last.pages}`);
    await app.api.get(`${SETS}/${asked.id}/pages/${last.pages + 1}`).expect(404);
    await app.api.get(`/api/projects/type-store/sets/${asked.id}`).expect(404);
    await app.api.delete(`${SETS}/${asked.id}`).expect(204);
    await app.api.get(`${SETS}/${asked.id}`).expect(404);
  });

  test('one that is not wanted any more is dropped; a third at a time is refused in words', async () => {
    const [one, two] = [await ask(), await ask()];
    const { body } = await app.api.post(SETS).send({ paper: 'a4', units: 'mm' }).expect(429);
    expect(body).toMatchObject({ code: 'busy' });
    for (const { id } of [one, two]) await app.api.delete(`${SETS}/${id}`).expect(204);
    const next = await ask({ paper: 'a3', units: 'in', cabinets: ['ink'] });
    expect((await watched(next.id)).at(-1)).toMatchObject({ state: 'done' });
  });

  test.each([
    [{ paper: 'papyrus', units: 'mm' }, 400, 'paper'],
    [{ paper: 'a4', units: 'feet' }, 400, 'units'],
    [{ paper: 'a4', units: 'mm', cabinets: ['attic'] }, 404, 'attic'],
    [{ paper: 'a4', units: 'mm', cabinets: 'ink' }, 400, 'cabinets'],
  ])('%j is refused in words', async (body, status, where) => {
    const answer = await app.api.post(SETS).send(body).expect(status);
    expect(JSON.stringify(answer.body)).toContain(where);
  });

  test('a layout that is not of its parts is refused, and nothing is printed', async () => {
    const plan = {
      sheets: [],
      unplaced: [],
      bound: { sheets: 0, why: 'none' },
      proved: true,
      score: { sheets: 0 },
      seed: 1,
      effort: 1,
      seconds: 0,
    };
    const { id } = await ask({ paper: 'a4', units: 'mm', layouts: { 'birch-18': plan } });
    const last = (await watched(id)).at(-1)!;
    expect(last).toMatchObject({ state: 'failed', problem: { code: 'layout', where: 'layouts.birch-18' } });
    await app.api.get(`${SETS}/${id}/pdf`).expect(409);
  });
});
