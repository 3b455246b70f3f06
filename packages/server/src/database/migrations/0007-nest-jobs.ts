/** Searches for a layout that run on the server, and outlive it. */
import { DataTypes, type QueryInterface } from 'sequelize';

export const name = '0007-nest-jobs';

const id = { type: DataTypes.STRING(64), allowNull: false };
const when = { type: DataTypes.DATE(3), allowNull: false };
const whole = { type: DataTypes.INTEGER, allowNull: false };

export async function up(tables: QueryInterface): Promise<void> {
  await tables.createTable('nest_jobs', {
    id: { ...id, primaryKey: true },
    project_id: { ...id, references: { model: 'projects', key: 'id' }, onDelete: 'CASCADE' },
    product: id,
    pieces_key: id,
    settle_for: { type: DataTypes.STRING(16), allowNull: false },
    state: { type: DataTypes.STRING(16), allowNull: false },
    seconds: whole,
    spent_ms: whole,
    starts: whole,
    problem: { type: DataTypes.TEXT('medium'), allowNull: false },
    plan: { type: DataTypes.TEXT('medium'), allowNull: true },
    fault: { type: DataTypes.STRING(400), allowNull: true },
    created_at: when,
    updated_at: when,
  });
  await tables.addIndex('nest_jobs', ['state', 'created_at'], { name: 'jobs_in_turn' });
}

export const down = (tables: QueryInterface): Promise<void> => tables.dropTable('nest_jobs');
