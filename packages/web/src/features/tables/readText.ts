/** The text of a table a person opens. What reads workbooks is fetched when the first file is opened. */
import { refuse, type Outcome } from '@keen/core';

/** Larger is not read into memory at all. */
const MOST_BYTES = 5_000_000;

export async function readText(file: File): Promise<Outcome<string>> {
  if (file.size > MOST_BYTES) return refuse('too-large', `the file has ${Math.ceil(file.size / 1e6)} MB`, file.name, `at most ${MOST_BYTES / 1e6} MB`);
  try {
    const { tableText } = await import('@keen/exchange');
    return tableText(new Uint8Array(await file.arrayBuffer()), file.name);
  } catch {
    return refuse('away', 'what reads tables could not be fetched', file.name, 'once more when the server answers');
  }
}
