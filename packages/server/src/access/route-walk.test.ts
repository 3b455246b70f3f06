/** Every route x spelling x caller: nothing but what docs/security.md lists is open to the network, however its address is written. */
import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { sharedApp, type LanAnswer, type SharedApp } from '../test/shared-app.ts';

interface Route {
  readonly method: string;
  readonly path: string;
}

let shared: SharedApp;
let callers: Record<'paired' | 'stranger' | 'revoked', Record<string, string>>;

beforeAll(async () => {
  shared = await sharedApp();
  const revoked = await shared.paired('lost phone');
  const { body } = await shared.app.api.get('/api/sharing').expect(200);
  await shared.app.api.delete(`/api/sharing/devices/${body.devices[0].id}`).expect(200);
  callers = { paired: { Cookie: await shared.paired('phone at the saw') }, stranger: {}, revoked: { Cookie: revoked } };
});
afterAll(() => shared.close());

/** The routes as the router itself has them. */
function routes(): Route[] {
  const { router } = shared.app.nest.getHttpAdapter().getInstance() as unknown as {
    router: { stack: { route?: { path: string; methods: Record<string, boolean> } }[] };
  };
  return router.stack.flatMap(({ route }) =>
    route ? Object.keys(route.methods).map((method): Route => ({ method: method.toUpperCase(), path: route.path })) : [],
  );
}

/** Who may call what, as the page says: `| METHOD | /path | who |`. */
function listed(): Map<string, string> {
  const page = readFileSync(new URL('../../../../docs/security.md', import.meta.url), 'utf8');
  const rows = [...page.matchAll(/^\| *(GET|POST|PUT|PATCH|DELETE) *\| *`([^`]+)` *\| *(\w+) *\|$/gm)];
  return new Map(rows.map(([, method, path, who]) => [`${method} ${path}`, who!]));
}

const nowhere = (path: string): string =>
  path
    .replace(/:number|:page/g, '999999')
    .replace(/:photo/g, 'nothing-here-0')
    .replace(/:\w+/g, 'nothing-here');
const ask = ({ method, path }: Route, headers: Record<string, string>): Promise<LanAnswer> =>
  shared.overLan(method, path, { headers, ...(method === 'GET' || method === 'DELETE' ? {} : { body: {} }) });
const codeOf = ({ body }: LanAnswer): unknown => body['code'];

/** The same address written otherwise: some of it reaches the router as the same, none of it may open more. */
const SPELLINGS: readonly [string, (path: string) => string][] = [
  ['as it is', (path) => path],
  ['upper case', (path) => path.toUpperCase()],
  ['mixed case', (path) => path.replace('/api/', '/Api/')],
  ['two slashes in front', (path) => `/${path}`],
  ['two slashes inside', (path) => path.replace('/api/', '/api//')],
  ['a letter encoded', (path) => path.replace('/api/', '/%61pi/')],
  ['a slash encoded', (path) => path.replace('/api/', '/api%2f')],
  ['a dot behind', (path) => `${path}.`],
  ['a slash behind', (path) => `${path}/`],
  ['a dot segment', (path) => `/.${path}`],
  ['up and down again', (path) => path.replace('/api/', '/api/x/../')],
  ['a query', (path) => `${path}?a=/api/health`],
  ['a matrix parameter', (path) => path.replace('/api/', '/api;x=1/')],
];

test('the page lists exactly the routes there are', () => {
  const own = routes().map(({ method, path }) => `${method} ${path}`);
  expect(own.length).toBeGreaterThan(50);
  expect([...listed().keys()].sort()).toEqual([...new Set(own)].sort());
});

describe.each(SPELLINGS)('%s', (name, spell) => {
  test('strangers and revoked devices reach nothing but what is open to anyone', async () => {
    const open = listed();
    for (const route of routes()) {
      const spelled = { ...route, path: spell(nowhere(route.path)) };
      for (const caller of ['stranger', 'revoked'] as const) {
        const answer = await ask(spelled, callers[caller]);
        const told = [caller, spelled.method, spelled.path, answer.status, codeOf(answer)];
        if (open.get(`${route.method} ${route.path}`) === 'anyone') expect([told, answer.status < 500 && answer.status !== 401]).toEqual([told, true]);
        else if (name === 'as it is') expect(told).toEqual([caller, spelled.method, spelled.path, 401, 'not-paired']);
        else expect([told, [400, 401, 403, 404].includes(answer.status)]).toEqual([told, true]);
      }
    }
  });

  test('a paired device reaches what is open to it, and never what is the desk’s', async () => {
    const open = listed();
    for (const route of routes()) {
      const spelled = { ...route, path: spell(nowhere(route.path)) };
      // Signing out is tried by itself (sharing.test.ts): afterwards there would be no device.
      if (route.method === 'DELETE' && route.path === '/api/sharing/own') continue;
      const answer = await ask(spelled, callers.paired);
      const told = [spelled.method, spelled.path, answer.status, codeOf(answer)];
      const who = open.get(`${route.method} ${route.path}`);
      if (who !== 'desk') expect([told, answer.status === 401 || codeOf(answer) === 'desk-only']).toEqual([told, false]);
      else if (name === 'as it is') expect(told).toEqual([spelled.method, spelled.path, 403, 'desk-only']);
      else expect([told, [400, 403, 404].includes(answer.status)]).toEqual([told, true]);
    }
  });
});

test('the desk reaches every route', async () => {
  for (const { method, path } of routes()) {
    if (path.endsWith('/live') || !path.startsWith('/api/')) continue;
    const verb = method.toLowerCase() as 'get';
    const { status } = await shared.app.api[verb](nowhere(path)).send(method === 'GET' ? undefined : {});
    expect([method, path, [401, 403].includes(status)]).toEqual([method, path, false]);
  }
});

test('the answers a network cannot be trusted with are refused with what a stranger may send', async () => {
  const { status } = await shared.overLan('POST', '/api/sharing/pair', { body: { code: '123456', name: 'x'.repeat(3000) } });
  expect(status).toBe(413);
});
