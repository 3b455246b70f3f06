import { Column, DataType, Model, Table } from 'sequelize-typescript';

export type StockEventKind = 'bought' | 'kept' | 'changed' | 'reserved' | 'released' | 'cut' | 'uncut' | 'thrown';

/** Something that happened to a piece of the store. Rows are added, never changed. */
@Table({ tableName: 'stock_events', underscored: true, timestamps: false })
export class StockEventModel extends Model {
  @Column({ type: DataType.BIGINT, primaryKey: true, autoIncrement: true })
  declare id: number;

  @Column({ type: DataType.STRING(64), field: 'piece_id' })
  declare pieceId: string;

  @Column(DataType.STRING(16))
  declare kind: StockEventKind;

  @Column(DataType.DATE(3))
  declare at: Date;

  @Column({ type: DataType.STRING(64), field: 'project_id' })
  declare projectId: string | null;

  /** As it was called then. */
  @Column({ type: DataType.STRING(80), field: 'project_name' })
  declare projectName: string | null;
}
