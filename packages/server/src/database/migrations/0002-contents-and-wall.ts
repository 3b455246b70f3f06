/** Designs of file version 1 lifted to version 2: contents as items, the wall with what is on it. */
import type { QueryInterface } from 'sequelize';
import { liftAll } from './lift.ts';

export const name = '0002-contents-and-wall';

export const up = (tables: QueryInterface): Promise<void> => liftAll(tables, 1);

/** What version 2 added cannot be kept in version 1: going back would lose it. */
export function down(): Promise<void> {
  return Promise.reject(new Error('designs of version 2 are not taken back to version 1'));
}
