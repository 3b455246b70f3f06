/** How long everybody else waits while one person asks for heavy work: health is asked again and again beside it. */
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { zipSync } from 'fflate';
import sharp from 'sharp';
import { startProduct } from '../../e2e/product.ts';

const EXAMPLE = fileURLToPath(new URL('../../examples/print-room.carcass.json', import.meta.url));
/** Nobody should wait longer than this for a small answer, ms: a machine with two cores shares one of them with the threads. */
const MAX_WAIT_MS = 500;
/** The longest the server's own thread may be busy with one thing, ms. */
const MAX_HELD_MS = 50;
/** Runs in the server beside its work: on a signal it writes down the longest it was held since the last one, and begins anew. */
const PROBE = `
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { writeFileSync } from 'node:fs';
import { isMainThread } from 'node:worker_threads';
if (isMainThread && process.argv[1]?.endsWith('dist/main.js') && process.argv.length === 2) {
  const resolution = 5;
  const held = monitorEventLoopDelay({ resolution });
  held.enable();
  process.on('SIGUSR2', () => {
    writeFileSync(process.env.KEEN_DATA + '/held.json', String(held.max / 1e6 - resolution));
    held.reset();
  });
}`;

export async function responsive(cabinets: number): Promise<boolean> {
  const product = await startProduct(undefined, [], { NODE_OPTIONS: `--import=data:text/javascript,${encodeURIComponent(PROBE)}` });
  const longestHeld = async (): Promise<number> => {
    const file = join(product.folder, 'held.json');
    rmSync(file, { force: true });
    process.kill(product.serverPid(), 'SIGUSR2');
    while (!existsSync(file) || readFileSync(file, 'utf8') === '') await new Promise((done) => setTimeout(done, 20));
    return Number(readFileSync(file, 'utf8'));
  };
  const { design } = JSON.parse(readFileSync(EXAMPLE, 'utf8')) as { design: Record<string, any> };
  const [like] = Object.values(design['units'] as Record<string, Record<string, any>>);
  for (let n = 0; n < cabinets; n++) design['units'][`c${n}`] = { ...like, id: `c${n}`, name: `Cabinet ${n}`, order: 100 + n };
  const send = (path: string, body: string | Uint8Array<ArrayBuffer>, type = 'application/json', method = 'POST'): Promise<Response> =>
    fetch(`${product.url}/api/${path}`, { method, headers: { 'Content-Type': type }, body });
  const { id } = (await (await send('projects', JSON.stringify({ design }))).json()) as { id: string };
  const noise = Buffer.from(Array.from({ length: 3000 * 2000 * 3 }, (_, n) => (n * 2_654_435_761) & 255));
  const photo = await sharp(noise, { raw: { width: 3000, height: 2000, channels: 3 } })
    .jpeg({ quality: 95 })
    .toBuffer();
  const bomb = zipSync({ 'project.carcass.json': new Uint8Array(60_000_000) });
  const label = {
    mark: 'A1',
    name: 'left side',
    size: '820 × 280 mm',
    stock: 'Birch plywood 18 mm',
    grain: 'along',
    band: 'front',
    next: 'cut '.repeat(30),
    link: `${product.url}/x`,
  };
  const works: readonly [string, () => Promise<unknown>][] = [
    ['nothing', () => new Promise((done) => setTimeout(done, 3000))],
    ['500 labels', () => send('labels/sheet', JSON.stringify({ labels: Array(500).fill(label) })).then((answer) => answer.arrayBuffer())],
    [
      `true-size sticks of ${cabinets} cabinets`,
      () => fetch(`${product.url}/api/projects/${id}/prints/sticks?units=mm`).then((answer) => answer.arrayBuffer()),
    ],
    ['eight archives that unfold a thousandfold', () => Promise.all(Array.from({ length: 8 }, () => send('bundles', bomb as never, 'application/zip')))],
    [
      'thirty photos',
      () => Promise.all(Array.from({ length: 30 }, (_, n) => send(`projects/${id}/photos/photo-000${n}`, photo as never, 'image/jpeg', 'PUT'))),
    ],
  ];
  let good = true;
  for (const [name, work] of works) {
    await longestHeld();
    const waits: number[] = [];
    let isOver = false;
    const startedMs = performance.now();
    const working = work().finally(() => (isOver = true));
    while (!isOver) {
      const askedMs = performance.now();
      await (await fetch(`${product.url}/api/sharing/own`)).arrayBuffer();
      waits.push(performance.now() - askedMs);
      await new Promise((done) => setTimeout(done, 10));
    }
    await working;
    waits.sort((a, b) => a - b);
    const at = (share: number): string => waits[Math.min(waits.length - 1, Math.floor(waits.length * share))]!.toFixed(0);
    const tookMs = performance.now() - startedMs;
    const heldMs = await longestHeld();
    console.log(
      `${name}: ${(tookMs / 1000).toFixed(1)} s; others wait ${at(0.5)} ms, 99 of 100 at most ${at(0.99)} ms, ${at(1)} ms at worst; the server's thread was held for ${heldMs.toFixed(0)} ms at most`,
    );
    good &&= waits.at(-1)! < MAX_WAIT_MS && heldMs < MAX_HELD_MS;
  }
  const memory = Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${product.serverPid()}/status`, 'utf8'))![1]) / 1024;
  console.log(`server at most ${memory.toFixed(0)} MB`);
  await product.stop();
  return good;
}
