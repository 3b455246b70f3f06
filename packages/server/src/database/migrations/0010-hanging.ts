/** Designs of file version 7 lifted to version 8: walls without timber, what is under a cabinet, how far it settles on its cleat, earthquakes. */
import type { QueryInterface } from 'sequelize';
import { liftAll } from './lift.ts';

export const name = '0010-hanging';

export const up = (tables: QueryInterface): Promise<void> => liftAll(tables, 7);

/** What version 8 added cannot be kept in version 7: going back would lose it. */
export function down(): Promise<void> {
  return Promise.reject(new Error('designs of version 8 are not taken back to version 7'));
}
