/** Jobs for the nesting tests, and waiting for them. */
import { randomUUID } from 'node:crypto';
import type { TestApp } from './app.ts';

export type Row = Record<string, any>;

/** Parts that no search proves best within seconds. */
export const problem = (count = 120): Row => ({
  kerf: '3.2mm',
  sheets: [{ id: 'S', length: '2440mm', width: '1220mm', grain: 'length' }],
  parts: Array.from({ length: count }, (_, n) => ({
    id: `p${n}`,
    length: `${210 + ((n * 137) % 700)}mm`,
    width: `${95 + ((n * 71) % 410)}mm`,
    grain: 'either',
  })),
});
export const PRODUCT = 'ply-3-4';
export const order = (more: Row = {}): Row => ({ id: randomUUID(), product: PRODUCT, key: 'k1', then: 'settings', seconds: 2, problem: problem(), ...more });

export async function until(id: string, wanted: (row: Row) => boolean, of: TestApp): Promise<Row> {
  const by = Date.now() + 30_000;
  for (;;) {
    const row = (await of.api.get(`/api/nest-jobs/${id}`).expect(200)).body as Row;
    if (wanted(row)) return row;
    if (Date.now() > by) throw new Error(`still ${JSON.stringify({ ...row, plan: row['plan'] !== null })}`);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}
export const SLOW_MS = 60_000;
export const isOver = ({ state }: Row): boolean => !['waiting', 'running'].includes(state as string);
