/** Designs and workshops of file version 6 lifted to version 7; the pieces of the store become rows, with what has happened to each. */
import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize';
import { liftAll } from './lift.ts';

export const name = '0008-store';

const id = { type: DataTypes.STRING(64), allowNull: false };
const idOrNull = { type: DataTypes.STRING(64), allowNull: true };
const when = { type: DataTypes.DATE(3), allowNull: false };

interface Piece {
  readonly id: string;
  readonly product: string;
}

export async function up(tables: QueryInterface): Promise<void> {
  await liftAll(tables, 6);
  await tables.createTable('stock_pieces', {
    id: { ...id, primaryKey: true },
    product: id,
    state: { type: DataTypes.STRING(16), allowNull: false },
    document: { type: DataTypes.JSON, allowNull: false },
    origin: { type: DataTypes.STRING(200), allowNull: true },
    parent: idOrNull,
    reserved_for: idOrNull,
    cut_by: { type: DataTypes.STRING(100), allowNull: true },
    created_at: when,
    updated_at: when,
  });
  await tables.addIndex('stock_pieces', ['state'], { name: 'pieces_by_state' });
  await tables.addIndex('stock_pieces', ['origin'], { unique: true, name: 'piece_of_origin' });
  await tables.addIndex('stock_pieces', ['cut_by'], { name: 'piece_cut_by' });
  await tables.createTable('stock_events', {
    id: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
    piece_id: { ...id, references: { model: 'stock_pieces', key: 'id' }, onDelete: 'CASCADE' },
    kind: { type: DataTypes.STRING(16), allowNull: false },
    at: when,
    project_id: idOrNull,
    project_name: { type: DataTypes.STRING(80), allowNull: true },
  });
  await tables.createTable('stock_pictures', {
    piece_id: { ...id, primaryKey: true, references: { model: 'stock_pieces', key: 'id' }, onDelete: 'CASCADE' },
    type: { type: DataTypes.STRING(20), allowNull: false },
    bytes: { type: DataTypes.BLOB('medium'), allowNull: false },
  });
  await moveToRows(tables);
}

/** What the workshop's document had in store, as rows; the document keeps none. */
async function moveToRows({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    const shops = await sequelize.query<{ id: number; document: unknown }>('select id, document from workshop', { type: QueryTypes.SELECT, transaction });
    for (const { id: shop, document } of shops) {
      const workshop = (typeof document === 'string' ? JSON.parse(document) : document) as { pieces: Record<string, Piece> };
      for (const piece of Object.values(workshop.pieces)) {
        await sequelize.query('insert into stock_pieces (id, product, state, document, created_at, updated_at) values (?, ?, ?, ?, now(3), now(3))', {
          replacements: [piece.id, piece.product, 'store', JSON.stringify(piece)],
          type: QueryTypes.INSERT,
          transaction,
        });
        await sequelize.query('insert into stock_events (piece_id, kind, at) values (?, ?, now(3))', {
          replacements: [piece.id, 'kept'],
          type: QueryTypes.INSERT,
          transaction,
        });
      }
      await sequelize.query('update workshop set document = ? where id = ?', {
        replacements: [JSON.stringify({ ...workshop, pieces: {} }), shop],
        type: QueryTypes.UPDATE,
        transaction,
      });
    }
  });
}

/** What version 7 added cannot be kept in version 6: going back would lose it. */
export function down(): Promise<void> {
  return Promise.reject(new Error('the store is not taken back into the workshop'));
}
