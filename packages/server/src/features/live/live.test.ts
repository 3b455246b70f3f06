import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Server } from 'node:http';
import { testApp, type TestApp } from '../../test/app.ts';

let app: TestApp;
beforeAll(async () => void (app = await testApp()));
afterAll(() => app.close());

/** Follows a project until `count` events have come, and gives them. */
async function follow(count: number, during: () => PromiseLike<unknown>): Promise<{ readonly type: string; readonly data: Record<string, unknown> }[]> {
  const { port } = ((app.api as unknown as { readonly app: Server }).app.address() as AddressInfo) ?? {};
  const stop = new AbortController();
  const answer = await fetch(`http://127.0.0.1:${port}/api/projects/print-room/live`, { signal: stop.signal });
  expect(answer.headers.get('content-type')).toContain('text/event-stream');
  const reader = answer.body!.getReader();
  let text = new TextDecoder().decode((await reader.read()).value);
  // A request of the test library is sent when it is waited for.
  const acted = Promise.resolve(during());
  const events = () =>
    text
      .split('\n\n')
      .filter((block) => block.includes('data:') && block.includes('event:'))
      .filter((block) => !block.includes('event: beat'))
      .map((block) => ({ type: /event: (.*)/.exec(block)![1]!, data: JSON.parse(/data: (.*)/.exec(block)![1]!) as Record<string, unknown> }));
  while (events().length < count) {
    const { value, done } = await reader.read();
    if (done) break;
    text += new TextDecoder().decode(value);
  }
  await acted;
  stop.abort();
  return events();
}

const entry = (id: string) => ({ id, at: '2026-04-01T08:00:00Z', kind: 'step', done: { step: 'ink/label', kind: 'label', planned: 12, minutes: 15 } });

test('whoever follows a project hears of entries, and then asks for what is new', async () => {
  const [event] = await follow(1, () =>
    app.api
      .post('/api/projects/print-room/record')
      .send({ entries: [entry('live-1')] })
      .expect(201),
  );
  expect(event!.type).toBe('record');
  const { body } = await app.api.get(`/api/projects/print-room/record?after=${Number(event!.data['sequence']) - 1}`).expect(200);
  expect(body.map(({ entry: { id } }: { entry: { id: string } }) => id)).toEqual(['live-1']);
});

test('and of a design that was saved, with the tab that did', async () => {
  const { body: project } = await app.api.get('/api/projects/print-room').expect(200);
  const document = { ...project.document, name: 'Print room, renamed' };
  const [event] = await follow(1, () => app.api.put('/api/projects/print-room').send({ base: project.revision, session: 'tab-7', document }).expect(200));
  expect(event).toEqual({ type: 'design', data: { revision: project.revision + 1, session: 'tab-7' } });
});

test('another project’s entries are not told', async () => {
  const events = await follow(1, async () => {
    await app.api.post('/api/projects/type-store/record').send({ entries: [entry('other-1')] });
    await app.api.post('/api/projects/print-room/record').send({ entries: [entry('live-2')] });
  });
  const { body } = await app.api.get('/api/projects/print-room/record').expect(200);
  expect(events[0]!.data['sequence']).toBe(body.at(-1).sequence);
});
