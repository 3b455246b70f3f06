/** Pairings that end: an expiry, and tokens that change. Devices that were paired before are paired again. */
import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize';

export const name = '0015-device-sessions';

export async function up(tables: QueryInterface): Promise<void> {
  await tables.sequelize.query('delete from paired_devices', { type: QueryTypes.DELETE });
  await tables.addColumn('paired_devices', 'previous_hash', { type: DataTypes.STRING(64), allowNull: true, unique: true });
  await tables.addColumn('paired_devices', 'renewed_at', { type: DataTypes.DATE(3), allowNull: false });
  await tables.addColumn('paired_devices', 'expires_at', { type: DataTypes.DATE(3), allowNull: false });
}

export async function down(tables: QueryInterface): Promise<void> {
  for (const column of ['expires_at', 'renewed_at', 'previous_hash']) await tables.removeColumn('paired_devices', column);
}
