import { Matches } from 'class-validator';

export class PhotoDto {
  @Matches(/^[A-Za-z0-9_-]{1,64}$/, { message: 'a project is known by letters, digits and dashes' })
  declare id: string;

  @Matches(/^[A-Za-z0-9-]{8,64}$/, { message: 'a picture is known by 8 to 64 letters, digits and dashes' })
  declare photo: string;
}
