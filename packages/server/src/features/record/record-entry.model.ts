import type { Json } from '@keen/core';
import { Column, DataType, Model, Table } from 'sequelize-typescript';

/** One fact of the shop record. Rows are added, never changed. */
@Table({ tableName: 'record_entries', underscored: true, timestamps: false })
export class RecordEntryModel extends Model {
  @Column({ type: DataType.BIGINT, primaryKey: true, autoIncrement: true })
  declare sequence: number;

  /** Its place in the record of its project, in the order of the commits. */
  @Column({
    type: DataType.BIGINT,
    get(this: Model): number {
      return Number(this.getDataValue('position' as never));
    },
  })
  declare position: number;

  @Column({ type: DataType.STRING(64), field: 'project_id' })
  declare projectId: string;

  /** Made by the client: the same one posted twice is one entry. */
  @Column({ type: DataType.STRING(64), field: 'entry_id' })
  declare entryId: string;

  @Column(DataType.STRING(32))
  declare kind: string;

  @Column(DataType.DATE(3))
  declare at: Date;

  @Column({ type: DataType.DATE(3), field: 'received_at' })
  declare receivedAt: Date;

  @Column(DataType.JSON)
  declare body: Json;
}
