/** Two versions side by side: changes in words and, where a cabinet changed, in drawings. */
import { changeWords, createPlanner, designCodec, outcomeOf, type Design, type DisplayUnit } from '@keen/core';
import { Button } from '@mui/material';
import { useEffect, useMemo, useState } from 'react';
import { request, type RevisionRow, type StoredProject } from '../../app/api.ts';
import { useAppSelector } from '../../app/store.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { Elevation } from '../../ui/Elevation.tsx';
import { selectAvailable, selectOpen, selectPlan } from '../project/selectors.ts';
import { useEdit } from '../project/useEdit.ts';

const planner = createPlanner();

export function Revisions({ unit: display }: { readonly unit: DisplayUnit }) {
  const { id, design, record } = useAppSelector(selectOpen);
  const workshop = useAppSelector(selectAvailable);
  const plan = useAppSelector(selectPlan);
  const [history, setHistory] = useState<readonly RevisionRow[] | null>(null);
  const [asked, setAsked] = useState<number | null>(null);
  const [old, setOld] = useState<{ readonly number: number; readonly design: Design } | null>(null);
  const [failed, setFailed] = useState(false);
  const { apply } = useEdit();
  useEffect(() => {
    let gone = false;
    request<RevisionRow[]>(`projects/${id}/revisions`)
      .then(({ status, body }) => {
        if (gone) return;
        if (status !== 200) return setFailed(true);
        setHistory(body);
        setAsked(body[1]?.number ?? body[0]?.number ?? null);
      })
      .catch(() => !gone && setFailed(true));
    return () => {
      gone = true;
    };
  }, [id]);
  useEffect(() => {
    if (asked === null) return;
    let gone = false;
    request<StoredProject>(`projects/${id}/revisions/${asked}`)
      .then(({ status, body }) => {
        if (gone) return;
        const read = status === 200 ? outcomeOf(() => designCodec.read(body.document, 'revision')) : undefined;
        if (read?.ok) setOld({ number: asked, design: read.value });
        else setFailed(true);
      })
      .catch(() => !gone && setFailed(true));
    return () => {
      gone = true;
    };
  }, [id, asked]);
  const before = old && old.number === asked ? old.design : null;
  const words = useMemo(() => (before ? changeWords(before, design, display) : null), [before, design, display]);
  const planBefore = useMemo(() => {
    const read = before && outcomeOf(() => planner.plan(before, record, workshop));
    return read?.ok ? read.value : null;
  }, [before, record, workshop]);
  if (failed) return <p className="caution">The history cannot be read now: the server does not answer as it should.</p>;
  if (!history) return <p className="quiet">Fetching the history …</p>;
  const changed = [...new Set(words?.changes.flatMap(({ unit }) => unit ?? []) ?? [])];
  return (
    <div className="revisions">
      <ChoiceField
        label="since"
        name="log.since"
        value={String(asked ?? '')}
        options={history.map(({ number, savedAt }) => ({
          value: String(number),
          label: `version ${number}, ${new Date(savedAt).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })}`,
        }))}
        onChange={(number) => setAsked(Number(number))}
      />
      {words?.changes.length === 0 && <p>Nothing has changed since.</p>}
      {before && words && words.changes.length > 0 && (
        <Button variant="outlined" onClick={() => apply([{ path: [], value: before }], '', `Version ${asked} restored`)}>
          Restore this version
        </Button>
      )}
      {words && words.changes.length > 0 && (
        <ul>
          {words.changes.map(({ says }, index) => (
            <li key={index}>{says}</li>
          ))}
          {words.more > 0 && <li className="quiet">and {words.more} more</li>}
        </ul>
      )}
      {changed.map((unit) => {
        const [was, is] = [planBefore?.byId.get(unit), plan.byId.get(unit)];
        return (
          <figure key={unit} className="revision-pair">
            {was && (
              <div>
                <Elevation cabinet={was.cabinet} />
                <figcaption>{was.name} then</figcaption>
              </div>
            )}
            {is && (
              <div>
                <Elevation cabinet={is.cabinet} />
                <figcaption>{is.name} now</figcaption>
              </div>
            )}
          </figure>
        );
      })}
    </div>
  );
}
