import { Module, type DynamicModule } from '@nestjs/common';
import { APP_GUARD } from '@nestjs/core';
import { SequelizeModule } from '@nestjs/sequelize';
import { FAULT_SWITCHES } from './access/fault-switch.ts';
import { AccessGuard } from './access/open-to.ts';
import { DATA_FOLDER, type ServerConfig } from './config.ts';
import { databaseOptions, MODELS } from './database/database.ts';
import { DemoService } from './demo/demo.service.ts';
import { BundlesController } from './features/bundles/bundles.controller.ts';
import { BundlesService } from './features/bundles/bundles.service.ts';
import { CaliperController } from './features/devices/caliper.controller.ts';
import { CALIPER_PORT, CaliperService } from './features/devices/caliper.service.ts';
import { ScaleController } from './features/devices/scale.controller.ts';
import { SCALE_PORT, ScaleService } from './features/devices/scale.service.ts';
import { ScannerController } from './features/devices/scanner.controller.ts';
import { SCANNER_PORT, ScannerService } from './features/devices/scanner.service.ts';
import { DiskService, FREE_MB, freeMbOf } from './housekeeping/disk.service.ts';
import { HousekeepingService } from './housekeeping/housekeeping.service.ts';
import { HeavyWorkService } from './heavy/heavy-work.service.ts';
import { HealthController } from './features/health/health.controller.ts';
import { LabelsController } from './features/labels/labels.controller.ts';
import { LabelsService, PRINTER_PORT } from './features/labels/labels.service.ts';
import { MerchantController } from './features/merchant/merchant.controller.ts';
import { MERCHANT_PORT, MerchantService } from './features/merchant/merchant.service.ts';
import { NestJobsController } from './features/nesting/nest-jobs.controller.ts';
import { NestJobsService } from './features/nesting/nest-jobs.service.ts';
import { LiveController } from './features/live/live.controller.ts';
import { LiveService } from './features/live/live.service.ts';
import { PhotosController } from './features/photos/photos.controller.ts';
import { PhotosService } from './features/photos/photos.service.ts';
import { Pictures } from './features/photos/pictures.ts';
import { PrintsController } from './features/prints/prints.controller.ts';
import { PrintsService } from './features/prints/prints.service.ts';
import { SetsController } from './features/prints/sets.controller.ts';
import { SetsService } from './features/prints/sets.service.ts';
import { StoredProjects } from './features/projects/stored-projects.ts';
import { ProjectsController } from './features/projects/projects.controller.ts';
import { ProjectsService } from './features/projects/projects.service.ts';
import { NextTimeController } from './features/record/next-time.controller.ts';
import { RecordController } from './features/record/record.controller.ts';
import { RecordService } from './features/record/record.service.ts';
import { SharingController } from './features/sharing/sharing.controller.ts';
import { SHARE, SharingService } from './features/sharing/sharing.service.ts';
import { CutFollower } from './features/stock/cut-follower.ts';
import { StockController } from './features/stock/stock.controller.ts';
import { StockService } from './features/stock/stock.service.ts';
import { StoreService } from './features/stock/store.service.ts';
import { WorkshopController } from './features/workshop/workshop.controller.ts';
import { WorkshopService } from './features/workshop/workshop.service.ts';

@Module({})
export class AppModule {
  static with(config: ServerConfig): DynamicModule {
    return {
      module: AppModule,
      imports: [SequelizeModule.forRoot(databaseOptions(config)), SequelizeModule.forFeature(MODELS)],
      controllers: [
        BundlesController,
        CaliperController,
        HealthController,
        LabelsController,
        LiveController,
        MerchantController,
        NestJobsController,
        NextTimeController,
        PhotosController,
        PrintsController,
        ProjectsController,
        RecordController,
        SetsController,
        ScaleController,
        ScannerController,
        SharingController,
        StockController,
        WorkshopController,
      ],
      providers: [
        { provide: APP_GUARD, useClass: AccessGuard },
        { provide: FAULT_SWITCHES, useValue: config.faultSwitches },
        HeavyWorkService,
        DiskService,
        { provide: FREE_MB, useValue: freeMbOf },
        HousekeepingService,
        ProjectsService,
        RecordService,
        LiveService,
        PhotosService,
        Pictures,
        BundlesService,
        PrintsService,
        SetsService,
        StoredProjects,
        { provide: DATA_FOLDER, useValue: config.dataFolder },
        SharingService,
        { provide: SHARE, useValue: config.share },
        WorkshopService,
        NestJobsService,
        StoreService,
        StockService,
        CutFollower,
        DemoService,
        CaliperService,
        { provide: CALIPER_PORT, useValue: config.caliperPort },
        ScaleService,
        { provide: SCALE_PORT, useValue: config.scalePort },
        ScannerService,
        LabelsService,
        { provide: PRINTER_PORT, useValue: config.printerPort },
        MerchantService,
        { provide: MERCHANT_PORT, useValue: config.merchantPort },
        { provide: SCANNER_PORT, useValue: config.scannerPort },
      ],
    };
  }
}
