import type { Json } from '@keen/core';
import { Column, DataType, Model, Table } from 'sequelize-typescript';

/** In the store, cut up, or thrown away. */
export type StockState = 'store' | 'cut' | 'thrown';

/** A sheet, a board or an offcut, from the day it came to the day it is gone. Rows are never taken away but with the cut that made them. */
@Table({ tableName: 'stock_pieces', underscored: true, timestamps: false })
export class StockPieceModel extends Model {
  @Column({ type: DataType.STRING(64), primaryKey: true })
  declare id: string;

  @Column(DataType.STRING(64))
  declare product: string;

  @Column(DataType.STRING(16))
  declare state: StockState;

  /** The core's StockPiece as JSON, without who it is kept for. */
  @Column(DataType.JSON)
  declare document: Json;

  /** The layout and the piece of it that this was left over from; or the layout and which of its new sheets this was. */
  @Column(DataType.STRING(200))
  declare origin: string | null;

  /** The piece it was part of. */
  @Column(DataType.STRING(64))
  declare parent: string | null;

  @Column({ type: DataType.STRING(64), field: 'reserved_for' })
  declare reservedFor: string | null;

  /** The layout and which of its sheets it was. */
  @Column({ type: DataType.STRING(100), field: 'cut_by' })
  declare cutBy: string | null;

  @Column({ type: DataType.DATE(3), field: 'created_at' })
  declare createdAt: Date;

  @Column({ type: DataType.DATE(3), field: 'updated_at' })
  declare updatedAt: Date;
}
