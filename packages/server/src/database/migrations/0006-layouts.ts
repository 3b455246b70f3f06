/** Designs and workshops of file version 5 lifted to version 6: how sheets are cut up, settled layouts, the car, what is worth keeping. */
import type { QueryInterface } from 'sequelize';
import { liftAll } from './lift.ts';

export const name = '0006-layouts';

export const up = (tables: QueryInterface): Promise<void> => liftAll(tables, 5);

/** What version 6 added cannot be kept in version 5: going back would lose it. */
export function down(): Promise<void> {
  return Promise.reject(new Error('designs of version 6 are not taken back to version 5'));
}
