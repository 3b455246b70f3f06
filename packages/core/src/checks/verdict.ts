/**
 * The verdict on a hanging: the worst of its links and of every finding that rules it out. It is what every screen, print, label and command
 * shows. Rules: docs/formulas/hanging-verdict.md.
 */
import type { HangingAnalysis } from '../hang/hang.ts';
import type { VerdictState } from '../hang/refusals.ts';
import type { CheckId, Finding } from './finding.ts';

/** Stops of other stations after which something falls: what a cabinet holds comes down with its shelf. */
const FALLS: ReadonlySet<CheckId> = new Set(['shelf-breaks', 'fastener-pulls-out']);

/** Findings that rule a hanging out by themselves, whatever share of its links is used. */
export const rulesOut = ({ severity, station, check }: Pick<Finding, 'severity' | 'station' | 'check'>): boolean =>
  severity === 'stop' && (station === 'hang' || FALLS.has(check));

/** What the links say already: they make the state themselves. */
const OF_LINKS: ReadonlySet<CheckId> = new Set(['over-load', 'lifts-off']);
/** What another load may settle; every other stop holds at each mark of the load slider. */
const WITH_THE_LOAD: ReadonlySet<CheckId> = new Set([...OF_LINKS, 'shelf-breaks', 'fastener-pulls-out', 'bed', 'children']);

export interface Judged extends HangingAnalysis {
  /** What rules it out beside its links; empty for nothing. */
  readonly ruledOutBy: readonly CheckId[];
}

/** A hanging with what its findings say of it. */
export function judged(hang: HangingAnalysis, findings: readonly Finding[]): Judged {
  const ruledOutBy = [...new Set(findings.filter(rulesOut).map(({ check }) => check))];
  return { ...hang, ruledOutBy, state: stopped(hang.state, ruledOutBy, OF_LINKS) };
}

/** The state at another load, with what of the planned one holds at any load. */
export const stateAt = (tried: Pick<HangingAnalysis, 'state'>, { ruledOutBy }: Pick<Judged, 'ruledOutBy'>): VerdictState =>
  stopped(tried.state, ruledOutBy, WITH_THE_LOAD);

/** Refused where a stop other than `these` rules it out. */
const stopped = (state: VerdictState, ruledOutBy: readonly CheckId[], these: ReadonlySet<CheckId>): VerdictState =>
  ruledOutBy.some((check) => !these.has(check)) ? 'refused' : state;

/** The four words a verdict is shown by. */
export const VERDICT_WORDS: Readonly<Record<VerdictState, string>> = {
  fine: 'OK',
  tight: 'Close to limit',
  over: 'Over limit',
  refused: 'Over limit',
  'not-checked': 'Not checked',
};
