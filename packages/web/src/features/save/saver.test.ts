/** @jest-environment ./src/test/browser.mjs */
/** One save in flight, half a second after the last key, with an outbox behind it: tried against a server that answers as told. */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { designCodec, entered, recordCodec, starterWorkshop, type Json } from '@keen/core';
import { DESIGN as design, READINGS } from '../../test/print-room.ts';

interface Sent {
  readonly path: string;
  readonly method: string;
  readonly body: any;
}
type Answer = { status: number; body: unknown } | 'away';

const sent: Sent[] = [];
let answers: ((sent: Sent) => Answer | Promise<Answer>)[] = [];
const held = new Map<string, { document: Json }>();

jest.unstable_mockModule('../../app/api.ts', () => ({
  api: { reducerPath: 'api', reducer: (state = {}) => state, middleware: () => (next: (action: unknown) => unknown) => next },
  KEEP_COPY: {},
  request: async (path: string, method = 'GET', body?: unknown) => {
    const asked: Sent = { path, method, body };
    sent.push(asked);
    const answer = await (answers.shift() ?? (() => 'away' as const))(asked);
    if (answer === 'away') throw new TypeError('nobody answers');
    return answer;
  },
}));
jest.unstable_mockModule('./outbox.ts', () => ({
  waitingCount: () => Promise.resolve(held.size),
  hold: (row: { project: string; document: Json }) => Promise.resolve(void held.set(row.project, row)),
  release: (project: string) => Promise.resolve(void held.delete(project)),
}));

const { startSaver } = await import('./saver.ts');
const { makeStore } = await import('../../app/store.ts');
const { edited, entryAdded, oursKept, projectOpened, refusedEntriesRemoved } = await import('../project/project.slice.ts');

const length = (text: string) => entered(text);

let store: ReturnType<typeof makeStore>;
let saver: ReturnType<typeof startSaver>;
const set = (field: 'width' | 'height', text: string): void =>
  void store.dispatch(edited({ edit: [{ path: ['units', 'ink', field], value: length(text) }], key: field }));
const save = () => store.getState().project.open!.save.kind;
const ok = (revision: number) => (): Answer => ({ status: 200, body: { revision } });
const pass = (ms: number): Promise<void> => jest.advanceTimersByTimeAsync(ms);

beforeEach(() => {
  jest.useFakeTimers();
  sent.length = 0;
  answers = [];
  held.clear();
  store = makeStore();
  store.dispatch(
    projectOpened({
      id: 'p',
      demo: false,
      design,
      base: { revision: 3, design },
      record: [],
      queue: [],
      workshop: starterWorkshop(),
      workshopRevision: 1,
      save: { kind: 'saved', at: 0 },
    }),
  );
  saver = startSaver(store, 'tab');
});
afterEach(() => {
  saver.stop();
  jest.useRealTimers();
});

describe('a good day', () => {
  test('nothing is sent while keys follow one another; half a second after the last, once', async () => {
    answers = [ok(4)];
    for (const width of ['6 m', '61 mm', '610 mm', '615 mm']) {
      set('width', width);
      await pass(200);
    }
    expect(sent).toEqual([]);
    await pass(500);
    expect(sent).toHaveLength(1);
    expect(sent[0]).toMatchObject({ path: 'projects/p', method: 'PUT', body: { base: 3, session: 'tab' } });
    expect(sent[0]!.body.document.units.ink.width).toBe('615 mm');
    expect(save()).toBe('saved');
  });

  test('the outbox holds it until the server has answered, and not after', async () => {
    let answer: (value: Answer) => void = () => {};
    answers = [() => new Promise((resolve) => (answer = resolve))];
    set('width', '610 mm');
    await pass(600);
    expect((held.get('p')!.document as any).units.ink.width).toBe('610 mm');
    answer({ status: 200, body: { revision: 4 } });
    await pass(200);
    expect(held.has('p')).toBe(false);
    expect(save()).toBe('saved');
  });

  test('what is typed while a save is on its way goes with the next, on the new revision', async () => {
    let answer: (value: Answer) => void = () => {};
    answers = [() => new Promise((resolve) => (answer = resolve)), ok(5)];
    set('width', '610 mm');
    await pass(600);
    set('height', '710 mm');
    await pass(100);
    answer({ status: 200, body: { revision: 4 } });
    await pass(1200);
    expect(sent.map(({ body }) => [body.base, body.document.units.ink.height])).toEqual([
      [3, '820 mm'],
      [4, '710 mm'],
    ]);
    expect(save()).toBe('saved');
  });
});

