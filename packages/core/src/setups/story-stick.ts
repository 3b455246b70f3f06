/** Story sticks: one stick with every mark of a part, transferred to all parts with the same marks. From cuts and butt joints; no new numbers. */
import type { Length } from '../length/length.ts';
import type { OperationBlank, Operation } from './operations.ts';
import type { Touch } from './touches.ts';

export interface StickMark {
  /** Both walls of a slot, or faces of a butted part, at the part's near edge, from its start end. */
  readonly near: Length;
  readonly far: Length;
  /** It continues at a slant from where it is marked. */
  readonly slanted: boolean;
  /** The part that goes in. */
  readonly guest: string | null;
  readonly operation: string;
}

export interface StoryStick {
  readonly id: string;
  readonly length: Length;
  /** From the start end on. */
  readonly marks: readonly StickMark[];
  /** Parts it serves: the same marks from the same end, mirrored or not. */
  readonly panels: readonly string[];
}

/** Both walls where they cross the near edge, along which the stick is laid; null for what does not cross it. */
function wallsOf(work: Operation['work'], { length }: OperationBlank): Pick<StickMark, 'near' | 'far' | 'slanted'> | null {
  if (work.kind === 'slot' && work.across) return { near: Math.max(0, work.near) as Length, far: Math.min(length, work.far) as Length, slanted: false };
  if (work.kind !== 'slanted-slot' || work.crosses !== 'near') return null;
  const over = work.width / Math.cos((work.angleDeg * Math.PI) / 180);
  return { near: work.at, far: Math.round(work.at + over) as Length, slanted: true };
}

/** One stick for every part with more than one slot or part across it; a single mark is measured. */
export function storySticks(blanks: ReadonlyMap<string, OperationBlank>, operations: readonly Operation[], touches: readonly Touch[]): StoryStick[] {
  const marks = new Map<string, StickMark[]>();
  for (const { id, panel, work, guest } of operations) {
    const walls = wallsOf(work, blanks.get(panel)!);
    if (!walls) continue;
    const mark = { ...walls, guest, operation: id };
    marks.set(panel, [...(marks.get(panel) ?? []), mark]);
  }
  for (const { id, panel, guest, near, far } of touches) marks.set(panel, [...(marks.get(panel) ?? []), { near, far, slanted: false, guest, operation: id }]);
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
