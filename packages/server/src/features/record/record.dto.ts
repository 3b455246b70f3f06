import { Type } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsInt, IsObject, IsOptional, Min } from 'class-validator';

export class AppendRecordDto {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(500)
  @IsObject({ each: true })
  declare entries: object[];
}

export class ReadRecordDto {
  /** Only entries after this server sequence. */
  @IsOptional()
  @Type(() => Number)
  @IsInt()
  @Min(0)
  declare after?: number;
}
