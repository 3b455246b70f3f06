import { request as secure } from 'node:https';
import { mkdtempSync, readFileSync, statSync } from 'node:fs';
import { networkInterfaces, tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Server } from 'node:https';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createServer } from 'node:net';
import { checkServerIdentity } from 'node:tls';
import { testApp, type TestApp } from '../../test/app.ts';
import { authorityIn, certificateFor } from './authority.ts';
import { openToLan } from '../../lan.ts';

/** This machine's own address on a network: what a phone would reach. */
const host = Object.values(networkInterfaces())
  .flat()
  .find((each) => each && each.family === 'IPv4' && !each.internal)?.address;

const freePort = (): Promise<number> =>
  new Promise((done) => {
    const probe = createServer().listen(0, () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => done(port));
    });
  });

const dataFolder = mkdtempSync(join(tmpdir(), 'keen-share-'));
let app: TestApp;
let lan: Server | null;
let port: number;
beforeAll(async () => {
  port = await freePort();
  app = await testApp({ dataFolder, share: { host: host!, port } });
  lan = await openToLan(app.nest, { dataFolder, share: { host: host!, port } });
});
afterAll(async () => {
  lan?.closeAllConnections();
  lan?.close();
  await app.close();
});

interface Answer {
  readonly status: number;
  readonly body: Record<string, unknown>;
  readonly cookie: string | undefined;
}

/** Over the network, trusting the desk's authority and nothing else. */
const overLan = (method: string, path: string, more: { readonly body?: object; readonly headers?: Record<string, string> } = {}): Promise<Answer> =>
  new Promise((done, failed) => {
    const text = more.body ? JSON.stringify(more.body) : '';
    const sent = secure(
      {
        host: host!,
        port,
        method,
        path,
        // What is asked for by another name is still this desk: the address is what its certificate is checked for.
        checkServerIdentity: (_name, cert) => checkServerIdentity(host!, cert),
        ca: readFileSync(join(dataFolder, 'share', 'authority.crt')),
        headers: { ...(text ? { 'Content-Type': 'application/json', 'Content-Length': Buffer.byteLength(text) } : {}), ...more.headers },
      },
      (answer) => {
        const chunks: Buffer[] = [];
        answer.on('data', (chunk: Buffer) => chunks.push(chunk));
        answer.on('end', () => {
          const read = Buffer.concat(chunks).toString();
          done({
            status: answer.statusCode!,
            body: read.startsWith('{') ? (JSON.parse(read) as Record<string, unknown>) : { text: read },
            cookie: answer.headers['set-cookie']?.[0],
          });
        });
      },
    );
    sent.on('error', failed);
    sent.end(text);
  });

const offered = async (): Promise<string> => (await app.api.post('/api/sharing/code').expect(201)).body.code as string;
const paired = async (name = 'phone'): Promise<string> => {
  const { status, cookie } = await overLan('POST', '/api/sharing/pair', { body: { code: await offered(), name } });
  expect(status).toBe(200);
  return cookie!.split(';')[0]!;
};

test('there is an address on a network to be tried through', () => expect(host).toBeDefined());

