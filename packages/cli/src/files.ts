/** Reads projects and writes files, with refusals for what cannot be read or written. */
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

/** By its first bytes, so that the unpacker is loaded only for archives. */
export const isArchive = (bytes: Buffer): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** The requested cabinet, or all of them. */
export function cabinetsNamed({ cabinets }: Plan, unit: string | null): readonly CabinetPlan[] {
  const named = cabinets.filter(({ id }) => unit === null || id === unit);
  if (named.length === 0 && unit !== null)
    throw new Refusal('unit', `there is no unit '${unit}' in it`, '--unit', `one of: ${cabinets.map(({ id }) => id).join(', ')}`);
  return named;
}

/** The output itself, for the pipe; or, written to a file, a report of it. */
export function handedOver(content: string | Uint8Array, out: string | null): string | Uint8Array {
  if (out === null) return content;
  writeWhole(out, content);
  return `${JSON.stringify({ written: out, bytes: Buffer.byteLength(content) })}\n`;
}

/** Atomic: written to a temporary file and renamed. */
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
