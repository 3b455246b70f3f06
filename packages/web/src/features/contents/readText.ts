/** The text of a file a person opens, whatever program wrote it. */
import { accept, refuse, type Outcome } from '@keen/core';

const MOST_BYTES = 5_000_000;

/** UTF-8 or UTF-16 with its mark, UTF-8 without, or else what older spreadsheets write. */
export async function readText(file: File): Promise<Outcome<string>> {
  if (file.size > MOST_BYTES) return refuse('too-large', `the file has ${Math.round(file.size / 1e6)} MB`, file.name, `at most ${MOST_BYTES / 1e6} MB`);
  const bytes = new Uint8Array(await file.arrayBuffer());
  const text = decoded(bytes);
  return text.includes('\0') ? refuse('no-text', 'the file is no text', file.name, 'a table saved as CSV or text') : accept(text);
}

function decoded(bytes: Uint8Array): string {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
