/** Answers with one line of JSON for each event of a device as it comes; the last is 'end' or 'lost'. */
import type { Response } from 'express';

export async function eventLines<E>(response: Response, run: (tell: (event: E) => void, signal: AbortSignal) => Promise<void>, lost: E): Promise<void> {
  const gone = new AbortController();
  response.on('close', () => gone.abort());
  response.setHeader('Content-Type', 'application/x-ndjson');
  response.setHeader('Cache-Control', 'no-store');
  response.flushHeaders();
  const tell = (event: E): void => void response.write(`${JSON.stringify(event)}\n`);
  await run(tell, gone.signal).catch(() => tell(lost));
  response.end();
}
