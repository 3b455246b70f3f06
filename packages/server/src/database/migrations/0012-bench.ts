/** Pictures of notes, kept as files under the data folder; devices that were paired with this desk. */
import { DataTypes, type QueryInterface } from 'sequelize';

export const name = '0012-bench';

export async function up(tables: QueryInterface): Promise<void> {
  await tables.createTable('photos', {
    id: { type: DataTypes.STRING(64), primaryKey: true },
    project_id: {
      type: DataTypes.STRING(64),
      allowNull: false,
      references: { model: 'projects', key: 'id' },
      onDelete: 'CASCADE',
    },
    width: { type: DataTypes.INTEGER, allowNull: false },
    height: { type: DataTypes.INTEGER, allowNull: false },
    bytes: { type: DataTypes.INTEGER, allowNull: false },
    received_at: { type: DataTypes.DATE(3), allowNull: false },
  });
  await tables.createTable('paired_devices', {
    id: { type: DataTypes.STRING(64), primaryKey: true },
    name: { type: DataTypes.STRING(80), allowNull: false },
    token_hash: { type: DataTypes.STRING(64), allowNull: false, unique: true },
    paired_at: { type: DataTypes.DATE(3), allowNull: false },
    seen_at: { type: DataTypes.DATE(3), allowNull: false },
  });
}

export async function down(tables: QueryInterface): Promise<void> {
  await tables.dropTable('paired_devices');
  await tables.dropTable('photos');
}
