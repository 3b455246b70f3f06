/** bin/start as an administrator meets it: a second start, a taken port, a demo brought back. */
import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { createServer } from 'node:net';
import { fileURLToPath } from 'node:url';
import { expect } from '@playwright/test';
import { startProduct } from '../product.ts';
import { freshProject, stored, test } from './support.ts';

test.describe.configure({ timeout: 180_000 });
const ROOT = fileURLToPath(new URL('../..', import.meta.url));
const start = (...args: string[]) => spawnSync(process.execPath, ['scripts/start.mjs', ...args], { cwd: ROOT, encoding: 'utf8', timeout: 60_000 });

test('a second start keeps the data; the demo comes back on request and nothing else is touched', async () => {
  const first = await startProduct();
  const mine = await freshProject((file) => (file['design'].name = 'Mine'), first.url);
  const demo = await stored('print-room', first.url);
  demo['document'].units.ink.width = '999 mm';
  await fetch(`${first.url}/api/projects/print-room`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ base: demo['revision'], session: 'test', document: demo['document'] }),
  });
  await first.stop('keep');

  const second = await startProduct(first.folder);
  try {
    expect((await stored('print-room', second.url))['document'].units.ink.width).toBe('999 mm');
    expect((await stored(mine, second.url))['document'].name).toBe('Mine');

    const port = new URL(second.url).port;
    const again = start('--port', port, '--data', `${first.folder}-other`);
    expect(again.status).toBe(1);
    expect(again.stderr).toContain('already running');

    const reset = start('--port', port, '--data', first.folder, '--reset-demo');
    expect(reset.stderr).toBe('');
    expect(reset.stdout).toContain('The demo is as it was on the first day');
    expect((await stored('print-room', second.url))['document'].units.ink.width).toBe('700 mm');
    expect((await stored(mine, second.url))['document'].name).toBe('Mine');
  } finally {
    await second.stop();
  }
});

test('a port that another program has is said, with one that is free', async () => {
  const other = createServer().listen(0, '127.0.0.1');
  await once(other, 'listening');
  const { port } = other.address() as { port: number };
  // Asked in a process of its own: this one must go on answering.
  const child = spawn(process.execPath, ['scripts/start.mjs', '--port', String(port)], { cwd: ROOT });
  let text = '';
  child.stderr.on('data', (chunk: Buffer) => (text += chunk.toString()));
  const [code] = (await once(child, 'exit')) as [number];
  other.close();
  expect(code).toBe(1);
  expect(text).toMatch(new RegExp(`Port ${port} is taken by another program\\. Use --port N, for instance --port \\d+`));
});

test('arguments that cannot be used are said with what would be', () => {
  const wrong = start('--port', 'web');
  expect(wrong.status).toBe(1);
  expect(wrong.stderr).toContain('--port N, --data DIR, --share [ADDRESS], --reset-demo, --demo, --dev');
});