describe('nobody answers', () => {
  test('it is held and said, tried again and again, and saved when somebody does', async () => {
    answers = [() => 'away', () => 'away', ok(4)];
    set('width', '610 mm');
    await pass(600);
    expect(save()).toBe('held');
    expect(held.has('p')).toBe(true);
    await pass(1100);
    expect(save()).toBe('held');
    await pass(2100);
    expect(save()).toBe('saved');
    expect(sent).toHaveLength(3);
  });

  test('a server that is up but cannot save is no better', async () => {
    answers = [() => ({ status: 503, body: { code: 'database-down' } }), ok(4)];
    set('width', '610 mm');
    await pass(600);
    expect(save()).toBe('held');
    await pass(1100);
    expect(save()).toBe('saved');
  });

  test('a refusal is said and not sent again until something changes', async () => {
    answers = [() => ({ status: 400, body: { code: 'range', message: 'too wide', where: 'width', accepted: 'less' } }), ok(4)];
    set('width', '610 mm');
    await pass(10_000);
    expect(save()).toBe('refused');
    expect(sent).toHaveLength(1);
    set('width', '620 mm');
    await pass(600);
    expect(save()).toBe('saved');
  });
});

describe('an entry of the record that is refused', () => {
  const entry = (id: string) => ({ ...READINGS[0]!, id });
  const refusal: Answer = { status: 400, body: { code: 'value', message: 'a reading of nothing', where: 'record', accepted: 'a reading' } };
  const kept = (...ids: string[]): Answer => ({ status: 201, body: ids.map((id, n) => ({ sequence: n + 10, entry: recordCodec.write(entry(id)) })) as never });

  test('stands in nobody’s way, is not sent again, and the page does not say saved', async () => {
    answers = [() => refusal, () => kept('good-0001'), () => refusal, ok(4), ok(5)];
    store.dispatch(entryAdded(entry('good-0001')));
    store.dispatch(entryAdded(entry('bad-00001')));
    set('width', '610 mm');
    await pass(20_000);
    expect(sent).toHaveLength(4);
    const { queue, refusedEntries } = store.getState().project.open!;
    expect([queue.map(({ id }) => id), refusedEntries.map(({ id }) => id), save()]).toEqual([['bad-00001'], ['bad-00001'], 'refused']);
    set('width', '620 mm');
    await pass(20_000);
    expect([sent.length, save()]).toEqual([5, 'refused']);
    store.dispatch(refusedEntriesRemoved(Date.now()));
    await pass(1000);
    expect([save(), store.getState().project.open!.queue]).toEqual(['saved', []]);
    expect(sent).toHaveLength(5);
  });
});

