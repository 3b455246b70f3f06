import { Column, DataType, Model, Table } from 'sequelize-typescript';

/** A phone or tablet that is paired with this desk. The tokens themselves are kept on the device alone; here are their SHA-256 hashes. */
@Table({ tableName: 'paired_devices', underscored: true, timestamps: false })
export class PairedDeviceModel extends Model {
  @Column({ type: DataType.STRING(64), primaryKey: true })
  declare id: string;

  @Column(DataType.STRING(80))
  declare name: string;

  @Column({ type: DataType.STRING(64), field: 'token_hash' })
  declare tokenHash: string;

  /** The token before the last change, good until the new one has been used: the answer that carried the new one may have been lost. */
  @Column({ type: DataType.STRING(64), field: 'previous_hash' })
  declare previousHash: string | null;

  @Column({ type: DataType.DATE(3), field: 'renewed_at' })
  declare renewedAt: Date;

  @Column({ type: DataType.DATE(3), field: 'expires_at' })
  declare expiresAt: Date;

  @Column({ type: DataType.DATE(3), field: 'paired_at' })
  declare pairedAt: Date;

  @Column({ type: DataType.DATE(3), field: 'seen_at' })
  declare seenAt: Date;
}
