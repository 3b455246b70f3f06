/** What is taken for a picture and what is kept of it: drawn anew, so that nothing of where and with what it was taken is left in it. */
import { stat } from 'node:fs/promises';
import sharp from 'sharp';
import { ProblemException } from '../../problems/problem.exception.ts';

export const MAX_PHOTO_BYTES = 20 * 1024 * 1024;
/** A file of a few kilobytes can unfold into gigabytes: its measures are read before its pixels are. */
export const MAX_PIXELS = 60_000_000;
const MAX_SIDE = 16_000;
/** Longest side of what is kept, and of what is shown in the list, px. */
const KEPT = 2400;
const THUMBNAIL = 360;

/** One thread: what else runs here goes on. */
sharp.concurrency(1);

const ACCEPTED = `a JPEG, PNG or WebP picture of at most ${MAX_PHOTO_BYTES / 1024 / 1024} MB and ${MAX_PIXELS / 1e6} million pixels`;

export interface Kept {
  readonly full: Buffer;
  readonly thumbnail: Buffer;
  readonly width: number;
  readonly height: number;
}

const refused = (code: string, message: string): ProblemException =>
  new ProblemException(code === 'too-large' ? 413 : 400, { code, message, where: 'picture', accepted: ACCEPTED });

export const tooLarge = (): ProblemException => refused('too-large', `the picture is larger than ${MAX_PHOTO_BYTES / 1024 / 1024} MB`);

/** Reads, turns upright, strips and shrinks a picture: bytes, or the path of a file. Throws a ProblemException that says what is wrong with it. */
export async function keepable(picture: string | Buffer): Promise<Kept> {
  if ((typeof picture === 'string' ? (await stat(picture)).size : picture.length) === 0) throw refused('not-a-picture', 'the file is empty: it is no picture');
  const head = await sharp(picture, { limitInputPixels: false })
    .metadata()
    .catch(() => null);
  if (!head?.width || !head.height || !['jpeg', 'png', 'webp'].includes(head.format ?? ''))
    throw refused('not-a-picture', head?.format ? `a ${head.format} file is no picture that can be kept` : 'the file is no picture, whatever its name says');
  if (head.width * head.height > MAX_PIXELS || Math.max(head.width, head.height) > MAX_SIDE)
    throw refused('too-many-pixels', `the picture unfolds to ${head.width} × ${head.height} pixels`);
  try {
    const upright = sharp(picture, { limitInputPixels: MAX_PIXELS, failOn: 'error' }).rotate().flatten({ background: '#ffffff' });
    const full = await upright
      .clone()
      .resize(KEPT, KEPT, { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 84 })
      .toBuffer({ resolveWithObject: true });
    const thumbnail = await sharp(full.data).resize(THUMBNAIL, THUMBNAIL, { fit: 'inside', withoutEnlargement: true }).jpeg({ quality: 78 }).toBuffer();
    return { full: full.data, thumbnail, width: full.info.width, height: full.info.height };
  } catch {
    throw refused('broken-picture', 'the picture begins well and is broken further on');
  }
}
