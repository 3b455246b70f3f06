import { Column, DataType, Model, Table } from 'sequelize-typescript';

/** 'waiting' and 'running' ones are taken up again after a restart. */
export type NestJobState = 'waiting' | 'running' | 'done' | 'stopped' | 'failed';

/** A search for a layout. Problem and plan are text in the form of docs/nesting.md, which only the thread that searches reads. */
@Table({ tableName: 'nest_jobs', underscored: true, timestamps: false })
export class NestJobModel extends Model {
  /** Made by the client: the same one asked for twice is one job. */
  @Column({ type: DataType.STRING(64), primaryKey: true })
  declare id: string;

  @Column({ type: DataType.STRING(64), field: 'project_id' })
  declare projectId: string;

  @Column(DataType.STRING(64))
  declare product: string;

  /** What the client knows the problem by. */
  @Column({ type: DataType.STRING(64), field: 'pieces_key' })
  declare piecesKey: string;

  /** What is preferred among plans with as few sheets. */
  @Column({ type: DataType.STRING(16), field: 'settle_for' })
  declare settleFor: string;

  @Column(DataType.STRING(16))
  declare state: NestJobState;

  @Column(DataType.INTEGER)
  declare seconds: number;

  @Column({ type: DataType.INTEGER, field: 'spent_ms' })
  declare spentMs: number;

  /** How often it was begun; each time the search goes another way. */
  @Column(DataType.INTEGER)
  declare starts: number;

  @Column(DataType.TEXT('medium'))
  declare problem: string;

  @Column(DataType.TEXT('medium'))
  declare plan: string | null;

  @Column(DataType.STRING(400))
  declare fault: string | null;

  @Column({ type: DataType.DATE(3), field: 'created_at' })
  declare createdAt: Date;

  @Column({ type: DataType.DATE(3), field: 'updated_at' })
  declare updatedAt: Date;
}
