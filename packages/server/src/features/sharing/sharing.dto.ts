import { IsString, Length, Matches } from 'class-validator';

export class PairDto {
  @Matches(/^\d{6}$/, { message: 'a code is six digits' })
  declare code: string;

  @IsString()
  @Length(1, 80)
  declare name: string;
}
