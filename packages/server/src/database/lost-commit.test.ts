/** A database that goes away in the middle of a save: what is said about it is true. */
import { afterAll, afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { testApp, type TestApp } from '../test/app.ts';

type Row = Record<string, any>;
let app: TestApp;
let commit: () => Promise<void>;
/** The transactions of the library, whose COMMIT can be made to lose its answer. */
let prototype: { commit: () => Promise<void> };
beforeAll(async () => {
  app = await testApp();
  const transaction = await app.sequelize.transaction();
  prototype = Object.getPrototypeOf(transaction) as typeof prototype;
  ({ commit } = prototype);
  await transaction.rollback();
});
afterEach(() => void (prototype.commit = commit));
afterAll(() => app.close());

const lost = (): Error => Object.assign(new Error('Connection lost: The server closed the connection.'), { code: 'PROTOCOL_CONNECTION_LOST' });
/** `isKept`: the database had got it before the connection went. */
function loseNextCommit(isKept: boolean): void {
  prototype.commit = async function (this: { commit: () => Promise<void>; rollback: () => Promise<void> }) {
    prototype.commit = commit;
    if (isKept) await commit.call(this);
    else await this.rollback();
    throw lost();
  };
}
const read = async (): Promise<Row> => (await app.api.get('/api/projects/print-room').expect(200)).body as Row;
const save = (base: number, document: Row) => app.api.put('/api/projects/print-room').send({ base, session: 'tab', document });

describe.each([true, false])('the answer to COMMIT is lost, kept: %s', (isKept) => {
  test('it is said that it is not known, and asking again tells', async () => {
    const { revision, document } = await read();
    const renamed = { ...document, name: `Print room, ${isKept}` };
    loseNextCommit(isKept);
    const answer = await save(revision, renamed).expect(503).expect('Retry-After', '2');
    expect(answer.body).toMatchObject({ code: 'unknown', message: expect.stringContaining('not known whether') });
    // What the page does: the same again.
    const again = await save(revision, renamed);
    if (isKept) expect([again.status, (again.body as Row)['current'].document]).toEqual([409, renamed]);
    else expect(again.status).toBe(200);
    expect((await read())['document'].name).toBe(renamed.name);
  });

  test('entries of the record sent again are there once', async () => {
    const entries = [{ id: `lost-${isKept}`, at: '2026-04-01T08:00:00Z', kind: 'thickness', reading: { product: 'birch-18', value: '17.9 mm' } }];
    const post = () => app.api.post('/api/projects/print-room/record').send({ entries });
    loseNextCommit(isKept);
    await post().expect(503);
    expect((await post().expect(201)).body).toHaveLength(1);
    const all = (await app.api.get('/api/projects/print-room/record').expect(200)).body as Row[];
    expect(all.filter(({ entry }) => entry.id === entries[0]!.id)).toHaveLength(1);
  });
});

test('a database that is away is a 503 with a retry, whatever was asked', async () => {
  const { connectionManager } = app.sequelize as unknown as { connectionManager: { getConnection: (options: object) => Promise<object> } };
  const getConnection = connectionManager.getConnection.bind(connectionManager);
  connectionManager.getConnection = () => Promise.reject(lost());
  try {
    for (const [method, path, body] of [
      ['get', '/api/projects', undefined],
      ['get', '/api/projects/print-room', undefined],
      ['post', '/api/projects/print-room/duplicate', {}],
      ['get', '/api/workshop', undefined],
      ['get', '/api/health', undefined],
      ['post', '/api/stock/reserve', { project: 'print-room', pieces: ['x'] }],
    ] as const)
      expect([path, (await app.api[method](path).send(body)).status]).toEqual([path, 503]);
  } finally {
    connectionManager.getConnection = getConnection;
  }
  await app.api.get('/api/health').expect(200);
});
