import type { Json } from '@keen/core';
import { Column, DataType, Model, Table } from 'sequelize-typescript';

/** A project: its current design document and the number of its revision. */
@Table({ tableName: 'projects', underscored: true, timestamps: false })
export class ProjectModel extends Model {
  @Column({ type: DataType.STRING(64), primaryKey: true })
  declare id: string;

  @Column(DataType.STRING(80))
  declare name: string;

  @Column(DataType.INTEGER)
  declare revision: number;

  @Column(DataType.BOOLEAN)
  declare demo: boolean;

  @Column(DataType.JSON)
  declare document: Json;

  /** The position of the newest entry of its record. */
  @Column({
    type: DataType.BIGINT,
    field: 'record_position',
    defaultValue: 0,
    get(this: Model): number {
      return Number(this.getDataValue('recordPosition' as never));
    },
  })
  declare recordPosition: number;

  @Column({ type: DataType.DATE(3), field: 'created_at' })
  declare createdAt: Date;

  @Column({ type: DataType.DATE(3), field: 'updated_at' })
  declare updatedAt: Date;

  /** Set while a deletion can still be undone. */
  @Column({ type: DataType.DATE(3), field: 'deleted_at' })
  declare deletedAt: Date | null;
}
