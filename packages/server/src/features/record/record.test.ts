import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { testApp, type TestApp } from '../../test/app.ts';

let app: TestApp;
beforeAll(async () => void (app = await testApp()));
afterAll(() => app.close());

const at = '/api/projects/print-room/record';
const reading = (id: string, value = '17.9 mm') => ({ id, at: '2026-04-01T08:00:00Z', kind: 'thickness', reading: { product: 'birch-18', value } });
const post = (...entries: object[]) => app.api.post(at).send({ entries });

describe('the shop record', () => {
  test('keeps entries in the order they came, and gives those after a sequence', async () => {
    const { body } = await post(reading('r1'), reading('r2', '18 mm')).expect(201);
    // Those that were sent, and no others.
    expect(body.map(({ entry }: { entry: { id: string } }) => entry.id)).toEqual(['r1', 'r2']);
    const last = body.at(-2).sequence as number;
    const later = await app.api.get(`${at}?after=${last}`).expect(200);
    expect(later.body).toHaveLength(1);
  });

  test('the same id posted twice is one entry, and what it said first stays', async () => {
    await post(reading('twice', '17.5 mm')).expect(201);
    const { body } = await post(reading('twice', '19 mm'), reading('beside')).expect(201);
    const mine = body.filter(({ entry }: { entry: { id: string } }) => entry.id === 'twice');
    expect(mine).toHaveLength(1);
    expect(mine[0].entry.reading.value).toBe('17.5 mm');
  });

  test('a queue sent again by several devices at once leaves each entry once', async () => {
    const queue = Array.from({ length: 30 }, (_, n) => reading(`q${n}`));
    await Promise.all(Array.from({ length: 6 }, () => post(...queue)));
    const { body } = await app.api.get(at).expect(200);
    const ids = (body as { entry: { id: string } }[]).map(({ entry }) => entry.id).filter((id) => /^q\d+$/.test(id));
    expect(ids).toHaveLength(30);
  });

  test('a scan of the wall is kept sample by sample', async () => {
    const scan = { up: '1500 mm', samples: Array.from({ length: 960 }, (_, n) => ({ at: n * 5, level: (n * 7) % 100 })) };
    const { body } = await post({ id: 'scan-1', at: '2026-04-01T08:00:00Z', kind: 'scan', scan }).expect(201);
    expect(body.find(({ entry }: { entry: { id: string } }) => entry.id === 'scan-1').entry.scan).toEqual(scan);
  });

  test('parts as they were cut, slots that were made, readings by sheet and place, and test cuts of a fence come back as they went', async () => {
    const time = '2026-04-01T08:00:00Z';
    const facts = [
      { id: 'cut-1', at: time, kind: 'as-cut', asCut: { panel: 'ink/shelf/s1', length: '675.4 mm', thickness: '17.9 mm' } },
      {
        id: 'made-1',
        at: time,
        kind: 'made',
        made: ['ink/side/left:ink/shelf/s1:start'],
        slots: [{ operation: 'ink/side/left:ink/shelf/s1:start', width: '18 mm', depth: '6 mm', at: '260 mm' }],
      },
      { id: 'sheet-1', at: time, kind: 'thickness', reading: { product: 'birch-18', value: '17.8 mm', sheet: 'B', place: 'far-left' } },
      { id: 'fence-1', at: time, kind: 'test-cut', testCut: { of: 'place', cutter: 'table-saw/fence', thick: '100 mm', came: '100.3 mm' } },
    ];
    const { body } = await post(...facts).expect(201);
    for (const fact of facts) expect(body.find(({ entry }: { entry: { id: string } }) => entry.id === fact.id).entry).toEqual(fact);
  });

  test('all or none: one bad entry keeps the good ones out', async () => {
    const { body } = await post(reading('good'), reading('bad', '-3 mm')).expect(400);
    expect(body.where).toContain('entries[1]');
    const all = (await app.api.get(at)).body as { entry: { id: string } }[];
    expect(all.some(({ entry }) => entry.id === 'good')).toBe(false);
  });

  test.each<[string, unknown]>([
    ['no entries', { entries: [] }],
    ['no list', { entries: 'x' }],
    ['a strange field', { entries: [{ ...reading('x'), colour: 'red' }] }],
    ['a kind nobody knows', { entries: [{ ...reading('x'), kind: 'rumour' }] }],
    ['a time that is none', { entries: [{ ...reading('x'), at: 'soon' }] }],
    ['a scan without samples', { entries: [{ id: 'x', at: '2026-04-01T08:00:00Z', kind: 'scan' }] }],
    ['a sample past all walls', { entries: [{ id: 'x', at: '2026-04-01T08:00:00Z', kind: 'scan', scan: { up: '1 m', samples: [{ at: 1e9, level: 5 }] } }] }],
    ['a level over 100', { entries: [{ id: 'x', at: '2026-04-01T08:00:00Z', kind: 'scan', scan: { up: '1 m', samples: [{ at: 5, level: 101 }] } }] }],
    ['a place that is on no sheet', { entries: [{ ...reading('x'), reading: { product: 'birch-18', value: '18 mm', sheet: 'A', place: 'under' } }] }],
    ['a cut part that was not measured', { entries: [{ id: 'x', at: '2026-04-01T08:00:00Z', kind: 'as-cut', asCut: { panel: 'ink/shelf/s1' } }] }],
    ['slots of something that was not made', { entries: [{ ...reading('x'), slots: [] }] }],
    ['a reading without a value', { entries: [{ ...reading('x'), reading: { product: 'birch-18' } }] }],
  ])('%s is refused', async (_name, body) => {
    const answer = await app.api
      .post(at)
      .send(body as object)
      .expect(400);
    expect(answer.body).toMatchObject({ code: expect.any(String), where: expect.any(String), accepted: expect.any(String) });
  });

  test('notes for next time are told with the kind of unit they are of, until they are taken back', async () => {
    const note = (id: string, nextTime: boolean, unit = 'ink') => ({
      id,
      at: '2026-04-02T08:00:00Z',
      kind: 'note',
      note: { text: `note ${id}`, photos: [], nextTime, unit },
    });
    await post(note('next-1', true), note('other-1', false), note('gone-1', true, 'no-such-unit')).expect(201);
    const told = async () =>
      ((await app.api.get('/api/next-time').expect(200)).body as { text: string }[]).filter(({ text }) => /(next|other|gone)-1$/.test(text));
    expect(await told()).toEqual([{ family: 'shelf-box', unit: 'Ink cupboard', text: 'note next-1', at: '2026-04-02T08:00:00Z' }]);
    await post({ id: 'back-1', at: '2026-04-02T09:00:00Z', kind: 'withdrawn', withdraws: 'next-1' }).expect(201);
    expect(await told()).toEqual([]);
  });

  test.each<[string, object]>([
    ['a note that says nothing', { kind: 'note', note: { text: ' ', photos: [], nextTime: false } }],
    ['an opening nobody measured', { kind: 'opening', opening: { space: 'ink/opening/bottom' } }],
    ['a step of a kind nobody knows', { kind: 'step', done: { step: 'ink/x', kind: 'guess' } }],
    ['minutes below nothing', { kind: 'step', done: { step: 'ink/x', kind: 'label', minutes: -1 } }],
    ['diagonals with one missing', { kind: 'diagonals', diagonals: { assembly: 'ink/side/left', one: '900 mm' } }],
    ['a part that is kept somehow', { kind: 'kept', kept: { panel: 'ink/shelf/s1', how: 'hidden' } }],
  ])('%s is refused', async (_name, fact) => {
    const { body } = await post({ id: 'x', at: '2026-04-01T08:00:00Z', ...fact }).expect(400);
    expect(body).toMatchObject({ code: expect.any(String), where: expect.stringContaining('entries[0]'), accepted: expect.any(String) });
  });

  test('a query that is no number, and a project that is not there', async () => {
    await app.api.get(`${at}?after=x`).expect(400);
    await app.api
      .post('/api/projects/none/record')
      .send({ entries: [reading('x')] })
      .expect(404);
  });
});

