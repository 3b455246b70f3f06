/**
 * Precedences between steps and their reasons: one row per reason, decided by the kinds of the two steps and what they share. None is a preference: an
 * order that breaks one spoils a part, or cannot be carried out.
 */
import type { WordKey } from '../checks/words/labels.ts';
import type { ExplainedValue } from '../explained/explained-value.ts';
import type { Label } from '../explained/explained-length.ts';
import { goesBefore } from '../setups/order.ts';
import type { Precedence, Step, StepDetail } from './step.ts';
import { waitMin } from './waiting.ts';
import type { StepKind } from '../model/record.ts';

type Of<K extends StepKind> = Step & { readonly detail: Extract<StepDetail, { kind: K }> };

/** Each has a message. */
type PrecedenceReason = WordKey extends infer K ? (K extends `reason-${infer R}` ? R : never) : never;

interface Rule<A extends StepKind = StepKind, B extends StepKind = StepKind> {
  readonly before: A;
  readonly after: B;
  readonly reason: PrecedenceReason;
  /** A shared panel; the same cabinet; any two steps. */
  readonly share: 'panel' | 'unit' | 'all';
  readonly when?: (before: Of<A>, after: Of<B>) => boolean;
  /** Lag between them, where it exceeds the wait of the first. */
  readonly waits?: (before: Of<A>) => ExplainedValue | null;
}

const rule = <A extends StepKind, B extends StepKind>(
  before: A,
  after: B,
  reason: PrecedenceReason,
  share: Rule['share'],
  when?: (a: Of<A>, b: Of<B>) => boolean,
  waits?: (a: Of<A>) => ExplainedValue | null,
): Rule => ({ before, after, reason, share, ...(when ? { when } : {}), ...(waits ? { waits } : {}) }) as unknown as Rule;

const sameSide = (a: { readonly detail: { readonly side: string } }, b: { readonly detail: { readonly side: string } }): boolean =>
  a.detail.side === b.detail.side;
const isInside = ({ detail: { side } }: Of<'sand'> | Of<'coat'>): boolean => side === 'inside';
const isOutside = ({ detail: { side } }: Of<'sand'> | Of<'coat'>): boolean => side === 'outside';
/** A glue-up out of the clamps is not yet strong: load-bearing steps wait for full strength. */
const isGlued = ({ detail: { glue } }: Of<'glue'>): boolean => glue !== null;
const cures = ({ detail: { glue } }: Of<'glue'>): ExplainedValue | null => glue?.cureMin ?? null;
/** The dry end comes off only once the first stage holds. */
const isSecondOf = ({ detail: { glueUp } }: Of<'glue'>, first: string): boolean => glueUp.go === 'second' && glueUp.after.includes(first);
/** The first glue-up of an assembly: its parts were in no other. */
const begins = ({ detail: { glueUp } }: Of<'glue'>): boolean => glueUp.after.length === 0;

