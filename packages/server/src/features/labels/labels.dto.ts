import { ArrayMaxSize, ArrayMinSize, IsArray, IsIn, IsInt, IsObject, IsString, Length, Max, Min } from 'class-validator';

export class LabelDto {
  @IsString()
  @Length(1, 20)
  declare mark: string;

  @IsString()
  @Length(1, 120)
  declare name: string;

  /** As it is read on a tape, with its unit. */
  @IsString()
  @Length(1, 60)
  declare size: string;

  @IsString()
  @Length(1, 120)
  declare stock: string;

  /** Along the first measure of the size, across it, or either way. */
  @IsIn(['along', 'across', 'none'])
  declare grain: 'along' | 'across' | 'none';

  /** Edges that get a band; empty for none. */
  @IsString()
  @Length(0, 120)
  declare band: string;

  /** What is done with it next. */
  @IsString()
  @Length(0, 160)
  declare next: string;

  /** What its code opens. */
  @IsString()
  @Length(1, 300)
  declare link: string;
}

/** Each label is checked by itself, as a LabelDto: 500 of them at once would hold up everybody else. */
export class LabelSheetDto {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(500)
  @IsObject({ each: true, message: 'each label is an object' })
  declare labels: object[];
}

export class PrintLabelsDto extends LabelSheetDto {
  /** The same id sent twice is printed once. */
  @IsString()
  @Length(1, 64)
  declare id: string;
}

export class PaperDto {
  @IsInt()
  @Min(1)
  @Max(1000)
  declare labels: number;
}

export class PrinterFaultDto {
  @IsIn(['offline', 'jammed', 'fine'])
  declare how: 'offline' | 'jammed' | 'fine';
}
