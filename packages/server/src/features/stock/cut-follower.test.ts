/** What ticked cuts do to the store, through the API as the page uses it. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import {
  designCodec,
  keptLayout,
  partsOff,
  plan,
  progressOf,
  readProjectFile,
  readWorkshop,
  search,
  sheetJobs,
  toMm,
  type Design,
  type KeptLayout,
  type Progress,
  type Workshop,
} from '@keen/core';
import { randomUUID } from 'node:crypto';
import { EXAMPLES, testApp, type TestApp } from '../../test/app.ts';

type Row = Record<string, any>;
let app: TestApp;
beforeAll(async () => void (app = await testApp()));
afterAll(() => app.close());

const PRODUCT = 'birch-18';
const read = readProjectFile(readFileSync(join(EXAMPLES, 'print-room.carcass.json'), 'utf8'));
if (!read.ok) throw new Error(read.problem.message);
const { value: file } = read;
const { design: room, record: readings } = file;
const DESIGN: Design = { ...room, items: {}, wall: { ...room.wall, rails: {} }, units: { ink: room.units['ink']! } };

interface Started {
  readonly id: string;
  revision: number;
  readonly layout: KeptLayout;
  readonly progress: Progress;
}

const store = async (): Promise<Row> => ((await app.api.get('/api/workshop').expect(200)).body as Row)['workshop'].pieces as Row;
const history = async (of: string): Promise<Row> => (await app.api.get(`/api/stock?cutBy=${encodeURIComponent(of)}`).expect(200)).body as Row;
const offcuts = async (): Promise<string[]> => Object.keys(await store()).filter((id) => id.startsWith('offcut-'));

/** A project with the layout of its 18 mm sheets settled on what the store has now, or on new sheets alone. */
async function begun(onNew: boolean): Promise<Started> {
  const { body } = await app.api
    .post('/api/projects')
    .send({ design: designCodec.write(DESIGN) })
    .expect(201);
  const all = (await app.api.get('/api/workshop').expect(200)).body as { workshop: Row };
  const workshop = { ...file.workshop, pieces: {} } as Workshop;
  const at = onNew ? workshop : ({ ...workshop, pieces: readWorkshop(all.workshop).pieces } as Workshop);
  const { parts } = plan(DESIGN, readings, at);
  const job = sheetJobs(parts, at).find(({ product }) => product === PRODUCT)!;
  const stepper = search(job.problem);
  stepper.step(120);
  const layout = keptLayout(job, stepper.plan(), randomUUID(), 0);
  return { id: body.id as string, revision: 1, layout, progress: progressOf(layout, [], at) };
}

const settle = async (started: Started): Promise<void> => {
  const document = designCodec.write({ ...DESIGN, layouts: { [started.layout.id]: started.layout } });
  const { body } = await app.api.put(`/api/projects/${started.id}`).send({ base: started.revision, session: 's', document }).expect(200);
  started.revision = body.revision as number;
};
/** Ticks cuts, answers the entries' ids. */
async function tick({ id, layout, progress }: Started, cuts: readonly string[]): Promise<string[]> {
  const entries = cuts.map((cut) => ({
    id: randomUUID(),
    at: '2026-03-01T10:00:00.000Z',
    kind: 'sawn',
    sawn: { layout: layout.id, cuts: [cut], parts: partsOff(progress, cut) },
  }));
  await app.api.post(`/api/projects/${id}/record`).send({ entries }).expect(201);
  return entries.map((each) => each.id);
}
const untick = (id: string, withdraws: string) =>
  app.api
    .post(`/api/projects/${id}/record`)
    .send({ entries: [{ id: randomUUID(), at: '2026-03-01T11:00:00.000Z', kind: 'withdrawn', withdraws }] })
    .expect(201);
const cutsOf = ({ progress }: Started): string[] => progress.sequence.steps.map(({ id }) => id);

