import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { merge, type Json } from '@keen/core';
import { EXAMPLES, testApp, type TestApp } from '../../test/app.ts';

type Row = Record<string, any>;
let app: TestApp;
beforeAll(async () => void (app = await testApp()));
afterAll(() => app.close());

const example = (): Row => JSON.parse(readFileSync(join(EXAMPLES, 'print-room.carcass.json'), 'utf8')) as Row;
const fresh = async (): Promise<Row> => (await app.api.post('/api/projects').send({ design: example()['design'] }).expect(201)).body as Row;
const withWidth = (document: Row, text: string, unit = 'ink'): Row => ({
  ...document,
  units: { ...document['units'], [unit]: { ...document['units'][unit], width: text } },
});
const save = (id: string, base: number, document: Row, session = 'tab-1') => app.api.put(`/api/projects/${id}`).send({ base, session, document });
const read = async (id: string): Promise<Row> => (await app.api.get(`/api/projects/${id}`).expect(200)).body as Row;
const count = async (): Promise<number> => ((await app.api.get('/api/projects').expect(200)).body as Row[]).length;

describe('the demo', () => {
  test('is there once, and a second start leaves it alone', async () => {
    expect(await app.demo.seedOnce(EXAMPLES)).toBe(false);
    const { body } = await app.api.get('/api/projects').expect(200);
    expect(
      (body as Row[])
        .filter(({ demo }) => demo)
        .map(({ id }) => id as string)
        .sort(),
    ).toEqual(['print-room', 'print-room-back', 'type-store']);
    expect((body as Row[]).find(({ id }) => id === 'print-room')).toMatchObject({
      id: 'print-room',
      wall: { widthMm: 4800 },
      units: [{ id: 'ink', widthMm: 700, shelves: 2 }, { id: 'type' }, { id: 'spacing-1' }, { id: 'spacing-2' }],
    });
  });

  test('a reset restores it, counts its revision on, and touches no other project', async () => {
    const other = await fresh();
    const before = await read('print-room');
    await save('print-room', before['revision'], withWidth(before['document'], '810 mm')).expect(200);
    await app.demo.reset(EXAMPLES);
    const after = await read('print-room');
    expect(after['document'].units.ink.width).toBe('700 mm');
    expect(after['revision']).toBe(before['revision'] + 2);
    expect(await read(other['id'])).toEqual(other);
    expect(((await app.api.get('/api/projects/print-room/record')).body as Row[]).length).toBe(5);
  });
});

