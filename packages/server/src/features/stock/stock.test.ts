import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import sharp from 'sharp';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { EXAMPLES, testApp, type TestApp } from '../../test/app.ts';

type Row = Record<string, any>;
let app: TestApp;
beforeAll(async () => void (app = await testApp()));
afterAll(() => app.close());

const example = (): Row => JSON.parse(readFileSync(join(EXAMPLES, 'print-room.carcass.json'), 'utf8')) as Row;
const project = async (): Promise<Row> => (await app.api.post('/api/projects').send({ design: example()['design'] }).expect(201)).body as Row;
const workshop = async (): Promise<Row> => (await app.api.get('/api/workshop').expect(200)).body as Row;
const ask = (what: string, of: string, ...pieces: string[]) => app.api.post(`/api/stock/${what}`).send({ project: of, pieces });
const history = async (id: string): Promise<Row> => (await app.api.get(`/api/stock/${id}`).expect(200)).body as Row;

/** Puts pieces into the store as a person does. */
async function put(...ids: string[]): Promise<void> {
  const { revision, workshop: now } = await workshop();
  const pieces = Object.fromEntries(ids.map((id) => [id, { id, product: 'birch-18', kind: 'offcut', length: '700 mm', width: '300 mm' }]));
  await app.api
    .put('/api/workshop')
    .send({ base: revision, workshop: { ...now, pieces: { ...now.pieces, ...pieces } } })
    .expect(200);
}

describe('keeping pieces for a project', () => {
  test('two projects ask for the last offcut at the same moment: one gets it, the other is told whose it is', async () => {
    const [one, other] = [await project(), await project()];
    await put('offcut-50');
    const answers = await Promise.all([one, other].map(({ id }) => ask('reserve', id as string, 'offcut-50')));
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
    const lost = answers.find(({ status }) => status === 409)!.body as Row;
    expect(lost).toMatchObject({ code: 'taken', where: 'pieces', message: expect.stringContaining('kept for') });
    const winner = answers[0]!.status === 200 ? one : other;
    expect((await workshop()).workshop.pieces['offcut-50'].reserved.project).toBe(winner['id']);
  });

  test('of many asking at once exactly one gets it, and nobody waits for ever', async () => {
    const all = await Promise.all(Array.from({ length: 8 }, project));
    await put('offcut-51', 'offcut-52');
    // Named in either order: they must not wait for each other.
    const answers = await Promise.all(
      all.map(({ id }, n) => ask('reserve', id as string, ...(n % 2 ? ['offcut-51', 'offcut-52'] : ['offcut-52', 'offcut-51']))),
    );
    expect(answers.filter(({ status }) => status === 200)).toHaveLength(1);
    expect(answers.filter(({ status }) => status === 409)).toHaveLength(7);
  });

  test('all of them or none', async () => {
    const [one, other] = [await project(), await project()];
    await put('offcut-53', 'offcut-54');
    await ask('reserve', one['id'] as string, 'offcut-53').expect(200);
    await ask('reserve', other['id'] as string, 'offcut-54', 'offcut-53').expect(409);
    expect((await workshop()).workshop.pieces['offcut-54'].reserved).toBeUndefined();
    await ask('release', one['id'] as string, 'offcut-53').expect(200);
    await ask('reserve', other['id'] as string, 'offcut-54', 'offcut-53').expect(200);
    expect((await history('offcut-53'))['events'].map(({ kind }: Row) => kind)).toEqual(['kept', 'reserved', 'released', 'reserved']);
  });

  test('what is kept for a project that is deleted is free again', async () => {
    const [one, other] = [await project(), await project()];
    await put('offcut-55');
    await ask('reserve', one['id'] as string, 'offcut-55').expect(200);
    await app.api.delete(`/api/projects/${one['id']}`).expect(204);
    expect((await workshop()).workshop.pieces['offcut-55'].reserved).toBeUndefined();
    await ask('reserve', other['id'] as string, 'offcut-55').expect(200);
  });

  test.each<[string, Row, string, number]>([
    ['a piece nobody has', { pieces: ['offcut-999'] }, 'pieces', 404],
    ['no piece', { pieces: [] }, 'pieces', 400],
    ['one twice', { pieces: ['offcut-1', 'offcut-1'] }, 'pieces', 400],
    ['for nobody', { project: 'nowhere', pieces: ['offcut-1'] }, 'project', 404],
    ['a strange field', { pieces: ['offcut-1'], more: 1 }, 'more', 400],
  ])('refused: %s', async (_name, change, where, status) => {
    const { body } = await app.api
      .post('/api/stock/reserve')
      .send({ project: 'print-room', ...change })
      .expect(status);
    expect(body).toMatchObject({ where, message: expect.any(String), accepted: expect.any(String) });
  });
});