test('a new sheet is bought and cut with its first tick, and what is worth keeping comes in with its last', async () => {
  const started = await begun(true);
  await settle(started);
  const before = await offcuts();
  const cuts = cutsOf(started);
  await tick(started, cuts.slice(0, 1));
  const sheet = await history(`${started.layout.id}#0`);
  expect(sheet).toMatchObject({ state: 'cut', piece: { product: PRODUCT, kind: 'whole', length: '2440 mm' }, kept: [] });
  expect(sheet['events'].map(({ kind, project }: Row) => [kind, project.id])).toEqual([
    ['bought', started.id],
    ['cut', started.id],
  ]);
  expect(await offcuts()).toEqual(before);
  await tick(started, cuts.slice(1));
  const fresh = (await offcuts()).filter((id) => !before.includes(id));
  const worth = started.progress.sequence.left.filter(({ piece }) => toMm(piece.dx) >= 400 && toMm(piece.dy) >= 150);
  expect(fresh.length).toBeGreaterThan(0);
  expect(fresh.length).toBeGreaterThanOrEqual(worth.length);
  const [first] = fresh;
  const own = (await app.api.get(`/api/stock/${first}`).expect(200)).body as Row;
  expect(own).toMatchObject({ state: 'store', events: [{ kind: 'kept', project: { id: started.id } }], parents: [{ id: sheet['id'] }] });
  expect(await history(`${started.layout.id}#0`)).toMatchObject({ kept: expect.arrayContaining([{ id: first, state: 'store' }]) });
  // The same entries once more, and another save, change nothing.
  const revision = ((await app.api.get('/api/workshop')).body as Row)['revision'] as number;
  await settle(started);
  expect(((await app.api.get('/api/workshop')).body as Row)['revision']).toBe(revision);
});

test('ticks that are taken back bring the store back, unless what was kept has gone on', async () => {
  const started = await begun(true);
  await settle(started);
  const before = await offcuts();
  const ids = await tick(started, cutsOf(started));
  expect((await offcuts()).length).toBeGreaterThan(before.length);
  await untick(started.id, ids.at(-1)!);
  expect(await offcuts()).toEqual(before);
  for (const id of ids.slice(0, -1).reverse()) await untick(started.id, id);
  await app.api.get(`/api/stock?cutBy=${encodeURIComponent(`${started.layout.id}#0`)}`).expect(404);
});

test('an offcut that is cut leaves the store, for all projects; taken back it is there again', async () => {
  const { revision, workshop } = (await app.api.get('/api/workshop').expect(200)).body as Row;
  const piece = { id: 'offcut-90', product: PRODUCT, kind: 'offcut', length: '2440 mm', width: '1220 mm' };
  await app.api
    .put('/api/workshop')
    .send({ base: revision, workshop: { ...workshop, pieces: { 'offcut-90': piece } } })
    .expect(200);
  const started = await begun(false);
  const at = started.layout.sheets.findIndex(({ sheet }) => sheet === 'offcut-90');
  expect(at).toBeGreaterThanOrEqual(0);
  const [first] = started.progress.sequence.steps.filter(({ sheet }) => sheet === at);
  // The ticks may reach the server before the layout does.
  const [entry] = await tick(started, [first!.id]);
  expect(await store()).toHaveProperty('offcut-90');
  await settle(started);
  expect(await store()).not.toHaveProperty('offcut-90');
  expect(await history(`${started.layout.id}#${at}`)).toMatchObject({ id: 'offcut-90', state: 'cut' });
  await untick(started.id, entry!);
  expect(await store()).toHaveProperty('offcut-90');
  const { body } = await app.api.get('/api/stock/offcut-90').expect(200);
  expect((body as Row)['events'].map(({ kind }: Row) => kind)).toEqual(['kept', 'cut', 'uncut']);
});

test('two devices tick the last cuts of one sheet at once: one offcut each, none doubled', async () => {
  const started = await begun(true);
  await settle(started);
  const before = await offcuts();
  const cuts = cutsOf(started);
  await tick(started, cuts.slice(0, -1));
  await Promise.all([tick(started, cuts.slice(-1)), tick(started, cuts.slice(-1)), tick(started, cuts.slice(-1))]);
  const fresh = (await offcuts()).filter((id) => !before.includes(id));
  const origins = (await Promise.all(fresh.map(async (id) => ((await app.api.get(`/api/stock/${id}`)).body as Row)['piece'].from as string))).sort();
  expect(new Set(origins).size).toBe(origins.length);
  expect(origins.every((from) => from.startsWith(`${started.layout.id}/`))).toBe(true);
});
