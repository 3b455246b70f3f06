/** Brings the tables up to date. Each migration is a named step that runs once; never sync. */
import { QueryTypes, type Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { MIGRATIONS } from './migrations/index.ts';

/** The database was made by a newer program than this one. */
export class NewerDatabase extends Error {
  constructor(readonly unknown: readonly string[]) {
    super(
      `The data was last used by a newer program: it has had the upgrade ${unknown.at(-1)}, which this program does not know. Nothing was changed. ` +
        'Start the newer program again, or restore a copy from before the upgrade (folder backups) into another folder.',
    );
  }
}

/** Runs what has not run yet. @throws NewerDatabase before it changes anything */
export async function migrate(sequelize: Sequelize): Promise<void> {
  await refuseNewer(sequelize);
  await new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: () => up(sequelize.getQueryInterface()),
      down: () => down(sequelize.getQueryInterface()),
    })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  }).up();
}

async function refuseNewer(sequelize: Sequelize): Promise<void> {
  const tables = await sequelize.getQueryInterface().showAllTables();
  if (!tables.includes('migrations')) return;
  const rows = await sequelize.query<{ name: string }>('select name from migrations order by name', { type: QueryTypes.SELECT });
  const known = new Set(MIGRATIONS.map(({ name }) => name));
  const unknown = rows.flatMap(({ name }) => (known.has(name) ? [] : [name]));
  if (unknown.length > 0) throw new NewerDatabase(unknown);
}