describe('the store, changed by hand', () => {
  test('a piece that is taken out stays in the history, and its name is not given twice', async () => {
    await put('offcut-60');
    const { revision, workshop: now } = await workshop();
    const { 'offcut-60': taken, ...pieces } = now.pieces;
    await app.api
      .put('/api/workshop')
      .send({ base: revision, workshop: { ...now, pieces } })
      .expect(200);
    expect(await history('offcut-60')).toMatchObject({ state: 'thrown', events: [{ kind: 'kept' }, { kind: 'thrown' }] });
    const again = await app.api
      .put('/api/workshop')
      .send({ base: revision + 1, workshop: { ...now, pieces: { ...pieces, 'offcut-60': taken } } })
      .expect(400);
    expect(again.body).toMatchObject({ code: 'gone', where: 'workshop.pieces.offcut-60' });
    expect((await workshop()).revision).toBe(revision + 1);
  });

  test('a sheet as it was measured: size, diagonals, a crushed corner; diagonals no sheet has are refused', async () => {
    const { revision, workshop: now } = await workshop();
    const sheet = {
      id: 'sheet-70',
      product: 'birch-18',
      kind: 'whole',
      length: '2441 mm',
      width: '1219 mm',
      diagonals: { one: '2729 mm', other: '2727.5 mm' },
      flaws: { f1: { id: 'f1', from: '0 mm', to: '40 mm', across: { from: '0 mm', to: '30 mm' } } },
    };
    const send = (base: number, piece: Row) =>
      app.api.put('/api/workshop').send({ base, workshop: { ...now, pieces: { ...now.pieces, [piece['id'] as string]: piece } } });
    const { body } = await send(revision, { ...sheet, diagonals: { one: '3 m', other: '2.7 m' } }).expect(400);
    expect(body.where).toBe('workshop.pieces.sheet-70.diagonals');
    await send(revision, sheet).expect(200);
    expect((await workshop()).workshop.pieces['sheet-70']).toEqual(sheet);
    expect(await history('sheet-70')).toMatchObject({ state: 'store', events: [{ kind: 'bought', project: null }] });
  });
});

describe('pictures', () => {
  const drawn = () => sharp({ create: { width: 40, height: 20, channels: 3, background: '#c86432' } });
  const send = (id: string, bytes: Buffer, type = 'application/octet-stream') => app.api.put(`/api/stock/${id}/picture`).set('Content-Type', type).send(bytes);

  test('one is kept drawn anew, upright and without what was in it beside the picture, replaced and taken away', async () => {
    await put('offcut-80');
    await app.api.get('/api/stock/offcut-80/picture').expect(404);
    // Taken on its side, somewhere: neither is left in it.
    const taken = await drawn()
      .withExif({ IFD0: { Artist: 'Somebody', Orientation: '6' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    expect((await sharp(taken).metadata()).exif).toBeDefined();
    await send('offcut-80', taken).expect(204);
    const answer = await app.api
      .get('/api/stock/offcut-80/picture')
      .expect(200)
      .expect('Content-Type', /image\/jpeg/)
      .expect('X-Content-Type-Options', 'nosniff');
    const kept = await sharp(answer.body as Buffer).metadata();
    expect([kept.format, kept.width, kept.height, kept.exif, kept.orientation]).toEqual(['jpeg', 20, 40, undefined, undefined]);
    await send('offcut-80', await drawn().webp().toBuffer()).expect(204);
    expect((await history('offcut-80'))['picture']).toBe(true);
    await app.api.delete('/api/stock/offcut-80/picture').expect(204);
    await app.api.get('/api/stock/offcut-80/picture').expect(404);
  });

  test.each<[string, Buffer, string, number]>([
    ['text that says it is a picture', Buffer.from('<svg onload=1>'), 'image/png', 400],
    ['nothing', Buffer.alloc(0), 'image/jpeg', 400],
    ['more than a picture may be', Buffer.alloc(21 * 1024 * 1024, 1), 'image/png', 413],
    ['the beginning of a picture', Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAQAAAC1HAwC', 'base64'), 'image/png', 400],
  ])('refused: %s', async (_name, bytes, type, status) => {
    await put('offcut-81').catch(() => {});
    await send('offcut-81', bytes, type).expect(status);
    expect((await history('offcut-81'))['picture']).toBe(false);
  });
});