const RULES: readonly Rule[] = [
  // A first round of cuts may free no part: then its sheets must be measured.
  rule('measure', 'cut', 'measured-first', 'all', (a, b) => a.detail.product === b.detail.product),
  rule('measure', 'boards', 'measured-first', 'all', (a, b) => a.detail.product === b.detail.product),
  rule('measure', 'setup', 'measured-slots', 'panel'),
  rule('cut', 'cut', 'strips-first', 'all', (a, b) => a.detail.product === b.detail.product && a.detail.round + 1 === b.detail.round),
  rule('cut', 'label', 'comes-off-first', 'panel'),
  rule('boards', 'label', 'comes-off-first', 'panel'),
  rule('cut', 'cleat-rip', 'comes-off-first', 'panel'),
  rule('boards', 'cleat-rip', 'comes-off-first', 'panel'),
  rule('cut', 'setup', 'comes-off-first', 'panel'),
  rule('boards', 'setup', 'comes-off-first', 'panel'),
  rule('label', 'setup', 'marks-first', 'panel'),
  rule('measure', 'by-hand', 'measured-slots', 'panel'),
  rule('cut', 'by-hand', 'comes-off-first', 'panel'),
  rule('boards', 'by-hand', 'comes-off-first', 'panel'),
  rule('fit', 'by-hand', 'comes-off-first', 'panel'),
  rule('label', 'by-hand', 'marks-first', 'panel'),
  rule('setup', 'setup', 'square-edges', 'panel', (a, b) => b.detail.setup.after.includes(a.detail.setup.id)),
  rule('setup', 'by-hand', 'square-edges', 'panel', (a, b) => goesBefore(a.detail.setup.stage, b.detail.stage)),
  rule('by-hand', 'setup', 'square-edges', 'panel', (a, b) => goesBefore(a.detail.stage, b.detail.setup.stage)),
  rule('by-hand', 'by-hand', 'square-edges', 'panel', (a, b) => goesBefore(a.detail.stage, b.detail.stage)),
  rule('label', 'band', 'comes-off-first', 'panel'),
  rule('setup', 'band', 'bare-edge', 'panel'),
  rule('by-hand', 'band', 'bare-edge', 'panel'),
  rule('label', 'sand', 'marks-first', 'panel', (_, b) => isInside(b)),
  rule('setup', 'sand', 'cut-before-sanding', 'panel', (_, b) => isInside(b)),
  rule('by-hand', 'sand', 'cut-before-sanding', 'panel'),
  rule('band', 'sand', 'band-trimmed', 'panel', (_, b) => isInside(b)),
  rule('sand', 'coat', 'sanded-first', 'unit', (a, b) => sameSide(a, b) && b.detail.coat === 1),
  rule('coat', 'coat', 'coat-dries', 'unit', (a, b) => sameSide(a, b) && a.detail.coat + 1 === b.detail.coat),
  rule('setup', 'dry-fit', 'jig-reaches', 'panel', (a) => a.detail.setup.stage === 'holes'),
  rule('setup', 'dry-fit', 'slot-first', 'panel', (a) => a.detail.setup.stage !== 'holes'),
  rule('by-hand', 'dry-fit', 'slot-first', 'panel'),
  rule('band', 'dry-fit', 'band-covers', 'panel'),
  rule('sand', 'glue', 'inside-reached', 'panel', isInside),
  rule('coat', 'glue', 'finish-inside', 'panel', (a) => isInside(a) && a.detail.coat === a.detail.of),
  rule('dry-fit', 'glue', 'dry-first', 'panel', (a, b) => a.detail.assembly === b.detail.assembly && begins(b)),
  rule('glue', 'glue', 'first-holds', 'unit', (a, b) => isSecondOf(b, a.id)),
  rule('glue', 'glue', 'closed-in', 'unit', (a, b) => b.detail.glueUp.after.includes(a.id)),
  rule('glue', 'square', 'while-wet', 'unit', (a, b) => b.rightAfter === a.id),
  rule('square', 'glue', 'first-holds', 'unit', (a, b) => a.rightAfter !== null && isSecondOf(b, a.rightAfter)),
  rule('square', 'glue', 'square-first', 'unit', (a, b) => a.rightAfter !== null && b.detail.glueUp.after.includes(a.rightAfter)),
  rule('glue', 'trim', 'trim-after', 'unit', (a, b) => a.detail.skin === 'back' && a.panels.some((panel) => b.panels.includes(panel))),
  rule('dry-fit', 'fit', 'opening-measured', 'unit', (a) => a.detail.what === 'carcass'),
  rule('glue', 'fit', 'opening-fixed', 'unit', (a) => a.detail.what === 'carcass'),
  rule('fit', 'setup', 'comes-off-first', 'panel'),
  rule('fit', 'band', 'comes-off-first', 'panel'),
  rule('band', 'sand', 'band-trimmed', 'panel', (_, b) => isOutside(b)),
  rule('fit', 'sand', 'comes-off-first', 'unit', (_, b) => isOutside(b)),
  rule('glue', 'sand', 'joints-flush', 'unit', (_, b) => isOutside(b)),
  rule('square', 'sand', 'clamps-off', 'unit', (_, b) => isOutside(b)),
  rule('trim', 'sand', 'joints-flush', 'unit', (_, b) => isOutside(b)),
  rule('label', 'sand', 'marks-first', 'unit', (_, b) => isOutside(b)),
  rule('setup', 'sand', 'cut-before-sanding', 'panel', (_, b) => isOutside(b)),
  rule('sand', 'doors', 'finish-bare', 'unit', isOutside),
  rule('coat', 'doors', 'finish-bare', 'unit', (a) => isOutside(a) && a.detail.coat === a.detail.of),
  rule('sand', 'drawers', 'finish-bare', 'unit', isOutside),
  rule('coat', 'drawers', 'finish-bare', 'unit', (a) => isOutside(a) && a.detail.coat === a.detail.of),
  rule('sand', 'loose', 'finish-bare', 'unit', isOutside),
  rule('coat', 'loose', 'finish-bare', 'unit', (a) => isOutside(a) && a.detail.coat === a.detail.of),
  rule('glue', 'loose', 'made-first', 'unit', (a) => a.detail.what === 'loose'),
  rule('glue', 'drawers', 'made-first', 'unit', (a) => a.detail.what === 'drawer'),
  rule('drawers', 'fronts', 'gap-set', 'unit'),
  rule('doors', 'hang', 'hinges-on-bench', 'unit'),
  rule('sand', 'cabinet-half', 'glue-under-load', 'unit', isOutside),
  rule('coat', 'cabinet-half', 'finish-off-wall', 'unit', (a) => isOutside(a) && a.detail.coat === a.detail.of),
  rule('sand', 'hang', 'finish-off-wall', 'unit', isOutside),
  rule('coat', 'hang', 'finish-off-wall', 'unit', (a) => isOutside(a) && a.detail.coat === a.detail.of),
  rule('glue', 'hang', 'glue-cured', 'unit', (a) => isGlued(a) && a.detail.what === 'carcass', cures),
  rule('glue', 'load', 'glue-cured', 'unit', isGlued, cures),
  rule('cleat-rip', 'wall-half', 'ripped-first', 'unit'),
  rule('label', 'wall-half', 'comes-off-first', 'unit'),
  rule('cleat-rip', 'cabinet-half', 'ripped-first', 'panel'),
  rule('look', 'wall-half', 'looked-first', 'unit'),
  rule('look', 'hang', 'looked-first', 'unit'),
  rule('cleat-rip', 'rail', 'ripped-first', 'panel'),
  rule('wall-half', 'hang', 'hooks-first', 'unit'),
  rule('cabinet-half', 'hang', 'hooks-first', 'unit'),
  rule('hang', 'correct', 'seen-hanging', 'unit'),
  rule('correct', 'lock', 'right-first', 'unit'),
  rule('hang', 'drawers', 'lifted-empty', 'unit'),
  rule('hang', 'loose', 'lifted-empty', 'unit'),
  rule('hang', 'load', 'right-first', 'unit'),
  rule('correct', 'drawers', 'lifted-empty', 'unit'),
  rule('correct', 'loose', 'lifted-empty', 'unit'),
  rule('correct', 'load', 'right-first', 'unit'),
  rule('lock', 'load', 'locked-first', 'unit'),
  rule('drawers', 'load', 'all-in-place', 'unit'),
  rule('fronts', 'load', 'all-in-place', 'unit'),
  rule('loose', 'load', 'all-in-place', 'unit'),
];

