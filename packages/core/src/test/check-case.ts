/** A check's case: what sets it off, what it says, and whether one of its fixes settles it by itself. */
import type { CheckId, Finding } from '../checks/finding.ts';
import type { EditStep } from '../model/edit.ts';
import type { RecordEntry } from '../model/record.ts';
import type { Workshop } from '../model/workshop.ts';

export interface Case {
  readonly check: CheckId;
  readonly edits: readonly EditStep[];
  readonly severity: Finding['severity'];
  /** Part of the sentence, with its numbers. */
  readonly says: RegExp;
  /** False where only a person can supply what is missing. */
  readonly cures?: boolean;
  /** Facts that came after those of the print room. */
  readonly record?: readonly RecordEntry[];
  readonly workshop?: (workshop: Workshop) => Workshop;
}

export const onWall = (path: string, value: unknown): EditStep => ({ path: ['wall', ...path.split('.')], value });
