import { Column, DataType, Model, Table } from 'sequelize-typescript';

/** A picture of a project; its bytes are files under the data folder. */
@Table({ tableName: 'photos', underscored: true, timestamps: false })
export class PhotoModel extends Model {
  @Column({ type: DataType.STRING(64), primaryKey: true, field: 'project_id' })
  declare projectId: string;

  /** Made by the client: within a project the same one sent twice is one picture. */
  @Column({ type: DataType.STRING(64), primaryKey: true })
  declare id: string;

  @Column(DataType.INTEGER)
  declare width: number;

  @Column(DataType.INTEGER)
  declare height: number;

  @Column(DataType.INTEGER)
  declare bytes: number;

  @Column({ type: DataType.DATE(3), field: 'received_at' })
  declare receivedAt: Date;
}
