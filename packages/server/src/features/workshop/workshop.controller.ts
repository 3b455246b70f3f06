import { Body, Controller, Get, Put } from '@nestjs/common';
import { SaveWorkshopDto } from './workshop.dto.ts';
import { WorkshopService, type StoredWorkshop } from './workshop.service.ts';

@Controller('api/workshop')
export class WorkshopController {
  constructor(private readonly workshop: WorkshopService) {}

  @Get()
  find(): Promise<StoredWorkshop> {
    return this.workshop.find();
  }

  @Put()
  save(@Body() { base, workshop }: SaveWorkshopDto): Promise<StoredWorkshop> {
    return this.workshop.save(base, workshop);
  }
}
