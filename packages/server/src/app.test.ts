import { designCodec } from '@keen/core';
import { readFileSync } from 'node:fs';
import { MIGRATIONS } from './database/migrations/index.ts';
import { up as liftContentsAndWall } from './database/migrations/0002-contents-and-wall.ts';
import { up as liftFamilies } from './database/migrations/0003-families.ts';
import { up as liftSetups } from './database/migrations/0005-setups.ts';
import { liftAll } from './database/migrations/lift.ts';
import { up as liftLayouts } from './database/migrations/0006-layouts.ts';
import { up as liftHanging } from './database/migrations/0010-hanging.ts';
import { up as liftBuild } from './database/migrations/0011-build.ts';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { configFrom } from './config.ts';
import { testApp, type TestApp } from './test/app.ts';

let app: TestApp;
beforeAll(async () => void (app = await testApp()));
afterAll(() => app.close());

test('health asks the database', async () => {
  expect((await app.api.get('/api/health').expect(200)).body).toEqual({ ok: true, database: 'up', disk: { freeMb: expect.any(Number), isLow: false } });
});

describe('who may speak to it', () => {
  test.each<[string, Record<string, string>, number]>([
    ['its own page', { Host: '127.0.0.1:8420', Origin: 'http://127.0.0.1:8420' }, 200],
    ['a command without an origin', { Host: 'localhost:8420' }, 200],
    ['a page of another site', { Host: '127.0.0.1:8420', Origin: 'http://elsewhere.example' }, 403],
    ['a name that was bent to this address', { Host: 'elsewhere.example' }, 403],
    ['a page on another port', { Host: '127.0.0.1:8420', Origin: 'http://127.0.0.1:9999' }, 403],
  ])('%s', async (_name, headers, status) => {
    const { body } = await app.api.get('/api/health').set(headers).expect(status);
    if (status === 403) expect(body).toMatchObject({ code: 'origin', accepted: expect.any(String) });
  });
});

test('a body that is no JSON is refused with its place', async () => {
  const { body } = await app.api.post('/api/projects').set('Content-Type', 'application/json').send('{"design":').expect(400);
  expect(body).toMatchObject({ code: 'not-json', where: 'body' });
});

describe('small things', () => {
  test('HEAD is answered like GET without a body, and holds no stream open', async () => {
    await app.api.head('/api/projects').expect(200);
    await app.api.head('/api/projects/print-room/live').expect(200);
    await app.api.head('/api/nothing').expect(404);
  });

  test.each<[string, string, string]>([
    ['a byte order mark in front', '\uFEFF{"design":{}}', 'design'],
    ['a list', '[]', 'design'],
    ['no field', '{}', 'design'],
  ])('a body with %s is read, and refused with its place', async (_name, text, where) => {
    const { body } = await app.api.post('/api/projects').set('Content-Type', 'application/json').send(text).expect(400);
    expect(body.where).toContain(where);
  });
});

describe('migrations', () => {
  test('a design an older program stored is lifted where it stands, with its history', async () => {
    const old = JSON.parse(readFileSync(new URL('../../core/src/test/version-1.carcass.json', import.meta.url), 'utf8')) as { design: object };
    const text = JSON.stringify(old.design).replaceAll("'", "''");
    await app.sql(`update {db}.projects set document = '${text}' where id = 'print-room'`);
    await app.sql(`update {db}.revisions set document = '${text}' where project_id = 'print-room'`);
    await liftContentsAndWall(app.sequelize.getQueryInterface());
    await liftFamilies(app.sequelize.getQueryInterface());
    await liftSetups(app.sequelize.getQueryInterface());
    await liftLayouts(app.sequelize.getQueryInterface());
    await liftAll(app.sequelize.getQueryInterface(), 6);
    await liftHanging(app.sequelize.getQueryInterface());
    await liftBuild(app.sequelize.getQueryInterface());
    await liftAll(app.sequelize.getQueryInterface(), 9);
    await liftAll(app.sequelize.getQueryInterface(), 10);
    const { body } = await app.api.get('/api/projects/print-room').expect(200);
    const design = designCodec.read(body.document, 'document');
    expect(design.items).toEqual({});
    expect(design.wall.covering.text).toBe('12.5 mm');
    expect(Object.keys(design.units).sort()).toEqual(['ink', 'type']);
    const [revision] = (await app.sql("select document from {db}.revisions where project_id = 'print-room' limit 1")) as { document: unknown }[];
    const kept = typeof revision!.document === 'string' ? (JSON.parse(revision!.document) as unknown) : revision!.document;
    expect(designCodec.read(kept, 'revision').wall.covering.text).toBe('12.5 mm');
  });

  test('each ran once, and a second start runs none', async () => {
    const rows = (await app.sql('select name from {db}.migrations')) as { name: string }[];
    expect(rows.map(({ name }) => name)).toEqual(MIGRATIONS.map(({ name }) => name));
  });
  test('lengths are stored in columns wide enough for nanometres', async () => {
    const rows = (await app.sql(`select data_type as kind from information_schema.columns where table_schema = '{db}' and column_name like '%_nm'`)) as {
      kind: string;
    }[];
    expect(new Set(rows.map(({ kind }) => kind))).toEqual(new Set(['bigint']));
  });
});

describe('settings from the environment', () => {
  const env = { KEEN_PORT: '8420', KEEN_DB_PORT: '3307', KEEN_DB_NAME: 'keen', KEEN_DB_USER: 'keen', KEEN_EXAMPLES: '/x', KEEN_DATA: '/d' };
  test('are read', () => {
    expect(configFrom(env)).toMatchObject({ port: 8420, webRoot: undefined, origins: [] });
  });
  test.each([
    ['KEEN_PORT', '0'],
    ['KEEN_PORT', 'web'],
    ['KEEN_DB_PORT', '70000'],
    ['KEEN_DB_NAME', ''],
  ])('%s=%s is said to be wrong by name', (name, value) => {
    expect(() => configFrom({ ...env, [name]: value })).toThrow(name);
  });
});
