import { IsInt, IsObject, Min } from 'class-validator';

export class SaveWorkshopDto {
  /** The revision the change was made on. */
  @IsInt()
  @Min(1)
  declare base: number;

  @IsObject()
  declare workshop: object;
}
