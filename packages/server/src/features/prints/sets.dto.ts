import { ArrayMaxSize, IsArray, IsIn, IsObject, IsOptional, IsString, MaxLength } from 'class-validator';
import { PAPERS, type PaperId } from '@keen/exchange';

const PAPER_IDS = Object.keys(PAPERS);

export class AskSetDto {
  @IsIn(PAPER_IDS, { message: `paper must be one of: ${PAPER_IDS.join(', ')}` })
  paper!: PaperId;

  @IsIn(['in', 'mm'])
  units!: 'in' | 'mm';

  /** Cabinets it is of; all without. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(200)
  @IsString({ each: true })
  @MaxLength(80, { each: true })
  cabinets?: string[];

  /** Layouts that are not settled, by product, as docs/nesting.md writes a plan. */
  @IsOptional()
  @IsObject()
  layouts?: object;
}
