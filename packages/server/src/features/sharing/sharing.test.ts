import { execFile } from 'node:child_process';
import { mkdtempSync, statSync, writeFileSync } from 'node:fs';
import { request as secure } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect, type ConnectionOptions } from 'node:tls';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { testApp, type TestApp } from '../../test/app.ts';
import { sharedApp, type SharedApp } from '../../test/shared-app.ts';
import { authorityIn, certificateFor } from './authority.ts';

let shared: SharedApp;
let app: TestApp;
const overLan: SharedApp['overLan'] = (...asked) => shared.overLan(...asked);
beforeAll(async () => {
  shared = await sharedApp();
  ({ app } = shared);
});
afterAll(() => shared.close());

const offered = (): Promise<string> => shared.offered();
const paired = (name?: string): Promise<string> => shared.paired(name);

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

describe('a pairing ends', () => {
  const deviceId = async (name: string): Promise<string> => {
    const { body } = await app.api.get('/api/sharing').expect(200);
    return (body.devices as { id: string; name: string }[]).find((device) => device.name === name)!.id;
  };
  const status = async (cookie: string): Promise<number> => (await overLan('GET', '/api/projects', { headers: { Cookie: cookie } })).status;
  const setRow = (name: string, values: string) => app.sql(`update {db}.paired_devices set ${values} where name = '${name}'`);

  test('when the device has not been seen for long, whatever its cookie says', async () => {
    const cookie = await paired('old phone');
    await setRow('old phone', "expires_at = '2020-01-01'");
    expect(await status(cookie)).toBe(401);
    expect(JSON.stringify((await app.api.get('/api/sharing').expect(200)).body)).not.toContain('old phone');
  });

  test('when the device signs out', async () => {
    const headers = { Cookie: await paired('guest phone') };
    expect((await overLan('GET', '/api/sharing/own', { headers })).body).toEqual({ kind: 'device', name: 'guest phone' });
    const left = await overLan('DELETE', '/api/sharing/own', { headers });
    expect([left.status, left.cookie]).toEqual([204, expect.stringMatching(/^__Host-keen_device=; Path=\/; Max-Age=0;/)]);
    expect(await status(headers.Cookie)).toBe(401);
    expect((await overLan('GET', '/api/sharing/own', { headers })).body).toEqual({ kind: 'stranger', name: null });
  });

  test('and its event stream with it', async () => {
    const cookie = await paired('stolen phone');
    const ended = new Promise<void>((done, failed) => {
      const sent = secure(
        { host: shared.host, port: shared.port, path: '/api/projects/print-room/live', rejectUnauthorized: false, headers: { Cookie: cookie } },
        (answer) => {
          answer.once('data', () => void deviceId('stolen phone').then((id) => app.api.delete(`/api/sharing/devices/${id}`).expect(200)));
          answer.once('close', done);
        },
      );
      sent.once('error', failed);
      sent.end();
    });
    await ended;
    expect(await status(cookie)).toBe(401);
  });

  test('a token is replaced once a day; the old one stays good until the new one has been used', async () => {
    const first = await paired('daily phone');
    await setRow('daily phone', 'renewed_at = now(3) - interval 2 day');
    const renewed = await overLan('GET', '/api/projects', { headers: { Cookie: first } });
    const second = renewed.cookie!.split(';')[0]!;
    expect(second).not.toBe(first);
    // The answer with the new one may have been lost.
    expect(await status(first)).toBe(200);
    expect(await status(second)).toBe(200);
    expect(await status(first)).toBe(401);
  });

  test('ten requests at once replace it once, and none is turned away', async () => {
    const first = await paired('busy phone');
    await setRow('busy phone', 'renewed_at = now(3) - interval 2 day');
    const answers = await Promise.all(Array.from({ length: 10 }, () => overLan('GET', '/api/projects', { headers: { Cookie: first } })));
    expect(answers.map((answer) => answer.status)).toEqual(Array(10).fill(200));
    expect(answers.filter(({ cookie }) => cookie)).toHaveLength(1);
  });
});

describe('the line itself', () => {
  const connects = (options: ConnectionOptions): Promise<string> =>
    new Promise((done) => {
      const socket = connect({ host: shared.host, port: shared.port, rejectUnauthorized: false, ...options }, () => {
        done(socket.getCipher().name);
        socket.destroy();
      });
      socket.once('error', ({ message }) => done(`refused: ${message}`));
    });

  test.each<[string, ConnectionOptions, RegExp]>([
    ['TLS 1.3', {}, /^TLS_/],
    ['TLS 1.2 with forward secrecy', { maxVersion: 'TLSv1.2' }, /^ECDHE-RSA-.*(GCM|POLY1305)/],
    ['TLS 1.2 without it', { maxVersion: 'TLSv1.2', ciphers: 'AES128-GCM-SHA256' }, /^refused/],
    ['TLS 1.2 with an old mode of encryption', { maxVersion: 'TLSv1.2', ciphers: 'ECDHE-RSA-AES128-SHA256' }, /^refused/],
    ['TLS 1.1', { minVersion: 'TLSv1', maxVersion: 'TLSv1.1', ciphers: 'DEFAULT@SECLEVEL=0' }, /^refused/],
  ])('%s', async (_name, options, expected) => {
    expect(await connects(options)).toMatch(expected);
  });
});