describe('saving', () => {
  test('a save on the current version is kept, with lengths as typed', async () => {
    const { id, document } = await fresh();
    const typed = withWidth(document, '(32 - 2*3/4) in');
    const { body } = await save(id, 1, typed).expect(200);
    expect(body).toEqual({ revision: 2 });
    expect(await read(id)).toMatchObject({ revision: 2, document: { units: { ink: { width: '(32 - 2*3/4) in' } } } });
  });

  test('a save on an older version is refused with 409 and the current one, and changes nothing', async () => {
    const { id, document } = await fresh();
    await save(id, 1, withWidth(document, '710 mm'), 'a').expect(200);
    const { body } = await save(id, 1, withWidth(document, '690 mm'), 'b').expect(409);
    expect(body).toMatchObject({
      code: 'stale',
      where: 'base',
      accepted: '2',
      current: { revision: 2, session: 'a', document: { units: { ink: { width: '710 mm' } } } },
    });
    expect((await read(id))['document'].units.ink.width).toBe('710 mm');
  });

  test("two tabs' edits of different things both end up in the project", async () => {
    const { id, document } = await fresh();
    await save(id, 1, withWidth(document, '710 mm'), 'a').expect(200);
    const mine = withWidth(document, '28 in', 'type');
    const { body } = await save(id, 1, mine, 'b').expect(409);
    const { merged, conflicts } = merge(document as Json, mine as Json, body.current.document as Json);
    expect(conflicts).toEqual([]);
    await save(id, body.current.revision, merged as Row, 'b').expect(200);
    const { units } = (await read(id))['document'];
    expect([units.ink.width, units.type.width]).toEqual(['710 mm', '28 in']);
  });

  test('of twenty saves on one version at once, exactly one is taken', async () => {
    const { id, document } = await fresh();
    const answers = await Promise.all(Array.from({ length: 20 }, (_, n) => save(id, 1, withWidth(document, `${600 + n} mm`), `tab-${n}`)));
    const statuses = answers.map(({ status }) => status);
    expect(statuses.filter((status) => status === 200)).toHaveLength(1);
    expect(statuses.filter((status) => status === 409)).toHaveLength(19);
    const won = answers.findIndex(({ status }) => status === 200);
    expect((await read(id))['document'].units.ink.width).toBe(`${600 + won} mm`);
  });

  test('home is drawn from rows that follow the document', async () => {
    const { id, document } = await fresh();
    const { ink } = document['units'];
    await save(id, 1, { ...document, name: 'Back room', units: { ink: { ...ink, width: '900 mm', shelves: {} } } }).expect(200);
    const row = ((await app.api.get('/api/projects')).body as Row[]).find((each) => each['id'] === id)!;
    expect(row).toMatchObject({ name: 'Back room', units: [{ id: 'ink', widthMm: 900, shelves: 0 }] });
    expect(row['units']).toHaveLength(1);
  });

  test.each<[string, (document: Row) => unknown, string]>([
    ['a negative width', (document) => withWidth(document, '-5 mm'), 'document.units.ink.width'],
    ['a strange field', (document) => ({ ...document, colour: 'red' }), 'document'],
    ['stock nobody has', (document) => ({ ...document, units: { ink: { ...document['units'].ink, stock: 'ebony' } } }), 'design.units.ink.stock'],
    ['a list', () => [], 'document'],
    ['nothing', () => undefined, 'document'],
  ])('%s is refused with its place, and nothing is saved', async (_name, change, where) => {
    const { id, document } = await fresh();
    const { body } = await save(id, 1, change(document) as Row).expect(400);
    expect(body).toMatchObject({ code: expect.any(String), message: expect.any(String), accepted: expect.any(String) });
    expect(body.where).toBe(where);
    expect((await read(id))['revision']).toBe(1);
  });

  test('bodies are checked: unknown fields, wrong types, a version that is none', async () => {
    const { id, document } = await fresh();
    for (const [body, where] of [
      [{ base: '1', session: 's', document }, 'base'],
      [{ base: 0, session: 's', document }, 'base'],
      [{ base: 1, session: '', document }, 'session'],
      [{ base: 1, session: 's', document, more: 1 }, 'more'],
      [{ base: 1, document }, 'session'],
    ] as const) {
      const answer = await app.api.put(`/api/projects/${id}`).send(body).expect(400);
      expect(answer.body.where).toBe(where);
    }
  });

  test('a project that is not there is a 404, an address that is not there too', async () => {
    expect((await app.api.get('/api/projects/none').expect(404)).body).toMatchObject({ code: 'not-found', where: 'id' });
    expect((await app.api.get('/api/nothing').expect(404)).body).toMatchObject({ code: 'not-found', accepted: expect.any(String) });
  });
});

describe('history', () => {
  test('saves of one tab close together fold into one revision, another tab starts the next', async () => {
    const { id, document } = await fresh();
    for (let n = 0; n < 5; n++) await save(id, 1 + n, withWidth(document, `${701 + n} mm`), 'a').expect(200);
    await save(id, 6, withWidth(document, '720 mm'), 'b').expect(200);
    const { body } = await app.api.get(`/api/projects/${id}/revisions`).expect(200);
    expect((body as Row[]).map(({ number }) => number)).toEqual([7, 6, 1]);
  });

  test('an older revision restored becomes the newest; what was between stays in the history', async () => {
    const { id, document } = await fresh();
    await save(id, 1, withWidth(document, '710 mm'), 'a').expect(200);
    await save(id, 2, withWidth(document, '720 mm'), 'b').expect(200);
    const { body } = await app.api.post(`/api/projects/${id}/revisions/1/restore`).send({ base: 3, session: 'b' }).expect(201);
    expect(body).toMatchObject({ revision: 4, document: { units: { ink: { width: '700 mm' } } } });
    expect(((await app.api.get(`/api/projects/${id}/revisions`)).body as Row[]).map(({ number }) => number)).toEqual([4, 3, 2, 1]);
    const between = await app.api.get(`/api/projects/${id}/revisions/2`).expect(200);
    expect(between.body).toMatchObject({ number: 2, document: { units: { ink: { width: '710 mm' } } } });
    // Brought back once more, it still says which version it was: undo walks back from there.
    await app.api.post(`/api/projects/${id}/revisions/4/restore`).send({ base: 4, session: 'c' }).expect(201);
    const from = ((await app.api.get(`/api/projects/${id}/revisions`)).body as Row[]).map(({ number, restoredFrom }) => [number, restoredFrom]);
    expect(from).toEqual([
      [5, 1],
      [4, 1],
      [3, null],
      [2, null],
      [1, null],
    ]);
    await app.api.get(`/api/projects/${id}/revisions/x`).expect(400);
    await app.api.post(`/api/projects/${id}/revisions/1/restore`).send({ base: 3, session: 'b' }).expect(409);
    await app.api.post(`/api/projects/${id}/revisions/99/restore`).send({ base: 5, session: 'b' }).expect(404);
  });
});

