import { Column, DataType, Model, Table } from 'sequelize-typescript';

/** mysql2 gives BIGINT back as text. */
const nanometres = (field: string) => ({
  type: DataType.BIGINT,
  field,
  get(this: Model): number {
    return Number(this.getDataValue(field.replace(/_(\w)/g, (_, letter: string) => letter.toUpperCase()) as never));
  },
});

/** What home draws of a cabinet, projected from the document in the same transaction and written nowhere else. */
@Table({ tableName: 'project_units', underscored: true, timestamps: false })
export class ProjectUnitModel extends Model {
  @Column({ type: DataType.STRING(64), primaryKey: true, field: 'project_id' })
  declare projectId: string;

  @Column({ type: DataType.STRING(64), primaryKey: true, field: 'unit_id' })
  declare unitId: string;

  @Column(DataType.STRING(80))
  declare name: string;

  @Column(DataType.INTEGER)
  declare position: number;

  @Column(nanometres('width_nm'))
  declare widthNm: number;

  @Column(nanometres('height_nm'))
  declare heightNm: number;

  @Column(nanometres('along_nm'))
  declare alongNm: number;

  @Column(nanometres('up_nm'))
  declare upNm: number;

  @Column(DataType.INTEGER)
  declare shelves: number;
}
