/** Archives in and out. Reading unpacks piece by piece and stops at its limits, against decompression bombs. */
import { accept, refuse, type Outcome } from '@keen/core';
import { Unzip, UnzipInflate, zipSync } from 'fflate';

export interface ZipLimits {
  /** Of the archive, and of everything taken out of it, bytes. */
  readonly packed: number;
  readonly unfolded: number;
  readonly files: number;
  /** Greatest compression ratio beyond RATIO_FREE bytes. */
  readonly ratio?: number;
}

/** A small file may be mostly repetition. */
const RATIO_FREE = 4_000_000;

/** Chunk size for the unpacker, so that a bomb is noticed early. */
const CHUNK = 16_384;

export const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b && (bytes[2] === 3 || bytes[2] === 5);

/** Photos are compressed already. */
export const zipped = (files: Readonly<Record<string, Uint8Array>>): Uint8Array =>
  zipSync(
    Object.fromEntries(
      Object.entries(files).map(([name, bytes]) => [name, [bytes, { level: /\.(jpg|png)$/.test(name) ? 0 : 6, mtime: new Date(1980, 0, 1) }]]),
    ),
  );

class TooMuch extends Error {}

/** The files with the wanted names. Refused whole where damaged, too large, or unpacking to too much. */
export function unzipped(
  bytes: Uint8Array,
  wanted: (name: string) => boolean,
  { packed, unfolded, files: most, ratio = Infinity }: ZipLimits,
): Outcome<ReadonlyMap<string, Uint8Array>> {
  if (bytes.length > packed) return refuse('too-large', `the archive has ${(bytes.length / 1e6).toFixed(1)} MB`, 'file', `at most ${packed / 1e6} MB`);
  if (!isZip(bytes)) return refuse('no-zip', 'the file is no archive', 'file', 'a zip archive');
  const parts = new Map<string, Uint8Array[]>();
  const whole = new Set<string>();
  let [size, count, consumed] = [0, 0, 0];
  let fault: Error | null = null;
  let burst: TooMuch | null = null;
  const unpacker = new Unzip((file) => {
    if (++count > most) throw new TooMuch(`there are more than ${most} files in it`);
    if (!wanted(file.name)) return;
    if (parts.has(file.name)) throw new TooMuch(`'${file.name}' is in it twice`);
    const own: Uint8Array[] = [];
    parts.set(file.name, own);
    file.ondata = (error, data, final) => {
      if (error || burst) return void (fault ??= error);
      size += data.length;
      if (size > unfolded || size > RATIO_FREE + consumed * ratio) {
        // The unpacker takes a throw for a damaged file: the reason is kept here too.
        burst = new TooMuch(size > unfolded ? `it unfolds to more than ${unfolded / 1e6} MB` : `it unfolds to more than ${ratio} times its size`);
        throw burst;
      }
      own.push(data);
      if (final) whole.add(file.name);
    };
    file.start();
  });
  unpacker.register(UnzipInflate);
  try {
    for (let at = 0; at < bytes.length && !fault && !burst; at += CHUNK) {
      consumed = Math.min(bytes.length, at + CHUNK);
      unpacker.push(bytes.subarray(at, at + CHUNK), at + CHUNK >= bytes.length);
    }
  } catch (error) {
    if (error instanceof TooMuch) burst = error;
    fault ??= error instanceof Error ? error : new Error(String(error));
  }
  const over = burst as TooMuch | null;
  if (over) return refuse('unfolds', over.message, 'file', `at most ${most} files of ${unfolded / 1e6} MB together, each once`);
  const half = [...parts.keys()].find((name) => !whole.has(name));
  if (fault || half !== undefined)
    return refuse('damaged', half === undefined ? 'the archive is damaged' : `'${half}' breaks off`, 'file', 'a whole zip archive');
  return accept(new Map([...parts].map(([name, own]) => [name, joined(own)])));
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}