describe('projects as things', () => {
  test('rename, and a name that is none', async () => {
    const { id } = await fresh();
    await app.api.patch(`/api/projects/${id}`).send({ name: 'Drying room' }).expect(200);
    expect((await read(id))['document'].name).toBe('Drying room');
    await app.api.patch(`/api/projects/${id}`).send({ name: '' }).expect(400);
  });

  test('a copy has the design and the readings, and goes its own way', async () => {
    const { body } = await app.api.post('/api/projects/print-room/duplicate').expect(201);
    expect(body).toMatchObject({ demo: false, revision: 1 });
    expect(body.id).not.toBe('print-room');
    expect(((await app.api.get(`/api/projects/${body.id}/record`)).body as Row[]).length).toBe(5);
    await save(body.id, 1, withWidth(body.document, '650 mm')).expect(200);
    expect((await read('print-room'))['document'].units.ink.width).toBe('700 mm');
  });

  test('a copy of a project that is half cut has nothing cut: its sheets are whole', async () => {
    const { id } = await fresh();
    const entries = [
      { id: 'r1', at: '2026-03-01T10:00:00.000Z', kind: 'thickness', reading: { product: 'birch-18', value: '17.9 mm' } },
      { id: 's1', at: '2026-03-01T10:00:00.000Z', kind: 'sawn', sawn: { layout: 'l1', cuts: ['0x'], parts: ['ink/side/left'] } },
      { id: 'w1', at: '2026-03-01T10:00:00.000Z', kind: 'withdrawn', withdraws: 's1' },
      { id: 'w2', at: '2026-03-01T10:00:00.000Z', kind: 'withdrawn', withdraws: 'r1' },
    ];
    await app.api.post(`/api/projects/${id}/record`).send({ entries }).expect(201);
    const { body } = await app.api.post(`/api/projects/${id}/duplicate`).expect(201);
    const copied = ((await app.api.get(`/api/projects/${body.id}/record`)).body as Row[]).map(({ entry }) => (entry as Row)['id'] as string);
    expect(copied.sort()).toEqual(['r1', 'w2']);
    expect(body.document.layouts).toEqual({});
  });

  test('a deletion can be undone', async () => {
    const { id } = await fresh();
    await app.api.delete(`/api/projects/${id}`).expect(204);
    const { body } = await app.api.get(`/api/projects/${id}`).expect(410);
    expect(body).toMatchObject({ code: 'deleted', message: expect.stringMatching(/^this project was deleted on \d{4}-\d\d-\d\d$/) });
    await app.api.delete(`/api/projects/${id}`).expect(410);
    // What a tab that is still open sends is told what became of it, and nothing of it is kept.
    await app.api
      .put(`/api/projects/${id}`)
      .send({ base: 1, session: 'tab', document: (await fresh()).document })
      .expect(410);
    const entries = [{ id: 'late', at: '2026-03-01T10:00:00.000Z', kind: 'note', note: { text: 'late', photos: [], nextTime: false } }];
    await app.api.post(`/api/projects/${id}/record`).send({ entries }).expect(410);
    const deleted = (await app.api.get('/api/projects/deleted').expect(200)).body as Row[];
    expect(deleted.filter((each) => each['id'] === id)).toEqual([{ id, name: expect.any(String), deletedAt: expect.any(String) }]);
    await app.api.post(`/api/projects/${id}/restore`).expect(201);
    await read(id);
    expect(((await app.api.get('/api/projects/deleted')).body as Row[]).some((each) => each['id'] === id)).toBe(false);
  });
});