describe('a device on the network', () => {
  test('may ask whether the desk is there, and nothing else before it is paired', async () => {
    expect((await overLan('GET', '/api/health')).status).toBe(200);
    for (const path of ['/api/projects', '/api/workshop', '/api/projects/print-room/record']) {
      const { status, body } = await overLan('GET', path);
      expect([path, status, body['code']]).toEqual([path, 401, 'not-paired']);
    }
  });

  test('is paired by the code the desk shows, once, and works from then on', async () => {
    const code = await offered();
    const { status, cookie } = await overLan('POST', '/api/sharing/pair', { body: { code, name: 'Phone at the saw' } });
    expect(status).toBe(200);
    expect(cookie).toMatch(/HttpOnly; Secure; SameSite=Strict/);
    const headers = { Cookie: cookie!.split(';')[0]! };
    expect((await overLan('GET', '/api/projects', { headers })).status).toBe(200);
    const again = await overLan('POST', '/api/sharing/pair', { body: { code, name: 'Another' } });
    expect([again.status, again.body['code']]).toEqual([403, 'pairing']);
    const { body } = await app.api.get('/api/sharing').expect(200);
    expect(body.devices.map(({ name }: { name: string }) => name)).toContain('Phone at the saw');
    expect(JSON.stringify(body)).not.toContain(headers.Cookie.split('=')[1]);
  });

  test('that guesses loses the code after five tries', async () => {
    const code = await offered();
    const wrong = code === '000000' ? '000001' : '000000';
    for (let n = 0; n < 5; n++) expect((await overLan('POST', '/api/sharing/pair', { body: { code: wrong, name: 'x' } })).status).toBe(403);
    expect((await overLan('POST', '/api/sharing/pair', { body: { code, name: 'x' } })).status).toBe(403);
  });

  test('sees to no codes and no devices: that is the desk’s', async () => {
    const headers = { Cookie: await paired() };
    for (const [method, path] of [
      ['GET', '/api/sharing'],
      ['POST', '/api/sharing/code'],
      ['DELETE', '/api/sharing/devices/x'],
    ] as const)
      expect((await overLan(method, path, { headers })).body['code']).toBe('desk-only');
  });

  test('that was forgotten at the desk is out at once', async () => {
    const headers = { Cookie: await paired('lost phone') };
    const { body } = await app.api.get('/api/sharing').expect(200);
    const { id } = (body.devices as { id: string; name: string }[]).find(({ name }) => name === 'lost phone')!;
    await app.api.delete(`/api/sharing/devices/${id}`).expect(200);
    expect((await overLan('GET', '/api/projects', { headers })).status).toBe(401);
  });

  test.each<[string, Record<string, string>]>([
    ['a page of another site', { Origin: 'https://elsewhere.example' }],
    ['the desk’s own page on loopback', { Origin: 'http://127.0.0.1:8420' }],
    ['a name that was bent to this address', { Host: 'elsewhere.example' }],
    ['loopback’s name over the network', { Host: '127.0.0.1:8420' }],
  ])('%s is turned away, paired or not', async (_, more) => {
    const headers = { Cookie: await paired(), ...more };
    const { status, body } = await overLan('GET', '/api/projects', { headers });
    expect([status, body['code']]).toEqual([403, 'origin']);
  });

  test.each([
    { code: '12345', name: 'x' },
    { code: 'abcdef', name: 'x' },
    { code: '123456' },
    { code: '123456', name: '' },
    { code: '123456', name: 'x', more: 1 },
  ])('%j is no pairing', async (body) => {
    expect((await overLan('POST', '/api/sharing/pair', { body })).status).toBe(400);
  });
});

describe('certificates', () => {
  test('the authority is made once and its key is the owner’s alone', () => {
    const folder = mkdtempSync(join(tmpdir(), 'keen-ca-'));
    const first = authorityIn(folder);
    expect(authorityIn(folder)).toEqual(first);
    expect(statSync(join(folder, 'authority.key')).mode & 0o077).toBe(0);
  });

  test('another address gets another certificate, the same one keeps its', () => {
    const folder = mkdtempSync(join(tmpdir(), 'keen-ca-'));
    const authority = authorityIn(folder);
    const one = certificateFor('192.0.2.7', authority, folder);
    expect(certificateFor('192.0.2.7', authority, folder)).toEqual(one);
    expect(certificateFor('192.0.2.8', authority, folder).cert).not.toBe(one.cert);
  });

  test('the authority’s certificate is handed out to be trusted', async () => {
    const { status, body } = await overLan('GET', '/trust.crt');
    expect([status, (body['text'] as string).startsWith('-----BEGIN CERTIFICATE-----')]).toEqual([200, true]);
  });
});

test('a desk that is not shared offers no code', async () => {
  const alone = await testApp();
  const { body } = await alone.api.post('/api/sharing/code').expect(409);
  expect(body.accepted).toMatch(/--share/);
  await alone.close();
});
