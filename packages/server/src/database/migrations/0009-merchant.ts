/** What the sheet merchant said last, and when. */
import { DataTypes, type QueryInterface } from 'sequelize';

export const name = '0009-merchant';

export async function up(tables: QueryInterface): Promise<void> {
  await tables.createTable('merchant_catalogue', {
    id: { type: DataTypes.INTEGER, primaryKey: true },
    merchant: { type: DataTypes.STRING(80), allowNull: false },
    offers: { type: DataTypes.JSON, allowNull: false },
    heard_at: { type: DataTypes.DATE(3), allowNull: false },
  });
}

export const down = (tables: QueryInterface): Promise<void> => tables.dropTable('merchant_catalogue');
