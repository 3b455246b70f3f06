import { Column, DataType, Model, Table } from 'sequelize-typescript';

/** Labels to be printed one by one. */
@Table({ tableName: 'label_jobs', underscored: true, timestamps: false })
export class LabelJobModel extends Model {
  /** Made by the client: the same id sent twice is one job. */
  @Column({ type: DataType.STRING(64), primaryKey: true })
  declare id: string;

  /** The labels as JSON. */
  @Column(DataType.TEXT('medium'))
  declare labels: string;

  @Column(DataType.INTEGER)
  declare count: number;

  /** As far as the printer has said. */
  @Column(DataType.INTEGER)
  declare printed: number;

  /** Counts on when the printer has forgotten the job, which is then sent again without the labels that are printed. */
  @Column(DataType.INTEGER)
  declare attempt: number;

  /** Labels that earlier attempts printed. */
  @Column({ type: DataType.INTEGER, field: 'printed_before' })
  declare printedBefore: number;

  @Column({ type: DataType.DATE(3), field: 'created_at' })
  declare createdAt: Date;

  @Column({ type: DataType.DATE(3), field: 'done_at' })
  declare doneAt: Date | null;
}
