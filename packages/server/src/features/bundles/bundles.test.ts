import { mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { readBundle } from '@keen/exchange';
import { zipSync } from 'fflate';
import sharp from 'sharp';
import { testApp, type TestApp } from '../../test/app.ts';

const dataFolder = mkdtempSync(join(tmpdir(), 'keen-bundles-'));
let app: TestApp;
beforeAll(async () => void (app = await testApp({ dataFolder })));
afterAll(() => app.close());

const pictures = (): string[] => {
  try {
    return readdirSync(join(dataFolder, 'photos'), { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('.jpg'));
  } catch {
    return [];
  }
};
const open = (bytes: Uint8Array) => app.api.post('/api/bundles').set('Content-Type', 'application/zip').send(Buffer.from(bytes));
const count = async (): Promise<number> => ((await app.api.get('/api/projects').expect(200)).body as unknown[]).length;
const saved = async (id: string): Promise<Buffer> => (await app.api.get(`/api/projects/${id}/bundle`).responseType('blob').expect(200)).body as Buffer;

describe('a project with its pictures', () => {
  test('is saved and opened again as a project of its own, pictures and all', async () => {
    const bytes = await sharp({ create: { width: 90, height: 60, channels: 3, background: '#8a6a3a' } })
      .png()
      .toBuffer();
    await app.api.put('/api/projects/print-room/photos/photo-0001').set('Content-Type', 'image/png').send(bytes).expect(200);
    const note = { id: 'note-1', at: '2026-03-01T10:00:00.000Z', kind: 'note', note: { text: 'Back is proud', photos: ['photo-0001'], nextTime: true } };
    await app.api
      .post('/api/projects/print-room/record')
      .send({ entries: [note] })
      .expect(201);
    const zip = await saved('print-room');
    const { body } = await open(zip).expect(201);
    const { id } = body as { id: string };
    const record = (await app.api.get(`/api/projects/${id}/record`).expect(200)).body as { entry: { note?: { photos: string[] } } }[];
    const [own] = record.flatMap(({ entry }) => entry.note?.photos ?? []);
    expect(own).not.toBe('photo-0001');
    const shown = await app.api.get(`/api/projects/${id}/photos/${own}`).expect(200);
    expect((await sharp(shown.body as Buffer).metadata()).width).toBe(90);
    const again = readBundle(await saved(id));
    const before = readBundle(zip);
    expect(again.ok && before.ok && again.value.project.design).toEqual(before.ok && before.value.project.design);
  });

  test('what is no bundle, or holds a picture that is none, is refused in words; no project and no file is left', async () => {
    const [projects, files] = [await count(), pictures().length];
    const zip = await saved('print-room');
    await open(zip.subarray(0, zip.length - 3000)).expect(400);
    const { body } = await open(Buffer.from('no archive at all')).expect(400);
    expect(body).toMatchObject({ code: 'not-json', accepted: 'a complete JSON file' });
    const read = readBundle(zip);
    if (!read.ok) throw new Error(read.problem.message);
    const { bundleZip } = await import('@keen/exchange');
    const { body: picture } = await open(bundleZip({ ...read.value, photos: new Map([['photo-0001', Buffer.from('a text')]]) })).expect(400);
    expect(picture).toMatchObject({ code: 'not-a-picture' });
    expect([await count(), pictures().length]).toEqual([projects, files]);
  });

  test('a picture that is still on its way is told', async () => {
    const note = { id: 'note-2', at: '2026-03-02T10:00:00.000Z', kind: 'note', note: { text: '', photos: ['photo-later'], nextTime: false } };
    await app.api
      .post('/api/projects/type-store/record')
      .send({ entries: [note] })
      .expect(201);
    const { body } = await app.api.get('/api/projects/type-store/bundle').expect(409);
    expect(body).toMatchObject({ code: 'missing-picture', where: 'photos/photo-later' });
  });

  test('a project that is not there has none', () => app.api.get('/api/projects/nowhere/bundle').expect(404));
});

describe('files as large as a long record makes them', () => {
  test('a project of more than five megabytes comes back from its own bundle and file', async () => {
    const { body } = await app.api.post('/api/projects/print-room/duplicate').expect(201);
    const id = body.id as string;
    const note = (n: number) => ({
      id: `long-${n}`,
      at: '2026-03-01T10:00:00.000Z',
      kind: 'note',
      note: { text: `${String(n).padStart(4, '0')} `.repeat(390), photos: [], nextTime: false },
    });
    for (let from = 0; from < 3000; from += 500)
      await app.api
        .post(`/api/projects/${id}/record`)
        .send({ entries: Array.from({ length: 500 }, (_, n) => note(from + n)) })
        .expect(201);
    const file = (await app.api.get(`/api/projects/${id}/file`).responseType('blob').expect(200)).body as Buffer;
    expect(file.length).toBeGreaterThan(5_000_000);
    for (const bytes of [file, await saved(id)]) {
      const opened = (await open(bytes).expect(201)).body as { id: string };
      const [{ count: entries }] = (await app.sql(`select count(*) as count from {db}.record_entries where project_id = '${opened.id}'`)) as [
        { count: number },
      ];
      expect(Number(entries)).toBeGreaterThanOrEqual(3000);
    }
  });

  test('an archive that unfolds to a thousand times its size is refused before it has', async () => {
    const bomb = zipSync({ 'project.carcass.json': new Uint8Array(240_000_000) });
    expect(bomb.length).toBeLessThan(300_000);
    const answers = await Promise.all(Array.from({ length: 8 }, () => open(bomb)));
    for (const { status, body } of answers) {
      const { code, message } = body as { code: string; message: string };
      // By the ratio, which is passed long before the megabytes are: no more of it was unfolded.
      expect([status, code, message]).toEqual([400, 'unfolds', expect.stringContaining('times its size')]);
    }
  });

  test('nothing of what was received stays behind', () => {
    expect(readdirSync(join(dataFolder, 'incoming'))).toEqual([]);
  });
});
