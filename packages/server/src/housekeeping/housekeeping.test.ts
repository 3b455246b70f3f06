import { mkdirSync, mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import sharp from 'sharp';
import { testApp, type TestApp } from '../test/app.ts';
import { DiskService } from './disk.service.ts';
import { HousekeepingService } from './housekeeping.service.ts';

const dataFolder = mkdtempSync(join(tmpdir(), 'keen-house-'));
let app: TestApp;
let picture: Buffer;
beforeAll(async () => {
  app = await testApp({ dataFolder });
  picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#8a6a3a' } })
    .png()
    .toBuffer();
});
afterAll(() => app.close());

const files = (): string[] => readdirSync(dataFolder, { recursive: true, encoding: 'utf8' }).filter((name) => /\.jpg|incoming\/|photos\/.*\//.test(name));
const copy = async (): Promise<string> => ((await app.api.post('/api/projects/print-room/duplicate').expect(201)).body as { id: string }).id;
const rows = async (table: string, id: string): Promise<number> => {
  const [{ count }] = (await app.sql(`select count(*) as count from {db}.${table} where project_id = '${id}'`)) as [{ count: number }];
  return Number(count);
};
const house = (): HousekeepingService => app.nest.get(HousekeepingService);

describe('the hourly round', () => {
  test('empties the trash after its term, with revisions, record and pictures; not before', async () => {
    const [old, recent] = [await copy(), await copy()];
    for (const id of [old, recent]) {
      await app.api.put(`/api/projects/${id}/photos/photo-0001`).send(picture).expect(200);
      await app.api.delete(`/api/projects/${id}`).expect(204);
    }
    await app.sql(`update {db}.projects set deleted_at = now(3) - interval 31 day where id = '${old}'`);
    expect((await house().sweep()).projects).toBe(1);
    for (const table of ['revisions', 'record_entries', 'photos', 'project_units']) expect([table, await rows(table, old)]).toEqual([table, 0]);
    expect(files().some((name) => name.includes(old))).toBe(false);
    await app.api.post(`/api/projects/${recent}/restore`).expect(201);
    await app.api.get(`/api/projects/${recent}/photos/photo-0001`).expect(200);
  });

  test('sweeps files nothing owns, and only those', async () => {
    const id = await copy();
    await app.api.put(`/api/projects/${id}/photos/photo-0002`).send(picture).expect(200);
    const before = files().sort();
    mkdirSync(join(dataFolder, 'photos', 'nobody'), { recursive: true });
    mkdirSync(join(dataFolder, 'incoming'), { recursive: true });
    for (const name of ['photos/nobody/photo-0003.jpg', `photos/${id}/photo-0004.jpg`, `photos/${id}/photo-0002.jpg.cut-off`, 'incoming/half'])
      writeFileSync(join(dataFolder, name), 'x');
    expect((await house().sweep()).files).toBe(0);
    expect((await house().sweep(-1)).files).toBe(4);
    expect(files().sort()).toEqual(before);
  });
});

describe('a disk that fills', () => {
  test('is told by health, and refuses what would write before it is full; deleting goes on', async () => {
    const id = await copy();
    const disk = app.nest.get(DiskService) as unknown as { freeMb: () => Promise<number>; last: null };
    const real = disk.freeMb;
    const leave = (mb: number): void => void Object.assign(disk, { freeMb: () => Promise.resolve(mb), last: null });
    try {
      leave(600);
      expect((await app.api.get('/api/health').expect(200)).body.disk).toEqual({ freeMb: 600, isLow: true });
      leave(40);
      const { body } = await app.api.post('/api/projects/print-room/duplicate').expect(507);
      expect(body).toMatchObject({ code: 'disk-full', message: expect.stringContaining('40 MB') });
      await app.api.get('/api/projects').expect(200);
      await app.api.delete(`/api/projects/${id}`).expect(204);
    } finally {
      Object.assign(disk, { freeMb: real, last: null });
    }
    await app.api.post('/api/projects/print-room/duplicate').expect(201);
  });
});
