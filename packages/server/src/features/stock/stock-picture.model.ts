import { Column, DataType, Model, Table } from 'sequelize-typescript';

/** A photograph of a piece of the store. */
@Table({ tableName: 'stock_pictures', underscored: true, timestamps: false })
export class StockPictureModel extends Model {
  @Column({ type: DataType.STRING(64), primaryKey: true, field: 'piece_id' })
  declare pieceId: string;

  @Column(DataType.STRING(20))
  declare type: 'image/jpeg' | 'image/png';

  @Column(DataType.BLOB('medium'))
  declare bytes: Buffer;
}
