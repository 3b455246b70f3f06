import { Controller, Get } from '@nestjs/common';
import { RecordService, type NextTimeNote } from './record.service.ts';

@Controller('api/next-time')
export class NextTimeController {
  constructor(private readonly record: RecordService) {}

  @Get()
  list(): Promise<NextTimeNote[]> {
    return this.record.nextTime();
  }
}
