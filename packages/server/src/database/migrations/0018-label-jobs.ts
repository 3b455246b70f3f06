/** Labels on their way to the printer: kept until they are printed, whatever is switched off meanwhile. */
import { DataTypes, type QueryInterface } from 'sequelize';

export const name = '0018-label-jobs';

const whole = { type: DataTypes.INTEGER, allowNull: false };

export async function up(tables: QueryInterface): Promise<void> {
  await tables.createTable(
    'label_jobs',
    {
      id: { type: DataTypes.STRING(64), primaryKey: true },
      labels: { type: DataTypes.TEXT('medium'), allowNull: false },
      count: whole,
      printed: whole,
      attempt: whole,
      printed_before: whole,
      created_at: { type: DataTypes.DATE(3), allowNull: false },
      done_at: { type: DataTypes.DATE(3), allowNull: true },
    },
    { charset: 'utf8mb4', collate: 'utf8mb4_nopad_bin' },
  );
  await tables.addIndex('label_jobs', ['done_at', 'created_at'], { name: 'label_jobs_in_turn' });
}

export const down = (tables: QueryInterface): Promise<void> => tables.dropTable('label_jobs');