describe('headers of every answer', () => {
  test.each([
    ['a page of the API', 'GET', '/api/health', {}],
    ['a refusal', 'GET', '/api/projects', {}],
    ['a refused origin', 'GET', '/api/projects', { Origin: 'https://elsewhere.example' }],
    ['the certificate', 'GET', '/trust.crt', {}],
    ['what is not there', 'GET', '/nothing', {}],
  ])('%s', async (_name, method, path, headers) => {
    const answer = await overLan(method, path, { headers });
    expect(answer.headers).toMatchObject({
      'content-security-policy': expect.stringMatching(/script-src 'self' 'wasm-unsafe-eval';.*frame-ancestors 'none'/),
      'x-content-type-options': 'nosniff',
      'referrer-policy': 'no-referrer',
      'strict-transport-security': 'max-age=31536000',
      'x-frame-options': 'DENY',
    });
    expect(answer.headers['content-security-policy']).not.toMatch(/script-src[^;]*'unsafe/);
    if (path.startsWith('/api/')) expect(answer.headers['cache-control']).toBe('no-store');
  });

  test('on loopback the same, but for transport security', async () => {
    const { headers } = await app.api.get('/api/projects').expect(200);
    expect(headers).toMatchObject({ 'cache-control': 'no-store', 'x-content-type-options': 'nosniff' });
    expect(headers['strict-transport-security']).toBeUndefined();
  });
});

describe('certificates', () => {
  test('the authority is made once and its key is the owner’s alone', () => {
    const folder = mkdtempSync(join(tmpdir(), 'keen-ca-'));
    const first = authorityIn(folder, '192.0.2.7');
    expect(authorityIn(folder, '192.0.2.7')).toEqual(first);
    expect(statSync(join(folder, 'authority.key')).mode & 0o077).toBe(0);
  });

  test('another address gets another certificate, the same one keeps its', () => {
    const folder = mkdtempSync(join(tmpdir(), 'keen-ca-'));
    const authority = authorityIn(folder, '192.0.2.7');
    const one = certificateFor('192.0.2.7', authority, folder);
    expect(certificateFor('192.0.2.7', authority, folder)).toEqual(one);
    expect(certificateFor('192.0.2.8', authority, folder).cert).not.toBe(one.cert);
  });

  test.each<[string, string, boolean]>([
    ['a private address', 'IP:192.168.1.20', true],
    ['a public address', 'IP:198.51.100.9', false],
    ['a name', 'DNS:bank.example', false],
    ['a private address and a name', 'IP:192.168.1.20,DNS:bank.example', false],
  ])('the authority vouches for %s: %s, %s', async (_name, names, isAccepted) => {
    const folder = mkdtempSync(join(tmpdir(), 'keen-ca-'));
    authorityIn(folder, '192.168.1.7');
    const at = (file: string): string => join(folder, file);
    const openssl = (...args: string[]): Promise<{ failed: boolean; said: string }> =>
      new Promise((done) => execFile('openssl', args, { cwd: folder }, (error, out, err) => done({ failed: error !== null, said: `${out}${err}` })));
    writeFileSync(at('names'), `subjectAltName=${names}`);
    await openssl('req', '-new', '-newkey', 'rsa:2048', '-nodes', '-keyout', 'own.key', '-out', 'own.csr', '-subj', '/CN=stolen key');
    await openssl(
      'x509',
      '-req',
      '-in',
      'own.csr',
      '-CA',
      'authority.crt',
      '-CAkey',
      'authority.key',
      '-CAcreateserial',
      '-extfile',
      'names',
      '-out',
      'own.crt',
    );
    const { failed, said } = await openssl('verify', '-x509_strict', '-CAfile', 'authority.crt', 'own.crt');
    expect([!failed, said]).toEqual([isAccepted, expect.stringContaining(isAccepted ? 'OK' : 'subtree violation')]);
  });

  test('an authority without constraints, or a damaged one, is replaced', () => {
    const folder = mkdtempSync(join(tmpdir(), 'keen-ca-'));
    const first = authorityIn(folder, '192.168.1.7');
    expect(authorityIn(folder, '10.0.0.4')).toEqual(first);
    expect(authorityIn(folder, '198.51.100.9')).not.toEqual(first);
    writeFileSync(join(folder, 'authority.key'), 'half a ke');
    expect(authorityIn(folder, '192.168.1.7').key).toContain('BEGIN RSA PRIVATE KEY');
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
