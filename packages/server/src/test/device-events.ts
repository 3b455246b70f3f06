/** Events of a device as the API streams them: lines of JSON, read to the end. Test support. */
import { expect } from '@jest/globals';
import type { TestApp } from './app.ts';

export async function deviceEvents<E>(app: TestApp, path: string): Promise<E[]> {
  const { body, status } = await app.api
    .get(`/api/devices/${path}`)
    .buffer(true)
    .parse((response, done) => {
      let all = '';
      response.on('data', (chunk: Buffer) => (all += chunk.toString()));
      response.on('end', () => done(null, all));
    });
  expect(status).toBe(200);
  return (body as string)
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as E);
}
