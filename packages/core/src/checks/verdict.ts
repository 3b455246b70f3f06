/**
 * The verdict on a hanging: the worst of its links and of every finding that rules it out. It is what every screen, print, label and command
 * shows. Rules: docs/formulas/hanging-verdict.md.
 */
import type { Hang } from '../hang/hang.ts';
import type { VerdictState } from '../hang/refusals.ts';
import type { CheckId, Finding } from './finding.ts';

/** Stops of other stations after which something falls: what a cabinet holds comes down with its shelf. */
const FALLS: ReadonlySet<CheckId> = new Set(['shelf-breaks', 'fastener-pulls-out', 'not-planned']);

/** Findings that rule a hanging out by themselves, whatever share of its links is used. */
export const rulesOut = ({ severity, station, check }: Pick<Finding, 'severity' | 'station' | 'check'>): boolean =>
  severity === 'stop' && (station === 'hang' || FALLS.has(check));

/** Those a lighter load would not settle: they hold at every mark of the load slider. */
const WITH_THE_LOAD: ReadonlySet<CheckId> = new Set(['over-load', 'lifts-off', 'shelf-breaks', 'fastener-pulls-out', 'bed', 'children']);

export interface Judged extends Hang {
  /** What rules it out beside its links; empty for nothing. */
  readonly ruledOutBy: readonly CheckId[];
}

/** A hanging with what its findings say of it. */
export function judged(hang: Hang, findings: readonly Finding[]): Judged {
  const ruledOutBy = [...new Set(findings.filter(rulesOut).map(({ check }) => check))];
  return { ...hang, ruledOutBy, state: worse(hang.state, ruledOutBy.length > 0) };
}

/** The state at another load, with what of the planned one holds at any load. */
export const stateAt = (tried: Pick<Hang, 'state'>, { ruledOutBy }: Pick<Judged, 'ruledOutBy'>): VerdictState =>
  worse(
    tried.state,
    ruledOutBy.some((check) => !WITH_THE_LOAD.has(check)),
  );

const worse = (state: VerdictState, isRuledOut: boolean): VerdictState => (isRuledOut && state !== 'over' ? 'refused' : state);

/** The four words a verdict is shown by. */
export const VERDICT_WORDS: Readonly<Record<VerdictState, string>> = {
  fine: 'OK',
  tight: 'Close to limit',
  over: 'Over limit',
  refused: 'Over limit',
  'not-checked': 'Not checked',
};
