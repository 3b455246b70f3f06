/** One sum: inputs as typed, results, picture and working. An unreadable input is reported at its field. */
import { answerSum, exampleOf, outcomeOf, SUM_TITLES, sumKeyWords, type DisplayUnit, type Sum, type SumAnswer, type CabinetSpec } from '@keen/core';
import { TextField } from '@mui/material';
import { useDeferredValue, useMemo, useState } from 'react';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { PutInto } from './PutInto.tsx';
import { SumPicture } from './SumPicture.tsx';
import { SumResults } from './SumResults.tsx';

export interface SumCardProps {
  readonly sum: Sum;
  readonly unit: DisplayUnit;
  readonly put: CabinetSpec | null;
}

export function SumCard({ sum, unit, put }: SumCardProps) {
  const { title, asks } = SUM_TITLES[sum.name]!;
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>(() => exampleOf(sum.name) ?? {});
  const asked = useDeferredValue(typed);
  const outcome = useMemo(() => answered(sum, asked), [sum, asked]);
  const problem = outcome.ok ? null : outcome.problem;
  /** The last valid result stays visible while something is typed. */
  const [last, setLast] = useState<SumAnswer | null>(null);
  if (outcome.ok && outcome.value !== last) setLast(outcome.value);
  const shown = outcome.ok ? outcome.value : last;
  const set = (key: string, value: string): void => setTyped((old) => ({ ...old, [key]: value }));
  const known = sum.keys.map(({ key }) => key);
  return (
    <article className="sum-question" aria-labelledby="sum-title">
      <h1 id="sum-title">{asks}</h1>
      <p className="lead">
        {title} · <code>bin/keen sum {sum.name}</code>
      </p>
      <div className="sum-body">
        <form className="fields" onSubmit={(event) => event.preventDefault()} aria-label={title}>
          {sum.keys.map((row) => {
            const wrong = problem?.where === row.key ? `${problem.message}. Accepted: ${problem.accepted}` : undefined;
            const label = sumKeyWords(sum.name, row.key);
            if (row.kind === 'choice')
              return (
                <ChoiceField
                  key={row.key}
                  label={label}
                  name={`sum.${row.key}`}
                  value={typed[row.key] ?? row.default ?? row.options[0]!}
                  options={row.options.map((value) => ({ value, label: value }))}
                  onChange={(value) => set(row.key, value)}
                />
              );
            return (
              <TextField
                key={row.key}
                label={label}
                value={typed[row.key] ?? ''}
                error={wrong !== undefined}
                helperText={wrong}
                onChange={(event) => set(row.key, event.target.value)}
                slotProps={{
                  htmlInput: {
                    'data-field': `sum.${row.key}`,
                    autoComplete: 'off',
                    spellCheck: false,
                    placeholder: row.default ?? (row.optional ? 'none' : ''),
                  },
                  inputLabel: { shrink: true },
                }}
              />
            );
          })}
          {problem && !known.includes(problem.where) && (
            <p className="danger" role="alert">
              {problem.message}. Accepted: {problem.accepted}
            </p>
          )}
        </form>
        {shown && (
          <div className={`sum-answer${problem ? ' stale' : ''}`}>
            <SumPicture answer={shown} unit={unit} />
            <SumResults answer={shown} unit={unit} />
            {shown.cautions.map((line) => (
              <p key={line} className="caution">
                {line}
              </p>
            ))}
            {put && !problem && <PutInto answer={shown} spec={put} />}
            <details open>
              <summary>Working</summary>
              <ol className="working">
                {shown.working.map((line, index) => (
                  <li key={index}>{line}</li>
                ))}
              </ol>
            </details>
          </div>
        )}
      </div>
    </article>
  );
}

const answered = (sum: Sum, typed: Readonly<Record<string, string>>) =>
  outcomeOf(() =>
    answerSum(
      sum.name,
      Object.entries(typed)
        .filter(([, value]) => value.trim() !== '')
        .map(([key, value]) => `${key}=${value.trim()}`),
    ),
  );
