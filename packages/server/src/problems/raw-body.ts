/** Bodies that are files: written to the disk as they come, or refused as soon as there is too much of them. */
import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Request } from 'express';

/** Files that are still being received; what a stopped server leaves of them is swept (housekeeping). */
export const INCOMING = 'incoming';

/**
 * Receives the body into a file of its own, gives its path to `use`, and removes it afterwards, however that ends. Throws what
 * `tooLarge` gives when there are more than `max` bytes.
 */
export async function withBodyFile<T>(
  request: Request,
  { dataFolder, max, tooLarge }: { readonly dataFolder: string; readonly max: number; readonly tooLarge: () => Error },
  use: (path: string) => Promise<T>,
): Promise<T> {
  if (Number(request.headers['content-length'] ?? 0) > max) throw tooLarge();
  const folder = join(dataFolder, INCOMING);
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const path = join(folder, randomUUID());
  let size = 0;
  const limited = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      size += chunk.length;
      if (size > max) done(tooLarge());
      else done(null, chunk);
    },
  });
  try {
    await pipeline(request, limited, createWriteStream(path, { mode: 0o600 }));
    return await use(path);
  } finally {
    await rm(path, { force: true });
  }
}
