/** Files in and out of the shell: what cannot be read or written is said in words. */
import { readFileSync, renameSync, rmSync, writeFileSync, writeSync } from 'node:fs';
import { readProjectFile, Refusal, type Outcome, type Plan, type ProjectFile, type UnitPlan } from '@keen/core';

export function readBytes(file: string): Buffer {
  try {
    return readFileSync(file);
  } catch (error) {
    throw new Refusal('file', `'${file}' cannot be read: ${codeOf(error)}`, file, 'a file that exists and may be read');
  }
}

export const readText = (file: string): string => readBytes(file).toString('utf8');

/** A project's file, or the bundle it is in. */
export async function readProjectAt(file: string): Promise<ProjectFile> {
  const bytes = readBytes(file);
  if (!isArchive(bytes)) return unwrap(readProjectFile(bytes.toString('utf8')));
  const { readBundle } = await import('@keen/exchange');
  return unwrap(readBundle(bytes)).project;
}

/** As archives begin: what unpacks them is read in only then. */
export const isArchive = (bytes: Buffer): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** The unit that is asked for, or all of them. */
export function unitsNamed({ units }: Plan, unit: string | null): readonly UnitPlan[] {
  const named = units.filter(({ id }) => unit === null || id === unit);
  if (named.length === 0 && unit !== null)
    throw new Refusal('unit', `there is no unit '${unit}' in it`, '--unit', `one of: ${units.map(({ id }) => id).join(', ')}`);
  return named;
}

/** What was made, for the pipe; or, written to its place, what was written where. */
export function handedOver(content: string | Uint8Array, out: string | null): string | Uint8Array {
  if (out === null) return content;
  writeWhole(out, content);
  return `${JSON.stringify({ written: out, bytes: Buffer.byteLength(content) })}\n`;
}

/** Whole or not at all: it is written beside the place and moved there. */
function writeWhole(file: string, content: string | Uint8Array): void {
  const beside = `${file}.${process.pid}.part`;
  try {
    writeFileSync(beside, content);
    renameSync(beside, file);
  } catch (error) {
    rmSync(beside, { force: true });
    throw new Refusal('file', `'${file}' cannot be written: ${codeOf(error)}`, '--out', 'a place in a folder that exists and may be written to');
  }
}

const codeOf = (error: unknown): string => (error as NodeJS.ErrnoException).code ?? 'unknown';

export function unwrap<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  const { code, message, where, accepted } = outcome.problem;
  throw new Refusal(code, message, where, accepted);
}

/** Writes all of it before the process ends, also into a pipe that is read slowly. */
export function print(to: 1 | 2, content: string | Uint8Array): void {
  const bytes = typeof content === 'string' ? Buffer.from(content) : content;
  for (let at = 0; at < bytes.length;) {
    try {
      at += writeSync(to, bytes, at);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'EPIPE') return;
      if ((error as NodeJS.ErrnoException).code !== 'EAGAIN') throw error;
    }
  }
}
