import { Column, DataType, Model, Table } from 'sequelize-typescript';

/** A picture that is kept; its bytes are files under the data folder. */
@Table({ tableName: 'photos', underscored: true, timestamps: false })
export class PhotoModel extends Model {
  /** Made by the client: the same one sent twice is one picture. */
  @Column({ type: DataType.STRING(64), primaryKey: true })
  declare id: string;

  @Column({ type: DataType.STRING(64), field: 'project_id' })
  declare projectId: string;

  @Column(DataType.INTEGER)
  declare width: number;

  @Column(DataType.INTEGER)
  declare height: number;

  @Column(DataType.INTEGER)
  declare bytes: number;

  @Column({ type: DataType.DATE(3), field: 'received_at' })
  declare receivedAt: Date;
}
