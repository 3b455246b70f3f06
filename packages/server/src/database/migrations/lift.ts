/** Lifting every stored design, and the workshop, by one version of the file format, in one transaction. */
import { liftDesign, liftWorkshop } from '@keen/core';
import { QueryTypes, type QueryInterface } from 'sequelize';

const TABLES = ['projects', 'revisions'] as const;

export async function liftAll({ sequelize }: QueryInterface, from: number): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    for (const table of TABLES) {
      const rows = await sequelize.query<{ id: string; document: unknown }>(`select id, document from ${table}`, { type: QueryTypes.SELECT, transaction });
      for (const { id, document } of rows) {
        const design = typeof document === 'string' ? (JSON.parse(document) as unknown) : document;
        await sequelize.query(`update ${table} set document = ? where id = ?`, {
          replacements: [JSON.stringify(liftDesign(design, from, from + 1)), id],
          type: QueryTypes.UPDATE,
          transaction,
        });
      }
    }
    const shops = await sequelize.query<{ id: number; document: unknown }>('select id, document from workshop', { type: QueryTypes.SELECT, transaction });
    for (const { id, document } of shops) {
      const workshop = typeof document === 'string' ? (JSON.parse(document) as unknown) : document;
      await sequelize.query('update workshop set document = ? where id = ?', {
        replacements: [JSON.stringify(liftWorkshop(workshop, from, from + 1)), id],
        type: QueryTypes.UPDATE,
        transaction,
      });
    }
  });
}
