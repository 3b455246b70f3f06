/** The stations in the order of the work, along a folding rule. State by shape before color, with a short result. */
import {
  jointGroups,
  percentText,
  shopFacts,
  studsKnown,
  thingsInOrder,
  unplacedItems,
  VERDICT_WORDS,
  type Design,
  type Finding,
  type RecordEntry,
  type Station,
  type VerdictState,
} from '@keen/core';
import { useMemo } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { nestTotals, useNests } from '../sheets/useNests.tsx';
import { selectDesign, selectOpen, selectPlan, useCabinet, useUnplanned } from './selectors.ts';

export type StationId = Station;

export const STATIONS: readonly { readonly id: StationId; readonly name: string }[] = [
  { id: 'contents', name: 'Contents' },
  { id: 'wall', name: 'Wall' },
  { id: 'box', name: 'Box' },
  { id: 'stock', name: 'Stock' },
  { id: 'joints', name: 'Joints' },
  { id: 'sheets', name: 'Sheets' },
  { id: 'hang', name: 'Hang' },
  { id: 'build', name: 'Build' },
  { id: 'log', name: 'Log' },
];

type Mark = 'fine' | 'look' | 'stop' | 'none';

export interface StationsProps {
  /** Null beside the stations: quick sums. */
  readonly current: StationId | null;
  readonly onStation: (station: StationId) => void;
  readonly onSums: () => void;
}

export function Stations({ current, onStation, onSums }: StationsProps) {
  const results = useResults();
  return (
    <nav className="stations" aria-label="Stations">
      <ol>
        {STATIONS.map(({ id, name }) => {
          const { mark, words } = results[id];
          return (
            <li key={id}>
              <button
                type="button"
                className={`station-link${id === current ? ' current' : ''}`}
                aria-current={id === current ? 'page' : undefined}
                onClick={() => onStation(id)}
              >
                <StateMark mark={mark} />
                <span className="station-name">{name}</span>
                <span className={`station-words ${id}`}>{words}</span>
              </button>
            </li>
          );
        })}
      </ol>
      <button
        type="button"
        className={`station-link sums-link${current === null ? ' current' : ''}`}
        aria-current={current === null ? 'page' : undefined}
        onClick={onSums}
      >
        <svg className="state-mark none" viewBox="0 0 14 14" width="14" height="14" aria-hidden="true">
          <path className="ring" d="M2 4H12M2 7H12M2 10H8" />
        </svg>
        <span className="station-name">Quick sums</span>
      </button>
    </nav>
  );
}

const MARK_WORDS: Readonly<Record<Mark, string>> = { fine: 'fine', look: 'something to look at', stop: 'something is wrong', none: 'nothing yet' };

/** Disc, triangle, square with a bar, ring. */
export function StateMark({ mark }: { readonly mark: Mark }) {
  return (
    <svg className={`state-mark ${mark}`} viewBox="0 0 14 14" width="14" height="14" role="img" aria-label={MARK_WORDS[mark]}>
      {mark === 'fine' && <circle cx="7" cy="7" r="5.5" />}
      {mark === 'look' && <path d="M7 1 L13.5 12.5 L0.5 12.5 Z" />}
      {mark === 'stop' && <path d="M1 1 H13 V13 H1 Z M3.5 5.5 V8.5 H10.5 V5.5 Z" fillRule="evenodd" />}
      {mark === 'none' && <circle cx="7" cy="7" r="5" className="ring" />}
    </svg>
  );
}

/** With an OK verdict the findings decide the mark. */
const HANG_MARKS: Readonly<Partial<Record<VerdictState, Mark>>> = { tight: 'look', over: 'stop', refused: 'stop', 'not-checked': 'none' };

const markFor = (findings: readonly Finding[]): Mark =>
  findings.some(({ severity }) => severity === 'stop') ? 'stop' : findings.some(({ severity }) => severity === 'change') ? 'look' : 'fine';

type Result = { readonly mark: Mark; readonly words: string };

/** Contents and wall concern the whole project, not one cabinet. */
function contentsResult(design: Design, findings: readonly Finding[]): Result {
  const kinds = Object.keys(design.items).length;
  if (kinds === 0) return { mark: 'none', words: 'nothing yet' };
  const here = findings.filter(({ station }) => station === 'contents');
  const loose = unplacedItems(design).length;
  if (here.length > 0) return { mark: markFor(here), words: `${here.length} to look at` };
  return { mark: loose > 0 ? 'look' : 'fine', words: loose > 0 ? `${loose} without a place` : `${kinds} kinds of thing` };
}

