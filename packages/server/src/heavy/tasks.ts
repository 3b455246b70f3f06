/** The tasks a thread can be given: what goes in and what comes out, as plain data. */
import type { Json, Outcome, ProjectFile } from '@keen/core';
import type { PaperId } from '@keen/exchange';
import type { LabelDto } from '../features/labels/labels.dto.ts';

export interface PrintOrder {
  readonly kind: string;
  /** Read in the thread: reading a large design takes as long as a small request may wait. */
  readonly project: RawProject;
  readonly unit: string | null;
  readonly marks: readonly string[] | null;
  readonly display: 'in' | 'mm';
  readonly paper: PaperId;
  readonly correction: { readonly along: number; readonly up: number };
  readonly revision: string;
}

export interface BundleOrder {
  readonly project: ProjectFile;
  /** Pictures by id, and the path of each. */
  readonly photos: readonly (readonly [string, string])[];
}

/** A project file or bundle that was read; its pictures are files in a folder now. */
export interface OpenedFile {
  readonly project: ProjectFile;
  readonly photos: readonly (readonly [string, string])[];
}

/** A project as it is stored: nothing of it need be readable. */
export interface RawProject {
  readonly name: string;
  readonly document: Json;
  readonly entries: readonly Json[];
  readonly workshop: Json;
  readonly projectId: string;
}

export interface Tasks {
  labelSheet(labels: readonly LabelDto[]): Outcome<Uint8Array>;
  labelRoll(labels: readonly LabelDto[]): Outcome<Uint8Array>;
  truePrint(order: PrintOrder): Outcome<Uint8Array>;
  packBundle(order: BundleOrder): Outcome<Uint8Array>;
  /** Reads a project file or bundle at a path; unpacks its pictures into a folder. */
  openFile(order: { readonly path: string; readonly folder: string }): Outcome<OpenedFile>;
  writeFile(raw: RawProject): Outcome<string>;
}
export type TaskName = keyof Tasks;
export type OrderOf<N extends TaskName> = Parameters<Tasks[N]>[0];
export type ResultOf<N extends TaskName> = ReturnType<Tasks[N]> extends Outcome<infer T> ? T : never;
