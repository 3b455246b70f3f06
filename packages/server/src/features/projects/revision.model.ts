import type { Json } from '@keen/core';
import { Column, DataType, Model, Table } from 'sequelize-typescript';

/** A kept version of a design, with the workshop it was planned with. */
@Table({ tableName: 'revisions', underscored: true, timestamps: false })
export class RevisionModel extends Model {
  @Column({ type: DataType.BIGINT, primaryKey: true, autoIncrement: true })
  declare id: number;

  @Column({ type: DataType.STRING(64), field: 'project_id' })
  declare projectId: string;

  @Column(DataType.INTEGER)
  declare number: number;

  /** The tab that saved it: saves of one tab close together fold into one revision. */
  @Column(DataType.STRING(64))
  declare session: string;

  @Column(DataType.JSON)
  declare document: Json;

  @Column(DataType.JSON)
  declare workshop: Json;

  /** The version it brought back; null for one that was edited. */
  @Column({ type: DataType.INTEGER, field: 'restored_from' })
  declare restoredFrom: number | null;

  @Column({ type: DataType.DATE(3), field: 'started_at' })
  declare startedAt: Date;

  @Column({ type: DataType.DATE(3), field: 'saved_at' })
  declare savedAt: Date;
}