/** All precedences, each pair once, with its first reason. `onRail`: the rail a cabinet hangs on. */
export function precedencesOf(steps: readonly Step[], onRail: ReadonlyMap<string, string>): Precedence[] {
  const byKind = new Map<StepKind, Step[]>();
  for (const step of steps) {
    const row = byKind.get(step.detail.kind);
    if (row) row.push(step);
    else byKind.set(step.detail.kind, [step]);
  }
  const touched = new Map(steps.map(({ id, panels }) => [id, new Set(panels)]));
  const found = new Map<string, Precedence>();
  const add = (before: Step, after: Step, reason: Label, waits: ExplainedValue | null = null): void => {
    const key = `${before.id} ${after.id}`;
    if (!found.has(key)) found.set(key, { before: before.id, after: after.id, reason, waits: waitMin(waits) > waitMin(before.waits) ? waits : before.waits });
  };
  for (const { before, after, reason, share, when, waits } of RULES)
    for (const a of byKind.get(before) ?? [])
      for (const b of byKind.get(after) ?? []) {
        if (a === b || !shares(a, b, share, touched)) continue;
        if (!when || when(a as never, b as never)) add(a, b, { key: `reason-${reason}` }, waits?.(a as never));
      }
  // A wall rail serves the cabinets that hang on it.
  for (const rail of byKind.get('rail') ?? [])
    for (const hung of byKind.get('hang') ?? [])
      if (rail.detail.kind === 'rail' && onRail.get(hung.unit ?? '') === rail.detail.rail) add(rail, hung, { key: 'reason-rail-first' });
  return [...found.values()];
}

function shares(a: Step, b: Step, share: Rule['share'], touched: ReadonlyMap<string, ReadonlySet<string>>): boolean {
  if (share === 'all') return true;
  if (share === 'unit') return a.unit !== null && a.unit === b.unit;
  const [few, many] = a.panels.length < b.panels.length ? [a, b] : [b, a];
  const set = touched.get(many.id)!;
  return few.panels.some((panel) => set.has(panel));
}
