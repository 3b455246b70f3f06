import { Column, DataType, Model, Table } from 'sequelize-typescript';

/** A phone or tablet that was paired with this desk. Its token itself is kept nowhere but on the device. */
@Table({ tableName: 'paired_devices', underscored: true, timestamps: false })
export class PairedDeviceModel extends Model {
  @Column({ type: DataType.STRING(64), primaryKey: true })
  declare id: string;

  @Column(DataType.STRING(80))
  declare name: string;

  @Column({ type: DataType.STRING(64), field: 'token_hash' })
  declare tokenHash: string;

  @Column({ type: DataType.DATE(3), field: 'paired_at' })
  declare pairedAt: Date;

  @Column({ type: DataType.DATE(3), field: 'seen_at' })
  declare seenAt: Date;
}
