/**
 * Writers that never pause, and kills of the server, the database, both, and the supervisor: what was acknowledged is there once,
 * everything comes up by itself (a killed supervisor is started again here), and no file is left that nothing owns.
 */
import { randomInt, randomUUID } from 'node:crypto';
import { readdirSync, readFileSync, utimesSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import sharp from 'sharp';
import { startProduct, untilUp, type Product } from '../../e2e/product.ts';

const WRITERS = 4;
const EXAMPLE = fileURLToPath(new URL('../../examples/print-room.carcass.json', import.meta.url));
const VICTIMS = ['server', 'database', 'both', 'supervisor'] as const;
const wait = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

interface Acknowledged {
  readonly entries: Set<string>;
  readonly photos: Set<string>;
  /** The last width that was called saved, and those that may have been saved after it. */
  width: string | null;
  maybe: string[];
}

/** True when nothing was lost or doubled. */
export async function kills(count: number): Promise<boolean> {
  let product: Product = await startProduct();
  const picture = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#8a6a3a' } })
    .png()
    .toBuffer();
  const file = JSON.parse(readFileSync(EXAMPLE, 'utf8')) as Record<string, any>;
  const projects = new Map<string, Acknowledged>();
  for (let n = 0; n < WRITERS; n++) {
    const { id } = (await (await post(`${product.url}/api/projects`, { design: file['design'] })).json()) as { id: string };
    projects.set(id, { entries: new Set(), photos: new Set(), width: null, maybe: [] });
  }
  let isWriting = true;
  let writes = 0;
  const writers = [...projects].map(async ([id, own]) => {
    while (isWriting) {
      await writeOnce(product.url, id, own, picture)
        .then((done) => (writes += done))
        .catch(() => wait(50));
    }
  });
  const victims: Record<string, number> = {};
  let slowestMs = 0;
  for (let round = 0; round < count; round++) {
    await wait(randomInt(300, 1500));
    const victim = VICTIMS[round % 12 === 11 ? 3 : randomInt(0, 3)]!;
    victims[victim] = (victims[victim] ?? 0) + 1;
    const startedMs = performance.now();
    if (victim === 'supervisor') {
      process.kill(supervisorOf(product), 'SIGKILL');
      product = await startProduct(product.folder);
    } else {
      for (const pid of [...(victim === 'server' ? [] : [product.databasePid()]), ...(victim === 'database' ? [] : [product.serverPid()])]) {
        try {
          process.kill(pid, 'SIGKILL');
        } catch {
          // It was about to be started anew.
        }
      }
      await wait(100);
      await untilUp(product.url);
    }
    slowestMs = Math.max(slowestMs, performance.now() - startedMs);
    if (round % 20 === 19) console.log(`${round + 1} kills, ${writes} writes acknowledged`);
  }
  isWriting = false;
  await Promise.all(writers);
  const faults = await checked(product.url, projects);
  faults.push(...(await unowned(product)));
  await product.stop();
  const texts = Object.entries(victims).map(([name, times]) => `${name} ${times}`);
  console.log(`${count} kills (${texts.join(', ')}), ${writes} writes acknowledged, up again after at most ${(slowestMs / 1000).toFixed(1)} s`);
  console.log(faults.length === 0 ? '0 lost, 0 doubled, no file left that nothing owns' : `FAULTS:\n${faults.slice(0, 20).join('\n')}`);
  return faults.length === 0;
}

const post = (url: string, body: object, method = 'POST'): Promise<Response> =>
  fetch(url, { method, headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body), signal: AbortSignal.timeout(20_000) });

