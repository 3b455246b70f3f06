import { IsInt, IsObject, IsString, Length, Min } from 'class-validator';

export class CreateProjectDto {
  @IsObject()
  declare design: object;
}

export class ImportProjectDto {
  /** A whole project file, parsed. */
  @IsObject()
  declare file: object;
}

export class SaveProjectDto {
  /** The revision the change was made on. */
  @IsInt()
  @Min(1)
  declare base: number;

  /** The tab that saves. */
  @IsString()
  @Length(1, 64)
  declare session: string;

  @IsObject()
  declare document: object;
}

/** The document's own reader says which names will do. */
export class RenameProjectDto {
  @IsString()
  declare name: string;
}

export class RestoreRevisionDto {
  @IsInt()
  @Min(1)
  declare base: number;

  @IsString()
  @Length(1, 64)
  declare session: string;
}
