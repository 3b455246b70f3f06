/** Designs of file version 2 lifted to version 3: cabinets of many families. */
import type { QueryInterface } from 'sequelize';
import { liftAll } from './lift.ts';

export const name = '0003-families';

export const up = (tables: QueryInterface): Promise<void> => liftAll(tables, 2);

/** What version 3 added cannot be kept in version 2: going back would lose it. */
export function down(): Promise<void> {
  return Promise.reject(new Error('designs of version 3 are not taken back to version 2'));
}
