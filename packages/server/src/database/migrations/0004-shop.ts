/** Workshops of file version 3 lifted to version 4: machines and cutters instead of five figures of one saw. */
import type { QueryInterface } from 'sequelize';
import { liftAll } from './lift.ts';

export const name = '0004-shop';

export const up = (tables: QueryInterface): Promise<void> => liftAll(tables, 3);

/** What version 4 added cannot be kept in version 3: going back would lose it. */
export function down(): Promise<void> {
  return Promise.reject(new Error('workshops of version 4 are not taken back to version 3'));
}
