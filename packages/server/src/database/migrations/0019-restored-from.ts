/** Which version a restored one was: undo goes on from there, and not back and forth between two. */
import { DataTypes, type QueryInterface } from 'sequelize';

export const name = '0019-restored-from';

export const up = (tables: QueryInterface): Promise<void> =>
  tables.addColumn('revisions', 'restored_from', { type: DataTypes.INTEGER, allowNull: true }) as Promise<void>;

export const down = (tables: QueryInterface): Promise<void> => tables.removeColumn('revisions', 'restored_from') as Promise<void>;
