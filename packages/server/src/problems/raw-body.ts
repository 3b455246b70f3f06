/** Bodies that are files: read whole, or refused as soon as there is too much of them. */
import type { Request } from 'express';

/** Throws what `tooLarge` gives. */
export async function rawBody(request: Request, most: number, tooLarge: () => Error): Promise<Buffer> {
  if (Number(request.headers['content-length'] ?? 0) > most) throw tooLarge();
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of request as AsyncIterable<Buffer>) {
    size += chunk.length;
    if (size > most) throw tooLarge();
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}
