import { Body, Controller, Get, Param, Post, Query } from '@nestjs/common';
import { OpenTo } from '../../access/open-to.ts';
import { AppendRecordDto, ReadRecordDto } from './record.dto.ts';
import { RecordService, type StoredEntry } from './record.service.ts';

@OpenTo('device')
@Controller('api/projects/:id/record')
export class RecordController {
  constructor(private readonly record: RecordService) {}

  @Get()
  list(@Param('id') id: string, @Query() { after }: ReadRecordDto): Promise<StoredEntry[]> {
    return this.record.page(id, after);
  }

  @Post()
  append(@Param('id') id: string, @Body() { entries }: AppendRecordDto): Promise<StoredEntry[]> {
    return this.record.append(id, entries);
  }
}
