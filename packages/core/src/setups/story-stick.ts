/** Story sticks: one stick with every mark of a part on it, carried over to all that are marked alike. From the operations; nothing is worked out. */
import type { Length } from '../length/length.ts';
import type { Blank, Operation } from './operations.ts';

export interface StickMark {
  /** Both walls of a slot, from the part's start end. */
  readonly near: Length;
  readonly far: Length;
  /** What goes in. */
  readonly guest: string | null;
  readonly operation: string;
}

export interface StoryStick {
  readonly id: string;
  readonly length: Length;
  /** From the start end on. */
  readonly marks: readonly StickMark[];
  /** Parts it is for: marked alike from the same end, mirrored or not. */
  readonly panels: readonly string[];
}

/** A stick for every part with more than one slot across it; a single mark is as well measured. */
export function storySticks(blanks: ReadonlyMap<string, Blank>, operations: readonly Operation[]): StoryStick[] {
  const marks = new Map<string, StickMark[]>();
  for (const { id, panel, work, guest } of operations) {
    if (work.kind !== 'slot' || !work.across) continue;
    const blank = blanks.get(panel)!;
    const mark = { near: Math.max(0, work.near) as Length, far: Math.min(blank.length, work.far) as Length, guest, operation: id };
    marks.set(panel, [...(marks.get(panel) ?? []), mark]);
  }
  const sticks = new Map<string, StoryStick>();
  for (const [panel, own] of marks) {
    // Slots on both faces at one height are one mark.
    const sorted = [...own].sort((a, b) => a.near - b.near || a.far - b.far);
    const once = sorted.filter((mark, index) => mark.near !== sorted[index - 1]?.near || mark.far !== sorted[index - 1]?.far);
    if (once.length < 2) continue;
    const { length } = blanks.get(panel)!;
    const key = `${length} ${once.map(({ near, far }) => `${near}-${far}`).join(' ')}`;
    const known = sticks.get(key);
    sticks.set(key, known ? { ...known, panels: [...known.panels, panel] } : { id: panel, length, marks: once, panels: [panel] });
  }
  return [...sticks.values()];
}
