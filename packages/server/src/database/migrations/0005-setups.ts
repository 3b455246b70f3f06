/** Designs and workshops of file version 4 lifted to version 5: what holds fibers where slots come out, the order of setups, what machines repeat to. */
import type { QueryInterface } from 'sequelize';
import { liftAll } from './lift.ts';

export const name = '0005-setups';

export const up = (tables: QueryInterface): Promise<void> => liftAll(tables, 4);

/** What version 5 added cannot be kept in version 4: going back would lose it. */
export function down(): Promise<void> {
  return Promise.reject(new Error('designs of version 5 are not taken back to version 4'));
}
