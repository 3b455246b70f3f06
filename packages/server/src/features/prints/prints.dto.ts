import { Transform, Type } from 'class-transformer';
import { IsIn, IsNumber, IsOptional, IsString, Max, MaxLength, Min } from 'class-validator';
import { MIN_BAR_MM, MAX_BAR_MM, PAPERS, type PaperId } from '@keen/exchange';

const PAPER_IDS = Object.keys(PAPERS);

/** What follows the `?` of a print's address. */
export class PrintQueryDto {
  @IsOptional()
  @IsString()
  @MaxLength(80)
  unit?: string;

  /** Marks, with commas between. */
  @IsOptional()
  @IsString()
  @MaxLength(2000)
  part?: string;

  @IsIn(PAPER_IDS, { message: `paper must be one of: ${PAPER_IDS.join(', ')}` })
  @Transform(({ value }) => (value === undefined ? 'a4' : value) as string, { toClassOnly: true })
  paper: PaperId = 'a4';

  @IsIn(['in', 'mm'])
  units!: 'in' | 'mm';

  /** What the printer made of 100 mm. */
  @Type(() => Number)
  @IsNumber()
  @Min(MIN_BAR_MM)
  @Max(MAX_BAR_MM)
  along = 100;

  @Type(() => Number)
  @IsNumber()
  @Min(MIN_BAR_MM)
  @Max(MAX_BAR_MM)
  up = 100;
}