describe('following a record', () => {
  type Answer = readonly { readonly sequence: number; readonly entry: { readonly id: string } }[];
  const fresh = async (): Promise<string> => ((await app.api.post('/api/projects/print-room/duplicate').expect(201)).body as { id: string }).id;

  test('while six devices write at once nobody misses an entry', async () => {
    const id = await fresh();
    const writers = Array.from({ length: 6 }, async (_, writer) => {
      for (let n = 0; n < 60; n++)
        await app.api
          .post(`/api/projects/${id}/record`)
          .send({ entries: [reading(`w${writer}-${n}`)] })
          .expect(201);
    });
    const followers = Array.from({ length: 3 }, async () => {
      const seen = new Set<string>();
      let after = 0;
      const ask = async (): Promise<number> => {
        const page = (await app.api.get(`/api/projects/${id}/record?after=${after}`).expect(200)).body as Answer;
        for (const { sequence, entry } of page) {
          expect(sequence).toBeGreaterThan(after);
          after = sequence;
          seen.add(entry.id);
        }
        return page.length;
      };
      let isWriting = true;
      void Promise.all(writers).then(() => (isWriting = false));
      while (isWriting) await ask();
      while ((await ask()) > 0);
      return [...seen].filter((entry) => entry.startsWith('w')).length;
    });
    expect(await Promise.all(followers)).toEqual([360, 360, 360]);
  });

  test('a page has at most 200 entries, and the last one is the place to read on from', async () => {
    const id = await fresh();
    const queue = Array.from({ length: 450 }, (_, n) => reading(`p${n}`));
    await app.api.post(`/api/projects/${id}/record`).send({ entries: queue }).expect(201);
    const lengths: number[] = [];
    let after = 0;
    do {
      const page = (await app.api.get(`/api/projects/${id}/record?after=${after}`).expect(200)).body as Answer;
      lengths.push(page.length);
      after = page.at(-1)?.sequence ?? after;
    } while (lengths.at(-1) === 200);
    expect(lengths.slice(0, 2)).toEqual([200, 200]);
  });

  test('ids are compared byte by byte', async () => {
    const id = await fresh();
    const ids = ['abcdef', 'ABCDEF', 'ss1', 'ß1', 'e', 'é', 'a', 'a '];
    await app.api
      .post(`/api/projects/${id}/record`)
      .send({ entries: ids.map((each) => reading(each)) })
      .expect(201);
    const page = (await app.api.get(`/api/projects/${id}/record`).expect(200)).body as Answer;
    expect(page.map(({ entry }) => entry.id).filter((each) => ids.includes(each))).toEqual(ids);
    await app.api.get(`/api/projects/${id.toUpperCase()}`).expect(404);
  });
});
