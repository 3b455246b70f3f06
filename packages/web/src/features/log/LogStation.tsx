/** Log: entries made automatically and by hand, filtered by part, step, day and words; what was learned; what changed. */
import { findInLog, labelWords, logLines, type LogLine } from '@keen/core';
import { Button, TextField } from '@mui/material';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { selectAvailable, selectOpen, selectPlan, useDisplayUnit, type ShownCabinet } from '../project/selectors.ts';
import { useRecord } from '../project/useRecord.ts';
import { panelHovered, panelSelected } from '../project/view.slice.ts';
import { Learned } from './Learned.tsx';
import { NoteForm } from './NoteForm.tsx';
import { photoAddress } from './usePhotos.ts';
import { Revisions } from './Revisions.tsx';

const VIEWS = { entries: 'Entries', learned: 'What was learned', changes: 'What changed' } as const;
type View = keyof typeof VIEWS;

export function LogStation({ shown }: { readonly shown: ShownCabinet }) {
  const { record, design } = useAppSelector(selectOpen);
  const [search, setSearch] = useSearchParams();
  const asked = search.get('view');
  const view: View = asked !== null && Object.hasOwn(VIEWS, asked) ? (asked as View) : 'entries';
  return (
    <div className="station-body scroll log-station">
      <h1>
        {record.length === 0 ? 'Nothing has happened yet.' : `${record.length} ${record.length === 1 ? 'entry' : 'entries'} in the log of ${design.name}.`}
      </h1>
      <div className="sheet-tabs">
        <div role="tablist" aria-label="What is shown">
          {(Object.keys(VIEWS) as View[]).map((each) => (
            <button
              key={each}
              type="button"
              role="tab"
              aria-selected={view === each}
              onClick={() => setSearch(each === 'entries' ? {} : { view: each }, { replace: true })}
            >
              {VIEWS[each]}
            </button>
          ))}
        </div>
      </div>
      {view === 'entries' && <Entries shown={shown} />}
      {view === 'learned' && <Learned shown={shown} />}
      {view === 'changes' && <Revisions unit={shown.unit} />}
    </div>
  );
}

/** Entries rendered at once; older ones on demand. */
const PAGE = 60;

function Entries({ shown }: { readonly shown: ShownCabinet }) {
  const { id: project, record, design } = useAppSelector(selectOpen);
  const plan = useAppSelector(selectPlan);
  const { products } = useAppSelector(selectAvailable);
  const unit = useDisplayUnit();
  const selected = useAppSelector(({ view }) => view.selected);
  const [words, setWords] = useState('');
  const [own, setOwn] = useState(false);
  const [count, setCount] = useState(PAGE);
  const { withdraw } = useRecord();
  const dispatch = useAppDispatch();
  const context = useMemo(() => ({ plan, products, cabinetNames: design.units, unit }), [plan, products, design.units, unit]);
  const lines = useMemo(() => logLines(record, context), [record, context]);
  const part = selected ? shown.plan.cabinet.byId.get(selected) : undefined;
  const [search, setSearch] = useSearchParams();
  const step = search.get('step');
  const found = findInLog(lines, words, context, (at) => `${at.slice(0, 10)} ${dayOfEntry(at)}`)
    .filter((line) => step === null || line.step === step)
    .filter(({ panels }) => !part || panels.includes(part.id))
    .filter(({ units }) => !own || units.length === 0 || units.includes(shown.spec.id))
    .reverse();
  const days = byDay(found.slice(0, count));
  return (
    <>
      <NoteForm about={{ unit: shown.spec.id, ...(part ? { part: part.id } : {}), ...(step === null ? {} : { step }) }} />
      <div className="log-find">
        <TextField
          label="find"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          placeholder="a mark, a part, a day, words"
          slotProps={{ htmlInput: { 'data-field': 'log.find' }, inputLabel: { shrink: true } }}
        />
        <label className="whole-switch">
          <input type="checkbox" checked={own} onChange={(event) => setOwn(event.target.checked)} /> {shown.spec.name} only
        </label>
        {step !== null && (
          <Button size="small" onClick={() => setSearch({}, { replace: true })}>
            of one step only ×
          </Button>
        )}
        {part && (
          <Button size="small" onClick={() => dispatch(panelSelected(null))}>
            of the {labelWords(part.name)} only ×
          </Button>
        )}
      </div>
      {found.length === 0 && (
        <p className="quiet">
          {record.length === 0 ? 'Readings, ticks and as-built sizes come here by themselves; notes and pictures by hand.' : 'Nothing of that is in the log.'}
        </p>
      )}
      {days.map(({ day, rows }) => (
        <section key={day} aria-label={day}>
          <h2>{day}</h2>
          <ol className="log-lines">
            {rows.map((line) => (
              <li key={line.id} className={`${line.kind}${line.withdrawn ? ' withdrawn' : ''}`}>
                <time dateTime={line.at}>{new Date(line.at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}</time>
                <div>
                  <p>
                    {line.nextTime && <span className="next-time">next time </span>}
                    {line.says}
                    {line.withdrawn && <span className="quiet"> (taken back)</span>}
                  </p>
                  {line.photos.length > 0 && (
                    <p className="log-photos">
                      {line.photos.map((photo) => (
                        <a key={photo} href={photoAddress(project, photo, 'full')} target="_blank" rel="noreferrer">
                          <img src={photoAddress(project, photo, 'small')} alt={line.says} loading="lazy" />
                        </a>
                      ))}
                    </p>
                  )}
                  {line.panels.length > 0 && (
                    <p className="log-parts">
                      {line.panels.slice(0, 6).map((panel) => (
                        <button
                          key={panel}
                          type="button"
                          className="step-link"
                          onPointerEnter={() => dispatch(panelHovered(panel))}
                          onPointerLeave={() => dispatch(panelHovered(null))}
                          onClick={() => dispatch(panelSelected(panel))}
                        >
                          {plan.parts.find(({ panels }) => panels.includes(panel))?.mark ?? panel}
                        </button>
                      ))}
                    </p>
                  )}
                </div>
                {!line.withdrawn && line.kind !== 'withdrawn' && (
                  <Button size="small" aria-label={`Take back: ${line.says}`} onClick={() => withdraw(line.id)}>
                    Take back
                  </Button>
                )}
              </li>
            ))}
          </ol>
        </section>
      ))}
      {found.length > count && <Button onClick={() => setCount(count + PAGE)}>{found.length - count} older</Button>}
    </>
  );
}

const dayOfEntry = (at: string): string => new Date(at).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' });

function byDay(lines: readonly LogLine[]): { day: string; rows: LogLine[] }[] {
  const days: { day: string; rows: LogLine[] }[] = [];
  for (const line of lines) {
    const day = dayOfEntry(line.at);
    const last = days.at(-1);
    if (last?.day === day) last.rows.push(line);
    else days.push({ day, rows: [line] });
  }
  return days;
}