function wallResult(design: Design, findings: readonly Finding[]): Result {
  const here = findings.filter(({ station }) => station === 'wall');
  if (here.length > 0) return { mark: markFor(here), words: `${here.length} to look at` };
  const things = thingsInOrder(design.wall).length;
  if (!studsKnown(design.wall)) return { mark: 'none', words: 'studs not known' };
  return { mark: 'fine', words: things === 0 ? 'studs known' : `${things} things on it` };
}

/** Steps are computed at Build alone: here no drag may wait for them. */
function buildResult(record: readonly RecordEntry[]): Result {
  const done = shopFacts(record).steps.length + shopFacts(record).operations.length + shopFacts(record).sawn.length;
  return done === 0 ? { mark: 'none', words: 'not begun' } : { mark: 'fine', words: `${done} ${done === 1 ? 'tick' : 'ticks'}` };
}

function logResult(record: readonly RecordEntry[]): Result {
  if (record.length === 0) return { mark: 'none', words: 'nothing yet' };
  return { mark: 'fine', words: `${record.length} ${record.length === 1 ? 'entry' : 'entries'}` };
}

function useResults(): Readonly<Record<StationId, Result>> {
  const shown = useCabinet();
  const unplanned = useUnplanned();
  const plan = useAppSelector(selectPlan);
  const { nests, searching } = useNests();
  const design = useAppSelector(selectDesign);
  const { record } = useAppSelector(selectOpen);
  const contents = contentsResult(design, plan.findings);
  const wall = wallResult(design, plan.findings);
  const kinds = useMemo(() => (shown ? jointGroups(shown.plan.cabinet).length : 0), [shown]);
  if (unplanned) {
    const none = { mark: 'none' as const, words: 'not planned' };
    const stopped = { mark: 'stop' as const, words: 'cannot be built' };
    return { contents, wall, box: stopped, stock: none, joints: none, sheets: none, hang: none, build: none, log: logResult(record) };
  }
  if (!shown) {
    const none = { mark: 'none' as const, words: 'nothing yet' };
    return { contents, wall, box: none, stock: none, joints: none, sheets: none, hang: none, build: none, log: logResult(record) };
  }
  const { findings, hang } = shown.plan;
  const of = (station: StationId) => findings.filter((finding) => finding.station === station);
  const markOf = (station: StationId): Mark => markFor(of(station));
  const toLookAt = (station: StationId, fine: string): string => (of(station).length > 0 ? `${of(station).length} to look at` : fine);
  const totals = nestTotals(nests);
  const unplaced = nests.some(({ plan: nest }) => (nest?.unplaced.length ?? 0) > 0);
  const proved = nests.every(({ plan: nest }) => nest?.proved);
  const sheetWords = !totals
    ? 'working it out'
    : unplaced
      ? 'parts left over'
      : `${totals.sheets} ${totals.sheets === 1 ? 'sheet' : 'sheets'}${proved ? ', the fewest' : searching ? ' so far' : ''}`;
  const weakest = hang.links[0];
  const isJudged = hang.state !== 'refused' && hang.state !== 'not-checked';
  const hangWords = weakest && isJudged ? `${VERDICT_WORDS[hang.state]}, ${percentText(weakest.use.value)}` : VERDICT_WORDS[hang.state];
  const jointsResult = {
    mark: of('joints').length > 0 ? markOf('joints') : ('fine' as const),
    words: toLookAt('joints', `${kinds} ${kinds === 1 ? 'kind' : 'kinds'}`),
  };
  const measured = plan.stockOf(shown.spec.stock).used.readings;
  return {
    contents,
    wall,
    box: { mark: markOf('box'), words: toLookAt('box', `${shown.plan.cabinet.panels.length} parts`) },
    stock: { mark: markOf('stock'), words: toLookAt('stock', `${measured} ${measured === 1 ? 'reading' : 'readings'}`) },
    joints: jointsResult,
    sheets: { mark: unplaced ? 'stop' : totals ? markOf('sheets') : 'none', words: sheetWords },
    build: buildResult(record),
    log: logResult(record),
    hang: { mark: HANG_MARKS[hang.state] ?? markOf('hang'), words: hangWords },
  };
}
