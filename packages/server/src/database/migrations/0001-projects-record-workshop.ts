/** Designs with their revisions, the append-only shop record, the shared workshop. */
import { DataTypes, type QueryInterface } from 'sequelize';

export const name = '0001-projects-record-workshop';

const id = { type: DataTypes.STRING(64), allowNull: false };
const when = { type: DataTypes.DATE(3), allowNull: false };
const document = { type: DataTypes.JSON, allowNull: false };
const whole = { type: DataTypes.INTEGER, allowNull: false };
const nanometres = { type: DataTypes.BIGINT, allowNull: false };

export async function up(tables: QueryInterface): Promise<void> {
  await tables.createTable('projects', {
    id: { ...id, primaryKey: true },
    name: { type: DataTypes.STRING(80), allowNull: false },
    revision: whole,
    demo: { type: DataTypes.BOOLEAN, allowNull: false },
    document,
    created_at: when,
    updated_at: when,
    deleted_at: { ...when, allowNull: true },
  });
  const project = { ...id, references: { model: 'projects', key: 'id' }, onDelete: 'CASCADE' };
  await tables.createTable('project_units', {
    project_id: { ...project, primaryKey: true },
    unit_id: { ...id, primaryKey: true },
    name: { type: DataTypes.STRING(80), allowNull: false },
    position: whole,
    width_nm: nanometres,
    height_nm: nanometres,
    along_nm: nanometres,
    up_nm: nanometres,
    shelves: whole,
  });
  await tables.createTable('revisions', {
    id: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
    project_id: project,
    number: whole,
    session: id,
    document,
    workshop: document,
    started_at: when,
    saved_at: when,
  });
  await tables.addIndex('revisions', ['project_id', 'number'], { unique: true, name: 'revision_of_project' });
  await tables.createTable('record_entries', {
    sequence: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
    project_id: project,
    entry_id: id,
    kind: { type: DataTypes.STRING(32), allowNull: false },
    at: when,
    received_at: when,
    body: document,
  });
  await tables.addIndex('record_entries', ['project_id', 'entry_id'], { unique: true, name: 'entry_of_project' });
  await tables.createTable('workshop', { id: { type: DataTypes.INTEGER, primaryKey: true }, revision: whole, document, updated_at: when });
}

export async function down(tables: QueryInterface): Promise<void> {
  for (const table of ['workshop', 'record_entries', 'revisions', 'project_units', 'projects']) await tables.dropTable(table);
}