/** An entry, a picture or a save; gives how many were acknowledged. */
async function writeOnce(url: string, id: string, own: Acknowledged, picture: Buffer): Promise<number> {
  const kind = randomInt(0, 5);
  if (kind === 0) {
    const photo = randomUUID();
    const answer = await fetch(`${url}/api/projects/${id}/photos/${photo}`, { method: 'PUT', body: picture, signal: AbortSignal.timeout(20_000) });
    if (!answer.ok) return 0;
    own.photos.add(photo);
    return 1;
  }
  if (kind === 1) {
    const { revision, document } = (await (await fetch(`${url}/api/projects/${id}`, { signal: AbortSignal.timeout(20_000) })).json()) as Record<string, any>;
    const width = `${500 + randomInt(0, 500)} mm`;
    document.units.ink.width = width;
    own.maybe.push(width);
    const answer = await post(`${url}/api/projects/${id}`, { base: revision, session: randomUUID(), document }, 'PUT');
    if (!answer.ok) return 0;
    own.width = width;
    own.maybe = [];
    return 1;
  }
  const entries = Array.from({ length: randomInt(1, 6) }, () => ({
    id: randomUUID(),
    at: '2026-04-01T08:00:00Z',
    kind: 'thickness',
    reading: { product: 'birch-18', value: '17.9 mm' },
  }));
  // The same queue again, as a page does whose answer was lost.
  for (let tried = 0; tried < 2; tried++) {
    const answer = await post(`${url}/api/projects/${id}/record`, { entries }).catch(() => null);
    if (!answer?.ok) continue;
    for (const entry of entries) own.entries.add(entry.id);
    return entries.length;
  }
  return 0;
}

async function checked(url: string, projects: ReadonlyMap<string, Acknowledged>): Promise<string[]> {
  const faults: string[] = [];
  for (const [id, own] of projects) {
    const seen = new Map<string, number>();
    for (let after = 0; ;) {
      const page = (await (await fetch(`${url}/api/projects/${id}/record?after=${after}`)).json()) as { sequence: number; entry: { id: string } }[];
      for (const { entry } of page) seen.set(entry.id, (seen.get(entry.id) ?? 0) + 1);
      if (page.length < 200) break;
      after = page.at(-1)!.sequence;
    }
    for (const entry of own.entries) if (!seen.has(entry)) faults.push(`entry ${entry} is lost`);
    for (const [entry, times] of seen) if (times > 1) faults.push(`entry ${entry} is there ${times} times`);
    for (const photo of own.photos) {
      const answer = await fetch(`${url}/api/projects/${id}/photos/${photo}`);
      if (answer.status !== 200 || (await answer.arrayBuffer()).byteLength < 200) faults.push(`picture ${photo} is lost (${answer.status})`);
    }
    const { document } = (await (await fetch(`${url}/api/projects/${id}`)).json()) as Record<string, any>;
    const width = document.units.ink.width as string;
    if (own.width !== null && width !== own.width && !own.maybe.includes(width)) faults.push(`${id} is ${width} wide, ${own.width} was called saved`);
  }
  return faults;
}

/** Files without a row, made old and swept at the next start, are gone; those with one are there. */
async function unowned(product: Product): Promise<string[]> {
  const folder = join(product.folder, 'photos');
  const files = (): string[] => readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((name) => /\.\w+$/.test(name));
  const old = new Date(Date.now() - 7_200_000);
  for (const name of files()) utimesSync(join(folder, name), old, old);
  process.kill(product.serverPid(), 'SIGKILL');
  await wait(500);
  await untilUp(product.url);
  await wait(2000);
  const left: string[] = [];
  for (const name of files()) {
    const [project, file] = name.split('/') as [string, string];
    const id = /^([A-Za-z0-9-]+)(\.small)?\.jpg$/.exec(file)?.[1];
    const isOwned = id !== undefined && (await fetch(`${product.url}/api/projects/${project}/photos/${id}/small`)).ok;
    if (!isOwned) left.push(`${name} is owned by nothing`);
  }
  return left;
}

const supervisorOf = ({ folder }: Product): number => (JSON.parse(readFileSync(join(folder, 'running.json'), 'utf8')) as { pid: number }).pid;
