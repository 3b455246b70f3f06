import { ArrayMaxSize, ArrayMinSize, ArrayUnique, IsArray, IsString, Length } from 'class-validator';

export class KeepForDto {
  /** The project that is to have them, or that gives them back. */
  @IsString()
  @Length(1, 64)
  declare project: string;

  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(200)
  @ArrayUnique()
  @IsString({ each: true })
  @Length(1, 64, { each: true })
  declare pieces: string[];
}

export class CutByDto {
  /** A settled layout and which of its sheets: 'l1#0'. */
  @IsString()
  @Length(1, 100)
  declare cutBy: string;
}
