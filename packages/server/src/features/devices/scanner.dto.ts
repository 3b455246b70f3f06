import { Type } from 'class-transformer';
import { IsIn, IsNumber, IsOptional, Max, Min } from 'class-validator';

export class ScanDto {
  /** Millimeters from the wall's left end. */
  @Type(() => Number)
  @IsNumber()
  @Min(-1000)
  @Max(50_000)
  declare from: number;

  @Type(() => Number)
  @IsNumber()
  @Min(-1000)
  @Max(50_000)
  declare to: number;

  /** Above the floor. */
  @Type(() => Number)
  @IsNumber()
  @Min(0)
  @Max(20_000)
  declare up: number;

  /** Of the hand, mm in a second. */
  @IsOptional()
  @Type(() => Number)
  @IsNumber()
  @Min(50)
  @Max(20_000)
  declare speed?: number;
}

export class FaultDto {
  @IsIn(['drop', 'silent'])
  declare how: 'drop' | 'silent';

  @IsNumber()
  @Min(-1000)
  @Max(50_000)
  declare at: number;
}