describe('someone else saved first', () => {
  const theirs = (change: (document: any) => void): Answer => {
    const document = JSON.parse(JSON.stringify(designCodec.write(design))) as any;
    change(document);
    return { status: 409, body: { code: 'stale', message: '', where: 'base', accepted: '9', current: { revision: 9, document } } };
  };

  test('what goes together is put together and sent on theirs', async () => {
    answers = [() => theirs((document) => (document.units.ink.height = '800 mm')), ok(10)];
    set('width', '610 mm');
    await pass(600);
    expect(store.getState().project.open!.notice!.text).toContain('both changes are in');
    await pass(600);
    expect(sent[1]!.body).toMatchObject({ base: 9, document: { units: { ink: { width: '610 mm', height: '800 mm' } } } });
    expect(save()).toBe('saved');
  });

  test('its own earlier save, that got through while the page was loaded again, is nobody else', async () => {
    const document = JSON.parse(JSON.stringify(designCodec.write(design))) as any;
    document.units.ink.width = '590 mm';
    const own = (): Answer => ({
      status: 409,
      body: { code: 'stale', message: '', where: 'base', accepted: '9', current: { revision: 9, document, session: sent[0]!.body.session } },
    });
    answers = [own, ok(10)];
    set('width', '610 mm');
    await pass(600);
    expect(store.getState().project.open!).toMatchObject({ twoVersions: null, base: { revision: 9 } });
    await pass(600);
    expect(sent[1]!.body).toMatchObject({ base: 9, document: { units: { ink: { width: '610 mm' } } } });
    expect(save()).toBe('saved');
  });

  test('what does not is put to the person, and nothing is sent until they have said', async () => {
    answers = [() => theirs((document) => (document.units.ink.width = '590 mm')), ok(10)];
    set('width', '610 mm');
    await pass(600);
    expect(store.getState().project.open!.twoVersions!.conflicts).toEqual(['units.ink.width']);
    set('height', '720 mm');
    await pass(20_000);
    expect(sent).toHaveLength(1);
    expect(held.has('p')).toBe(true);
    // Keeping ours changes nothing but what it stands on, and is still sent.
    store.dispatch(oursKept());
    await pass(600);
    expect(sent[1]!.body).toMatchObject({ base: 9, document: { units: { ink: { width: '610 mm', height: '720 mm' } } } });
    expect(save()).toBe('saved');
  });
});

test('facts of the shop record go first, on their own, and leave the queue when they are confirmed', async () => {
  const entry = { id: 'r1', at: '2026-03-01T09:00:00Z', kind: 'thickness', reading: { product: 'birch-18', value: '17.8 mm' } };
  answers = [() => ({ status: 201, body: [{ sequence: 1, entry }] }), ok(4)];
  store.dispatch(entryAdded({ id: 'r1', at: entry.at, kind: 'thickness', reading: { product: 'birch-18', value: length('17.8 mm') } }));
  set('width', '610 mm');
  await pass(600);
  expect(sent.map(({ path }) => path)).toEqual(['projects/p/record', 'projects/p']);
  expect(store.getState().project.open).toMatchObject({ queue: [], record: [{ id: 'r1' }] });
});

test('a long queue goes in chunks of 200, each confirmed before the next', async () => {
  const entry = (n: number) => ({
    id: `r${n}`,
    at: '2026-03-01T09:00:00Z',
    kind: 'thickness' as const,
    reading: { product: 'birch-18', value: length('17.8 mm') },
  });
  let sequence = 0;
  const confirm = ({ body }: Sent): Answer => ({ status: 201, body: body.entries.map((each: object) => ({ sequence: ++sequence, entry: each })) });
  answers = [confirm, confirm, confirm];
  for (let n = 0; n < 501; n++) store.dispatch(entryAdded(entry(n)));
  await pass(600);
  expect(sent.map(({ body }) => body.entries.length)).toEqual([200, 200, 101]);
  expect(store.getState().project.open).toMatchObject({ queue: [], sequence: 501 });
});

describe('the answer to a save is lost', () => {
  const lost = (): Answer => ({ status: 503, body: { code: 'unknown', message: 'not known', where: 'database', accepted: 'look again' } });

  test('it is said that it is being checked; where it was kept after all nobody is asked and nothing is doubled', async () => {
    answers = [
      lost,
      ({ body }) => ({ status: 409, body: { code: 'stale', message: '', where: 'base', accepted: '4', current: { revision: 4, document: body.document } } }),
    ];
    set('width', '610 mm');
    await pass(600);
    expect(save()).toBe('checking');
    await pass(1100);
    expect(save()).toBe('saved');
    expect(store.getState().project.open).toMatchObject({ notice: null, twoVersions: null, base: { revision: 4 } });
    expect(sent).toHaveLength(2);
  });

  test('where it was not, it is saved now', async () => {
    answers = [lost, ok(4)];
    set('width', '610 mm');
    await pass(1800);
    expect(save()).toBe('saved');
    expect(store.getState().project.open!.base.revision).toBe(4);
  });
});
