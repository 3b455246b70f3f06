/** Designs of file version 8 lifted to version 9: how it is built and when; the workshop: the clamps there are. */
import type { QueryInterface } from 'sequelize';
import { liftAll } from './lift.ts';

export const name = '0011-build';

export const up = (tables: QueryInterface): Promise<void> => liftAll(tables, 8);

/** What version 9 added cannot be kept in version 8: going back would lose it. */
export function down(): Promise<void> {
  return Promise.reject(new Error('designs of version 9 are not taken back to version 8'));
}
