import { Controller, Get } from '@nestjs/common';
import { OpenTo } from '../../access/open-to.ts';
import { RecordService, type NextTimeNote } from './record.service.ts';

@OpenTo('device')
@Controller('api/next-time')
export class NextTimeController {
  constructor(private readonly record: RecordService) {}

  @Get()
  list(): Promise<NextTimeNote[]> {
    return this.record.nextTime();
  }
}