describe('a project file', () => {
  test('comes in with its record and the products it needs', async () => {
    const file = example();
    file['workshop'].products['cherry-19'] = { ...file['workshop'].products['birch-18'], id: 'cherry-19', name: 'Cherry plywood' };
    file['design'].units.ink.stock = 'cherry-19';
    const { body } = await app.api.post('/api/projects/import').send({ file }).expect(201);
    expect((await read(body.id))['document']).toEqual(file['design']);
    expect(((await app.api.get(`/api/projects/${body.id}/record`)).body as Row[]).map(({ entry }) => entry)).toEqual(file['record']);
    expect((await app.api.get('/api/workshop')).body.workshop.products['cherry-19'].name).toBe('Cherry plywood');
  });

  test.each<[string, () => object | string, number, string]>([
    ['a newer version', () => ({ ...example(), version: 99 }), 400, 'newer-version'],
    ['a negative size', () => ({ ...example(), design: withWidth(example()['design'], '-1 mm') }), 400, 'range'],
    ['wrong types', () => ({ ...example(), record: 5 }), 400, 'value'],
    ['no file at all', () => ({}), 400, 'not-a-project'],
    ['a prototype', () => `{"file":${JSON.stringify(example()).replace('"units":{', '"units":{"__proto__":{"x":1},')}}`, 400, 'forbidden-key'],
    ['cut off', () => `{"file":${JSON.stringify(example()).slice(0, 3000)}`, 400, 'not-json'],
    ['nested without end', () => `{"file":${'['.repeat(50_000)}`, 400, 'too-deep'],
    ['10 MB', () => `{"file":{"format":"${'x'.repeat(10_000_000)}"}}`, 413, 'too-large'],
    ['an entry twice', () => ({ ...example(), record: [example()['record'][0], example()['record'][0]] }), 400, 'twice'],
  ])('%s is refused with a clear message and changes nothing', async (_name, make, status, code) => {
    const value = make();
    const before = [await count(), (await app.api.get('/api/workshop')).body.revision];
    const body = typeof value === 'string' ? value : JSON.stringify({ file: value });
    const answer = await app.api.post('/api/projects/import').set('Content-Type', 'application/json').send(body);
    expect(answer.status).toBe(status);
    expect(answer.body).toMatchObject({ code, message: expect.any(String), where: expect.any(String), accepted: expect.any(String) });
    expect([await count(), (await app.api.get('/api/workshop')).body.revision]).toEqual(before);
    expect(({} as Row)['x']).toBeUndefined();
  });
});

describe('a document that cannot be read', () => {
  test.each([' ', '', '\t\n', 'x'.repeat(81)])('is never written: a rename to %j is refused', async (name) => {
    const { id } = await fresh();
    const { body } = await app.api.patch(`/api/projects/${id}`).send({ name }).expect(400);
    expect(body).toMatchObject({ where: 'document.name', accepted: 'text of 1 to 80 characters' });
    expect((await read(id))['document'].name).toBe('Print room');
  });

  test('is listed as such with its file to take away, and stands in nobody’s way', async () => {
    const { id } = await fresh();
    await app.sql(`update {db}.projects set document = json_set(document, '$.name', ' '), revision = revision + 1 where id = '${id}'`);
    const rows = (await app.api.get('/api/projects').expect(200)).body as Row[];
    expect(rows.find((row) => row['id'] === id)).toMatchObject({ wall: null, problem: { where: 'document.name' } });
    expect(rows.filter(({ problem }) => problem === null).length).toBeGreaterThan(2);
    const file = (await app.api.get(`/api/projects/${id}/file`).responseType('blob').expect(200)).body as Buffer;
    expect((JSON.parse(file.toString()) as Row)['design'].units.ink.width).toBe('700 mm');
    await app.api.get('/api/next-time').expect(200);
    await app.api.delete(`/api/projects/${id}`).expect(204);
  });

  test('an entry of the record that cannot be read does not keep the design from being saved', async () => {
    const { id, document } = await fresh();
    const entry = { id: 'x1', at: '2026-03-01T10:00:00Z', kind: 'thickness', reading: { product: 'birch-18', value: '17.9 mm' } };
    await app.api
      .post(`/api/projects/${id}/record`)
      .send({ entries: [entry] })
      .expect(201);
    await app.sql(`update {db}.record_entries set body = '{"kind":"rumour"}' where project_id = '${id}'`);
    await save(id, 1, withWidth(document, '710 mm')).expect(200);
    await app.api.post(`/api/projects/${id}/duplicate`).expect(201);
  });
});

test('saves fold into one revision by time that passes, whatever the clock is set to', async () => {
  const { id, document } = await fresh();
  await save(id, 1, withWidth(document, '701 mm')).expect(200);
  await save(id, 2, withWidth(document, '702 mm')).expect(200);
  const numbers = async () => ((await app.api.get(`/api/projects/${id}/revisions`).expect(200)).body as Row[]).map(({ number }) => number as number);
  expect(await numbers()).toEqual([3, 1]);
  // As if the clock had been set back by a day after the first save.
  await app.sql(`update {db}.revisions set started_at = started_at + interval 1 day where project_id = '${id}'`);
  await app.sql(`update {db}.revisions set id = id + 1000000 where project_id = '${id}' and number = 3`);
  await save(id, 3, withWidth(document, '703 mm')).expect(200);
  expect(await numbers()).toEqual([4, 3, 1]);
});
