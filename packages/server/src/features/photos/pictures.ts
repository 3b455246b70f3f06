/** Every picture that comes in, of a note or of a piece of stock, goes through here: looked at, drawn anew, one at a time. */
import { Injectable } from '@nestjs/common';
import { Slots } from '../../heavy/slots.ts';
import { keepable, type Kept } from './picture.ts';

@Injectable()
export class Pictures {
  /** One at a time, so that thirty of them leave the machine free for everything else. */
  private readonly decoding = new Slots(1, 200, 'pictures');

  /** Bytes, or the path of a file. Throws a ProblemException that says what is wrong with it. */
  keepable(picture: string | Buffer): Promise<Kept> {
    return this.decoding.take(() => keepable(picture));
  }
}
