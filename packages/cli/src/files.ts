/** Projects in and files out: what cannot be read or written is said in words. */
import { renameSync, rmSync, writeFileSync } from 'node:fs';
import { readProjectFile, Refusal, type Plan, type ProjectFile, type CabinetPlan } from '@keen/core';
import { codeOf, readBytes, unwrap } from './shell.ts';

/** A project's file, or the bundle it is in. */
export async function readProjectAt(file: string): Promise<ProjectFile> {
  const bytes = readBytes(file);
  if (!isArchive(bytes)) return unwrap(readProjectFile(bytes.toString('utf8')));
  const { readBundle } = await import('@keen/exchange');
  return unwrap(readBundle(bytes)).project;
}

/** As archives begin: what unpacks them is read in only then. */
export const isArchive = (bytes: Buffer): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** The cabinet that is asked for, or all of them. */
export function cabinetsNamed({ cabinets }: Plan, unit: string | null): readonly CabinetPlan[] {
  const named = cabinets.filter(({ id }) => unit === null || id === unit);
  if (named.length === 0 && unit !== null)
    throw new Refusal('unit', `there is no unit '${unit}' in it`, '--unit', `one of: ${cabinets.map(({ id }) => id).join(', ')}`);
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
