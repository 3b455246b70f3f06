import type { Json } from '@keen/core';
import { Column, DataType, Model, Table } from 'sequelize-typescript';

/** The last catalog that was heard: one row. */
@Table({ tableName: 'merchant_catalogue', underscored: true, timestamps: false })
export class CatalogueModel extends Model {
  @Column({ type: DataType.INTEGER, primaryKey: true })
  declare id: number;

  @Column(DataType.STRING(80))
  declare merchant: string;

  @Column(DataType.JSON)
  declare offers: Json;

  @Column({ type: DataType.DATE(3), field: 'heard_at' })
  declare heardAt: Date;
}
