import { Body, Controller, Get, Put } from '@nestjs/common';
import { OpenTo } from '../../access/open-to.ts';
import { SaveWorkshopDto } from './workshop.dto.ts';
import { WorkshopService, type StoredWorkshop } from './workshop.service.ts';

@Controller('api/workshop')
export class WorkshopController {
  constructor(private readonly workshop: WorkshopService) {}

  @OpenTo('device')
  @Get()
  find(): Promise<StoredWorkshop> {
    return this.workshop.find();
  }

  @Put()
  save(@Body() { base, workshop }: SaveWorkshopDto): Promise<StoredWorkshop> {
    return this.workshop.save(base, workshop);
  }
}
