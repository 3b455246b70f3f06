import { Column, DataType, Model, Table } from 'sequelize-typescript';

/** What was asked for an offer from a moment on: a row each time it changed. */
@Table({ tableName: 'merchant_prices', underscored: true, timestamps: false })
export class PriceModel extends Model {
  @Column({ type: DataType.STRING(80) })
  declare offer: string;

  @Column(DataType.DOUBLE)
  declare price: number;

  @Column({ type: DataType.DATE(3), field: 'heard_at' })
  declare heardAt: Date;
}
