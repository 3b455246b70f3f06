/** Designs of file version 10 lifted to version 11: hours say which machines are not there, glue-ups how they are closed; the workshop: labels of glue and finish. */
import type { QueryInterface } from 'sequelize';
import { liftAll } from './lift.ts';

export const name = '0014-glue-ways-and-labels';

export const up = (tables: QueryInterface): Promise<void> => liftAll(tables, 10);

/** What version 11 added cannot be kept in version 10: going back would lose it. */
export function down(): Promise<void> {
  return Promise.reject(new Error('designs of version 11 are not taken back to version 10'));
}
