/**
 * A position for every entry of a shop record, given under the lock on its project and therefore in the order of the commits: whoever
 * reads on from a position misses nothing. Auto-increment numbers are given before the commit and may become visible out of order.
 * Existing entries keep their number as their position, so that open pages can read on.
 */
import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize';

export const name = '0017-record-positions';

export async function up(tables: QueryInterface): Promise<void> {
  const whole = { type: DataTypes.BIGINT, allowNull: false, defaultValue: 0 };
  await tables.addColumn('projects', 'record_position', whole);
  await tables.addColumn('record_entries', 'position', whole);
  await tables.sequelize.query('update record_entries set position = sequence', { type: QueryTypes.UPDATE });
  await tables.sequelize.query('update projects set record_position = coalesce((select max(position) from record_entries where project_id = projects.id), 0)', {
    type: QueryTypes.UPDATE,
  });
  await tables.addIndex('record_entries', ['project_id', 'position'], { unique: true, name: 'entry_at_position' });
}

export async function down(tables: QueryInterface): Promise<void> {
  await tables.removeIndex('record_entries', 'entry_at_position');
  await tables.removeColumn('record_entries', 'position');
  await tables.removeColumn('projects', 'record_position');
}
