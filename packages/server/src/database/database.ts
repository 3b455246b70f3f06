/** The connection. Dialect mysql with mysql2 speaks MariaDB and gives JSON columns back as objects. */
import type { SequelizeModuleOptions } from '@nestjs/sequelize';
import type { ServerConfig } from '../config.ts';
import { LabelJobModel } from '../features/labels/label-job.model.ts';
import { NestJobModel } from '../features/nesting/nest-job.model.ts';
import { PhotoModel } from '../features/photos/photo.model.ts';
import { ProjectModel } from '../features/projects/project.model.ts';
import { ProjectUnitModel } from '../features/projects/project-unit.model.ts';
import { RevisionModel } from '../features/projects/revision.model.ts';
import { RecordEntryModel } from '../features/record/record-entry.model.ts';
import { CatalogueModel } from '../features/merchant/catalogue.model.ts';
import { PriceModel } from '../features/merchant/price.model.ts';
import { PairedDeviceModel } from '../features/sharing/paired-device.model.ts';
import { StockEventModel } from '../features/stock/stock-event.model.ts';
import { StockPictureModel } from '../features/stock/stock-picture.model.ts';
import { StockPieceModel } from '../features/stock/stock-piece.model.ts';
import { WorkshopModel } from '../features/workshop/workshop.model.ts';

export const MODELS = [
  ProjectModel,
  ProjectUnitModel,
  RevisionModel,
  RecordEntryModel,
  WorkshopModel,
  NestJobModel,
  StockPieceModel,
  StockEventModel,
  StockPictureModel,
  CatalogueModel,
  PriceModel,
  PhotoModel,
  PairedDeviceModel,
  LabelJobModel,
];

export const databaseOptions = ({ database }: ServerConfig): SequelizeModuleOptions => ({
  dialect: 'mysql',
  host: '127.0.0.1',
  port: database.port,
  database: database.name,
  username: database.user,
  password: database.password,
  models: MODELS,
  logging: false,
  define: { charset: 'utf8mb4', collate: 'utf8mb4_nopad_bin' },
  pool: { max: 8, acquire: 10_000 },
  retryAttempts: 3,
  synchronize: false,
});
