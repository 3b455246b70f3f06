import { Type } from 'class-transformer';
import { IsIn, IsInt, IsNumber, Max, Min } from 'class-validator';
import type { ScaleFault } from './scale.service.ts';

export class WeighDto {
  /** What it is taken for, kg: what a stand-in weighs about. */
  @Type(() => Number)
  @IsNumber()
  @Min(0.001)
  @Max(500)
  declare about: number;
}

export class ScaleFaultDto {
  @IsIn(['drop', 'silent', 'nonsense', 'unsteady'])
  declare how: ScaleFault;

  @IsInt()
  @Min(0)
  @Max(50)
  declare after: number;
}
