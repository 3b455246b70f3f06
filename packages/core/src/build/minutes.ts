/**
 * Duration of a step: counts times minutes each, times the pace from this shop's log. All base figures are our own starting values. Source:
 * docs/formulas/step-minutes.md.
 */
import { evaluate, formula, termOf, total, type ExplainedValue } from '../explained/explained-value.ts';

export const MINUTES = {
  'fetch-sheet': 6,
  'set-saw': 2,
  'saw-cut': 1.5,
  'heavy-cut': 4,
  'board-cut': 2,
  reading: 0.5,
  'label-part': 0.7,
  'count-lines': 0.5,
  'set-machine': 6,
  'test-cut': 4,
  'machine-cut': 1.2,
  'bored-hole': 0.3,
  'marked-out': 2,
  'hand-cut': 12,
  'band-meter': 4,
  'sand-square-meter': 9,
  'coat-square-meter': 9,
  'mask-meter': 2,
  'clean-brush': 8,
  'set-out-parts': 5,
  'fit-joint': 1.2,
  'spread-joint': 0.7,
  'set-clamp': 0.8,
  'lay-caul': 0.3,
  'drive-fastener': 0.5,
  'wipe-squeeze-out': 5,
  'measure-diagonals': 3,
  'trim-meter': 3,
  'hang-leaf': 20,
  'fit-slide': 15,
  'set-front': 12,
  'set-shelf': 2,
  'fit-cut': 8,
  'bevel-rip': 6,
  'look-into-wall': 10,
  'mark-line': 10,
  'wall-screw': 4,
  'lift-on': 10,
  'take-down': 10,
  'load-space': 3,
} as const;

export type CountedWork = keyof typeof MINUTES;

const EACH = formula({
  label: 'work-minutes',
  unit: 'min',
  text: 'n · each',
  source: '[ASSUME] docs/formulas/step-minutes.md',
  terms: { n: 'count', each: 'min' },
  compute: ({ n, each }) => n * each,
});

const PACED = formula({
  label: 'paced-minutes',
  unit: 'min',
  text: 'minutes · pace',
  source: 'docs/formulas/step-minutes.md',
  terms: { minutes: 'min', pace: 'factor' },
  compute: ({ minutes, pace }) => minutes * pace,
});

/** Minutes of a step from its counts; zero rows are left out. `pace`: from the log; absent without one. */
export function stepMinutes(counts: Partial<Readonly<Record<CountedWork, number>>>, pace?: ExplainedValue): ExplainedValue {
  const rows = Object.entries(counts).flatMap(([work, n]) =>
    n > 0 ? [termOf(evaluate(EACH, { n, each: MINUTES[work as CountedWork] }, { key: `work-${work as CountedWork}` }))] : [],
  );
  const plain = total('step-minutes', 'min', rows, '[ASSUME] docs/formulas/step-minutes.md');
  return pace ? evaluate(PACED, { minutes: plain, pace }) : plain;
}
