/** Designs of file version 1 lifted to version 2: contents as items, the wall with what is on it. */
import { liftDesign } from '@keen/core';
import { QueryTypes, type QueryInterface } from 'sequelize';

export const name = '0002-contents-and-wall';

const TABLES = ['projects', 'revisions'] as const;

export async function up(tables: QueryInterface): Promise<void> {
  const { sequelize } = tables;
  await sequelize.transaction(async (transaction) => {
    for (const table of TABLES) {
      const rows = await sequelize.query<{ id: string; document: unknown }>(`select id, document from ${table}`, { type: QueryTypes.SELECT, transaction });
      for (const { id, document } of rows) {
        const design = typeof document === 'string' ? (JSON.parse(document) as unknown) : document;
        await sequelize.query(`update ${table} set document = ? where id = ?`, {
          replacements: [JSON.stringify(liftDesign(design, 1)), id],
          type: QueryTypes.UPDATE,
          transaction,
        });
      }
    }
  });
}

/** What version 2 added cannot be kept in version 1: going back would lose it. */
export function down(): Promise<void> {
  return Promise.reject(new Error('designs of version 2 are not taken back to version 1'));
}
