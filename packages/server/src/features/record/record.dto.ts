import { Type } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsInt, IsObject, IsOptional, Max, Min } from 'class-validator';

export class AppendRecordDto {
  /** Longer queues are sent in several requests. */
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(500)
  @IsObject({ each: true })
  declare entries: object[];
}

export class ReadRecordDto {
  /** Only entries after this sequence. */
  @IsOptional()
  @Type(() => Number)
  @IsInt()
  @Min(0)
  @Max(Number.MAX_SAFE_INTEGER)
  declare after?: number;
}
