import { Type } from 'class-transformer';
import { IsIn, IsInt, IsNumber, IsOptional, Max, Min } from 'class-validator';
import type { CaliperFault } from './caliper.service.ts';

export class MeasureDto {
  /** Thickness on the sheet's name, mm: what a stand-in measures about. */
  @Type(() => Number)
  @IsNumber()
  @Min(0.5)
  @Max(150)
  declare nominal: number;

  @IsOptional()
  @Type(() => Number)
  @IsInt()
  @Min(1)
  @Max(50)
  declare places?: number;
}

export class CaliperFaultDto {
  @IsIn(['drop', 'silent', 'nonsense'])
  declare how: CaliperFault;

  @IsInt()
  @Min(0)
  @Max(50)
  declare after: number;
}
