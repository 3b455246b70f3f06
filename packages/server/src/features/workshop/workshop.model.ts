import type { Json } from '@keen/core';
import { Column, DataType, Model, Table } from 'sequelize-typescript';

/** The workshop of this installation: one row. */
@Table({ tableName: 'workshop', underscored: true, timestamps: false })
export class WorkshopModel extends Model {
  @Column({ type: DataType.INTEGER, primaryKey: true })
  declare id: number;

  @Column(DataType.INTEGER)
  declare revision: number;

  @Column(DataType.JSON)
  declare document: Json;

  @Column({ type: DataType.DATE(3), field: 'updated_at' })
  declare updatedAt: Date;
}
