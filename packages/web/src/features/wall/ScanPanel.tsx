/** Scans a line of the wall for studs: the live signal, its peaks, and which of them to accept. What was scanned is kept even when the scanner disconnects. */
import {
  entered,
  mm,
  peaksOf,
  shopFacts,
  studsOf,
  tapeTextWithUnit,
  toMm,
  WALL_LIMITS,
  type Doubt,
  type Length,
  type Peak,
  type ScanSample,
  type StudMark,
} from '@keen/core';
import { Alert, Button } from '@mui/material';
import { useMemo, useRef, useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { LengthField } from '../../ui/LengthField.tsx';

import { selectDesign, selectOpen, useDisplayUnit } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';
import { useRecord } from '../project/useRecord.ts';
import { readScan, type Sample } from './readScan.ts';

const DOUBTS: Readonly<Record<Doubt, string>> = {
  weak: 'weak: a seam of the wallboard?',
  narrow: 'narrow: a pipe or a cable?',
  'too-near': 'too near its neighbor',
  'off-the-row': 'off the row the others stand in',
};
/** A peak this close to a regular stud is that stud. */
const SAME_STUD = 70e6;

export function ScanPanel() {
  const { wall } = useAppSelector(selectDesign);
  const { record } = useAppSelector(selectOpen);
  const unit = useDisplayUnit();
  const { add } = useRecord();
  const { apply } = useEdit();
  const [up, setUp] = useState(() => entered(unit === 'mm' ? '1500 mm' : '60 in'));
  const [live, setLive] = useState<readonly Sample[] | null>(null);
  const [said, setSaid] = useState<{ readonly text: string; readonly at: number | null } | null>(null);
  const running = useRef<AbortController | null>(null);
  // Scans of this line, oldest first: a later one replaces earlier readings of the same places.
  const kept = useMemo(
    () =>
      mergedSamples(
        shopFacts(record)
          .scans.filter(({ scan }) => scan.up.nm === up.nm)
          .flatMap(({ scan }) => scan.samples),
      ),
    [record, up.nm],
  );
  const shown = useMemo(() => (live ? mergedSamples([...kept, ...live]) : kept), [kept, live]);
  const samples: ScanSample[] = useMemo(() => shown.map(({ at, level }) => ({ along: Math.round(at * 1e6) as Length, level })), [shown]);
  const peaks = useMemo(() => (live ? [] : peaksOf(samples)), [samples, live]);
  const studs = studsOf(wall).filter(({ state }) => state !== 'assumed');
  const fresh = peaks.filter(({ along }) => !studs.some(({ at }) => Math.abs(at - along) < 20e6));

  const keep = (rows: readonly Sample[]): void => {
    if (rows.length > 0) add({ kind: 'scan', scan: { up, samples: rows } });
  };
  const scan = async (from: number): Promise<void> => {
    const got: Sample[] = [];
    const abort = new AbortController();
    running.current = abort;
    setSaid(null);
    setLive([]);
    let drawn = 0;
    const ended = await readScan({ from, to: toMm(wall.width.nm), up: toMm(up.nm) }, abort.signal, (sample) => {
      got.push(sample);
      // Drawn ten times a second, kept to the last sample.
      if (performance.now() - drawn > 100) {
        drawn = performance.now();
        setLive([...got]);
      }
    });
    running.current = null;
    keep(got);
    setLive(null);
    const last = got.at(-1)?.at ?? from;
    if (ended.kind === 'away') setSaid({ text: ended.message, at: got.length > 0 ? last : null });
    else if (ended.kind === 'lost')
      setSaid({
        text: `The scanner ${ended.why === 'silent' ? 'fell silent' : 'was lost'} at ${tapeTextWithUnit(mm(last), unit)}. What it read up to there is kept.`,
        at: last,
      });
    else if (ended.kind === 'stopped') setSaid({ text: `Stopped at ${tapeTextWithUnit(mm(last), unit)}; what was read is kept.`, at: last });
    else if (ended.batteryLow) setSaid({ text: 'The scanner’s battery is low.', at: null });
  };
  const accept = (taken: readonly Peak[]): void => {
    const regular = studsOf({ ...wall, studs: { ...wall.studs, marks: {} } });
    apply(
      taken.map((peak) => {
        const own = regular.find(({ at }) => Math.abs(at - peak.along) < SAME_STUD);
        const id = own ? `stud-${own.regular}` : `stud-x${Math.round(peak.along / 1e6)}`;
        const mark: StudMark = { id, regular: own?.regular ?? null, at: entered(`${Math.round(peak.along / 1e6)} mm`), state: 'found', gone: false };
        return { path: ['wall', 'studs', 'marks', id], value: mark };
      }),
      '',
      taken.length === 1 ? 'Taken as a stud' : `${taken.length} studs taken`,
    );
  };
  const sound = fresh.filter(({ doubt }) => doubt === null);
  return (
    <div className="fields scan">
      <LengthField label="line above the floor" name="scan.up" value={up} unit={unit} {...WALL_LIMITS.up} onChange={(value) => value && setUp(value)} />
      <div className="fixes">
        <Button variant="outlined" disabled={live !== null} onClick={() => void scan(0)}>
          Scan along it
        </Button>
        {live !== null && <Button onClick={() => running.current?.abort()}>Stop</Button>}
      </div>
      {said && (
        <Alert
          severity="warning"
          action={
            said.at !== null && said.at < toMm(wall.width.nm) ? (
              <Button color="inherit" onClick={() => void scan(said.at!)}>
                Go on from there
              </Button>
            ) : undefined
          }
        >
          {said.text}
        </Alert>
      )}
      {shown.length > 1 && <Signal samples={shown} peaks={peaks} wide={toMm(wall.width.nm)} />}
      {shown.length > 0 && live === null && (
        <p className="quiet" role="status">
          {shown.length} samples kept; {peaks.length} peaks, {peaks.length - fresh.length} of them studs you know.
        </p>
      )}
      {fresh.length > 0 && (
        <>
          {sound.length > 1 && (
            <Button variant="contained" onClick={() => accept(sound)}>
              Take the {sound.length} sound ones as studs
            </Button>
          )}
          <ul className="part-list plain">
            {fresh.map((peak) => (
              <li key={peak.along} className="peak">
                <span>
                  {tapeTextWithUnit((Math.round(peak.along / 1e6) * 1e6) as Length, unit)}
                  {peak.doubt && <span className="caution"> {DOUBTS[peak.doubt]}</span>}
                </span>
                <Button variant="outlined" size="small" onClick={() => accept([peak])}>
                  It is a stud
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

/** Latest sample of each place, left to right. */
function mergedSamples(samples: readonly Sample[]): Sample[] {
  const at = new Map(samples.map((sample) => [sample.at, sample]));
  return [...at.values()].sort((a, b) => a.at - b.at);
}

function Signal({ samples, peaks, wide }: { readonly samples: readonly Sample[]; readonly peaks: readonly Peak[]; readonly wide: number }) {
  const [w, h] = [260, 84];
  const x = (at: number): number => (at / wide) * w;
  const y = (level: number): number => h - 4 - (level / 100) * (h - 8);
  return (
    <svg className="scan-signal" viewBox={`0 0 ${w} ${h}`} role="img" aria-label={`Signal along the wall, ${peaks.length} peaks`}>
      <path className="axis" d={`M0 ${y(35)}H${w}`} />
      <polyline points={samples.map(({ at, level }) => `${x(at).toFixed(1)},${y(level).toFixed(1)}`).join(' ')} />
      {peaks.map(({ along, level, doubt }) => (
        <circle key={along} className={doubt ? 'doubtful' : ''} cx={x(toMm(along))} cy={y(level)} r="3.4" />
      ))}
    </svg>
  );
}
