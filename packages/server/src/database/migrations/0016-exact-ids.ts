/**
 * Text is compared byte by byte: 'abcdef' and 'ABCDEF', 'ss1' and 'ß1' are different ids. Pictures are known by their project and
 * their id together, so that no project can reach another's. Every step may run twice: a start may be cut off in between.
 */
import { QueryTypes, type QueryInterface, type Sequelize } from 'sequelize';

export const name = '0016-exact-ids';

const EXACT = 'character set utf8mb4 collate utf8mb4_nopad_bin';
const LENIENT = 'character set utf8mb4 collate utf8mb4_unicode_ci';

const FOREIGN_KEYS = [
  { table: 'project_units', column: 'project_id', parent: 'projects' },
  { table: 'revisions', column: 'project_id', parent: 'projects' },
  { table: 'record_entries', column: 'project_id', parent: 'projects' },
  { table: 'nest_jobs', column: 'project_id', parent: 'projects' },
  { table: 'photos', column: 'project_id', parent: 'projects' },
  { table: 'stock_events', column: 'piece_id', parent: 'stock_pieces' },
  { table: 'stock_pictures', column: 'piece_id', parent: 'stock_pieces' },
] as const;

export async function up({ sequelize }: QueryInterface): Promise<void> {
  await convert(sequelize, EXACT);
  await sequelize.query('alter table photos drop primary key, add primary key (project_id, id)');
}

export async function down({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.query('alter table photos drop primary key, add primary key (id)');
  await convert(sequelize, LENIENT);
}

/** Both ends of a foreign key have one collation, so the keys are taken off while the tables change. */
async function convert(sequelize: Sequelize, collation: string): Promise<void> {
  const select = <T extends object>(sql: string): Promise<T[]> => sequelize.query<T>(sql, { type: QueryTypes.SELECT });
  const keys = await select<{ own: string; name: string }>(
    'select table_name as own, constraint_name as name from information_schema.referential_constraints where constraint_schema = database()',
  );
  for (const { own, name: key } of keys) await sequelize.query(`alter table \`${own}\` drop foreign key \`${key}\``);
  const tables = await select<{ name: string }>(
    "select table_name as name from information_schema.tables where table_schema = database() and table_type = 'BASE TABLE'",
  );
  for (const { name: table } of tables) await sequelize.query(`alter table \`${table}\` convert to ${collation}`);
  for (const { table, column, parent } of FOREIGN_KEYS)
    await sequelize.query(
      `alter table ${table} add constraint ${table}_of_${parent} foreign key (${column}) references ${parent} (id) on delete cascade on update cascade`,
    );
}
