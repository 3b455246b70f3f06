import { IsIn, IsInt, IsObject, IsString, Length, Max, Min } from 'class-validator';

export class AskNestDto {
  @IsString()
  @Length(1, 64)
  declare id: string;

  /** The stock it is cut from. */
  @IsString()
  @Length(1, 64)
  declare product: string;

  /** What the asker knows the problem by. */
  @IsString()
  @Length(1, 64)
  declare key: string;

  @IsIn(['settings', 'offcut', 'handling'])
  declare then: 'settings' | 'offcut' | 'handling';

  @IsInt()
  @Min(1)
  @Max(3600)
  declare seconds: number;

  /** A problem in the form of docs/nesting.md. */
  @IsObject()
  declare problem: object;
}
