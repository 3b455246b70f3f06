/** Designs of file version 9 lifted to version 10: parts without a cabinet; the workshop: tax. And what the merchant asked for its sheets, each time it changed. */
import { DataTypes, type QueryInterface } from 'sequelize';
import { liftAll } from './lift.ts';

export const name = '0013-loose-parts-and-prices';

export async function up(tables: QueryInterface): Promise<void> {
  await tables.createTable('merchant_prices', {
    id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
    offer: { type: DataTypes.STRING(80), allowNull: false },
    price: { type: DataTypes.DOUBLE, allowNull: false },
    heard_at: { type: DataTypes.DATE(3), allowNull: false },
  });
  await liftAll(tables, 9);
}

/** What version 10 added cannot be kept in version 9: going back would lose it. */
export function down(): Promise<void> {
  return Promise.reject(new Error('designs of version 10 are not taken back to version 9'));
}
