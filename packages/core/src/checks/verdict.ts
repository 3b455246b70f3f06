/**
 * The verdict on a hanging: the worst of its links and of every finding that refuses it. Every screen, print, label and command shows this verdict. Rules:
 * docs/formulas/hanging-verdict.md.
 */
import type { HangingAnalysis } from '../hang/hang.ts';
import type { VerdictState } from '../hang/refusals.ts';
import type { CheckId, Finding } from './finding.ts';

/** Stops of other stations after which something falls: contents come down with their shelf. */
const FALLS: ReadonlySet<CheckId> = new Set(['shelf-breaks', 'fastener-pulls-out']);

/** Findings that refuse a hanging whatever the utilization of its links. */
export const rulesOut = ({ severity, station, check }: Pick<Finding, 'severity' | 'station' | 'check'>): boolean =>
  severity === 'stop' && (station === 'hang' || FALLS.has(check));

/** Findings the links already express: they set the state themselves. */
const OF_LINKS: ReadonlySet<CheckId> = new Set(['over-load', 'lifts-off']);
/** Findings that another load may resolve; every other stop holds at each mark of the load slider. */
const WITH_THE_LOAD: ReadonlySet<CheckId> = new Set([...OF_LINKS, 'shelf-breaks', 'fastener-pulls-out', 'bed', 'children']);

export interface Judged extends HangingAnalysis {
  /** What refuses it beside its links; empty for nothing. */
  readonly ruledOutBy: readonly CheckId[];
}

/** A hanging with the effect of its findings. */
export function judged(hang: HangingAnalysis, findings: readonly Finding[]): Judged {
  const ruledOutBy = [...new Set(findings.filter(rulesOut).map(({ check }) => check))];
  return { ...hang, ruledOutBy, state: stopped(hang.state, ruledOutBy, OF_LINKS) };
}

/** The state at another load, with the findings that hold at any load. */
export const stateAt = (tried: Pick<HangingAnalysis, 'state'>, { ruledOutBy }: Pick<Judged, 'ruledOutBy'>): VerdictState =>
  stopped(tried.state, ruledOutBy, WITH_THE_LOAD);

/** Refused where a stop other than `these` refuses it. */
const stopped = (state: VerdictState, ruledOutBy: readonly CheckId[], these: ReadonlySet<CheckId>): VerdictState =>
  ruledOutBy.some((check) => !these.has(check)) ? 'refused' : state;

/** The four words of a verdict. */
export const VERDICT_WORDS: Readonly<Record<VerdictState, string>> = {
  fine: 'OK',
  tight: 'Close to limit',
  over: 'Over limit',
  refused: 'Over limit',
  'not-checked': 'Not checked',
};
