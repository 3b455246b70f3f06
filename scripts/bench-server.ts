/** Saves of ten people while searches of 600 parts run on the server; a server killed in the middle takes them up again. */
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import { startProduct, untilUp } from '../e2e/product.ts';

const PEOPLE = 10;
const EDIT_EVERY_MS = 500;
const PARTS = 600;

export interface ServerFigures {
  readonly alone: readonly number[];
  readonly beside: readonly number[];
  /** Until the first plan is there, ms. */
  readonly firstPlan: number;
  /** What the searches were doing after the kill. */
  readonly resumed: readonly string[];
}

interface Project {
  readonly id: string;
  revision: number;
  readonly document: { readonly units: { readonly ink: { width: string } } };
}

/** `root`: the repository's folder. Times of saves in ms, alone and beside two searches. */
export async function benchServer(root: string, seconds: number): Promise<ServerFigures> {
  const product = await startProduct();
  try {
    const call = async <T = unknown>(path: string, method = 'GET', body?: unknown): Promise<T> => {
      const answer = await fetch(`${product.url}/api/${path}`, {
        method,
        ...(body === undefined ? {} : { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }),
      });
      if (!answer.ok) throw new Error(`${path}: ${await answer.text()}`);
      return (await answer.json()) as T;
    };
    const file = JSON.parse(readFileSync(`${root}/examples/print-room.carcass.json`, 'utf8')) as object;
    const projects = await Promise.all(Array.from({ length: PEOPLE }, () => call<Project>('projects/import', 'POST', { file })));
    /** One person: a width is typed, saved, and another half a second later, as the page does. Each begins a little later than the last. */
    const edits = async (project: Project, until: number, late: number): Promise<number[]> => {
      const { id, document } = project;
      const times: number[] = [];
      await wait(late);
      while (performance.now() < until) {
        document.units.ink.width = `${650 + (times.length % 90)} mm`;
        const began = performance.now();
        const saved = await call<Project>(`projects/${id}`, 'PUT', { base: project.revision, session: 'bench', document });
        project.revision = saved.revision;
        times.push(performance.now() - began);
        await wait(EDIT_EVERY_MS);
      }
      return times;
    };
    const round = async (): Promise<number[]> => {
      const until = performance.now() + seconds * 1000;
      return (await Promise.all(projects.map((each, n) => edits(each, until, (n * EDIT_EVERY_MS) / PEOPLE)))).flat();
    };
    await round();
    const alone = await round();
    const problem = {
      kerf: '3.2mm',
      trim: '5mm',
      sheets: [{ id: 'S', length: '2440mm', width: '1220mm', grain: 'length' }],
      parts: Array.from({ length: PARTS }, (_, n) => ({ id: `p${n}`, length: `${180 + ((n * 137) % 900)}mm`, width: `${90 + ((n * 71) % 480)}mm` })),
    };
    const jobs = ['ply-3-4', 'ply-1-2'].map((of) => ({ id: randomUUID(), product: of, key: 'bench', then: 'settings', seconds: 600, problem }));
    const asked = performance.now();
    for (const job of jobs) await call('projects/print-room/nest-jobs', 'POST', job);
    while ((await call<{ plan: unknown }>(`nest-jobs/${jobs[0]!.id}`)).plan === null) await wait(20);
    const firstPlan = performance.now() - asked;
    const beside = await round();
    process.kill(product.serverPid(), 'SIGKILL');
    await wait(500);
    await untilUp(product.url);
    await wait(1500);
    const resumed = await Promise.all(jobs.map(async ({ id }) => (await call<{ state: string }>(`nest-jobs/${id}`)).state));
    return { alone, beside, firstPlan, resumed };
  } finally {
    await product.stop();
  }
}
