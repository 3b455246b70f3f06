/** The cuts of one sheet product in order: the sheet with the current cut, the setting, what stays and what falls off; ticked as they are made. */
import { cutWords, keepsOffcut, lineOfPiece, settingKey, type CutStep, type DisplayUnit, type PartLine } from '@keen/core';
import ArrowBack from '@mui/icons-material/ArrowBack';
import ArrowForward from '@mui/icons-material/ArrowForward';
import { Button, Checkbox, IconButton } from '@mui/material';
import { useMemo, useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { useHotkeys } from '../../ui/useHotkeys.ts';
import { selectLearned } from '../project/selectors.ts';
import { SheetDrawing } from './SheetDrawing.tsx';
import type { SheetCutting } from './useCutting.ts';
import type { Nest } from './useNests.tsx';

export interface CutsViewProps {
  readonly nest: Nest;
  readonly cutting: SheetCutting;
  readonly parts: readonly PartLine[];
  readonly unit: DisplayUnit;
}

export function CutsView({ nest, cutting, parts, unit }: CutsViewProps) {
  const { workshop } = useAppSelector(selectLearned);
  const { steps, left } = cutting.sequence;
  const first = Math.max(
    0,
    steps.findIndex(({ id }) => !cutting.done.has(id)),
  );
  const [picked, setPicked] = useState<string | null>(null);
  const found = steps.findIndex(({ id }) => id === picked);
  const at = found >= 0 ? found : first;
  const go = (to: number): void => setPicked(steps[Math.min(steps.length - 1, Math.max(0, to))]?.id ?? null);
  const hotkeys = useMemo(
    () => [
      { keys: 'ArrowRight', does: 'the next cut', run: () => setPicked(steps[Math.min(steps.length - 1, at + 1)]?.id ?? null) },
      { keys: 'ArrowLeft', does: 'the cut before', run: () => setPicked(steps[Math.max(0, at - 1)]?.id ?? null) },
    ],
    [steps, at],
  );
  useHotkeys(hotkeys);
  const step = steps[at];
  if (!step) return <p className="quiet">Nothing to cut: the parts are whole sheets, or all of them are there.</p>;
  const numbers = new Map(steps.map(({ id }, index) => [id, index + 1]));
  const sheet = nest.plan!.sheets[step.sheet]!;
  const markOf = (part: string): string => lineOfPiece(parts, part)?.mark ?? part;
  const words = cutWords(step, { markOf, unit, sheets: nest.plan!.sheets.length });
  const done = cutting.done.has(step.id);
  const kept = left.filter((each) => each.sheet === step.sheet && keepsOffcut(workshop.shop, each.piece));
  const tick = (): void => {
    cutting.tick(step);
    go(at + 1);
  };
  return (
    <div className="cuts">
      <SheetDrawing
        page={{ nest, sheet, number: step.sheet + 1 }}
        parts={parts}
        unit={unit}
        stale={nest.stale}
        left={kept}
        cuts={{ steps: steps.filter((each) => each.sheet === step.sheet), numbers, at: step, done: new Set(cutting.done.keys()) }}
      />
      <section className="cut-card" aria-live="polite" aria-label={`Cut ${at + 1} of ${steps.length}`}>
        <p className="cut-count">
          Cut {at + 1} of {steps.length}
          {nest.plan!.sheets.length > 1 && <span className="quiet"> sheet {step.sheet + 1}</span>}
          {done && <span className="done-word"> made</span>}
        </p>
        <h2>{words.set}</h2>
        <p>{words.what}</p>
        <div className="cut-buttons">
          <IconButton aria-label="The cut before" disabled={at === 0} onClick={() => go(at - 1)}>
            <ArrowBack />
          </IconButton>
          {done ? (
            <Button disabled={!cutting.canUntick(step)} onClick={() => cutting.untick(step)}>
              Not made after all
            </Button>
          ) : (
            <Button variant="contained" disabled={!cutting.canMake(step)} onClick={tick}>
              Cut is made
            </Button>
          )}
          <IconButton aria-label="The next cut" disabled={at === steps.length - 1} onClick={() => go(at + 1)}>
            <ArrowForward />
          </IconButton>
        </div>
        <dl>
          <div>
            <dt>stays</dt>
            <dd>{words.stays}</dd>
          </div>
          <div>
            <dt>falls off</dt>
            <dd>{words.falls}</dd>
          </div>
        </dl>
        {words.cautions.map((caution) => (
          <p key={caution} className="caution">
            {caution}
          </p>
        ))}
        {!done && step.way && !cutting.canMake(step) && <p className="quiet">Its piece comes off at cut {numbers.get(step.after!)}: that one first.</p>}
        {done && <Spoil step={step} cutting={cutting} markOf={markOf} />}
      </section>
      <CutList steps={steps} at={step.id} cutting={cutting} markOf={markOf} unit={unit} onGo={setPicked} />
    </div>
  );
}

/** A spoiled part is needed again. */
function Spoil({ step, cutting, markOf }: { readonly step: CutStep; readonly cutting: SheetCutting; readonly markOf: (part: string) => string }) {
  const made = [step.near, step.far].flatMap((piece) => piece?.part ?? []);
  if (made.length === 0) return null;
  return (
    <p className="spoil">
      {made.map((part) => (
        <Button key={part} size="small" color="error" onClick={() => cutting.spoil(part)}>
          {markOf(part)} is spoiled: cut it once more
        </Button>
      ))}
    </p>
  );
}

interface CutListProps {
  readonly steps: readonly CutStep[];
  readonly at: string;
  readonly cutting: SheetCutting;
  readonly markOf: (part: string) => string;
  readonly unit: DisplayUnit;
  readonly onGo: (id: string) => void;
}

/** All cuts, grouped by setting. */
function CutList({ steps, at, cutting, markOf, unit, onGo }: CutListProps) {
  const groups: { key: string; rows: { step: CutStep; number: number }[] }[] = [];
  for (const [index, step] of steps.entries()) {
    const key = settingKey(step);
    const last = groups.at(-1);
    if (last?.key === key) last.rows.push({ step, number: index + 1 });
    else groups.push({ key, rows: [{ step, number: index + 1 }] });
  }
  const wordsOf = (step: CutStep) => cutWords(step, { markOf, unit, sheets: 2 });
  return (
    <ol className="cut-list">
      {groups.map(({ rows }) => (
        <li key={rows[0]!.step.id}>
          <p className="cut-setting">{wordsOf(rows[0]!.step).set}</p>
          <ul>
            {rows.map(({ step, number }) => {
              const done = cutting.done.has(step.id);
              const { what, stays } = wordsOf(step);
              return (
                <li key={step.id} className={step.id === at ? 'current' : ''}>
                  <Checkbox
                    size="small"
                    checked={done}
                    disabled={done ? !cutting.canUntick(step) : !cutting.canMake(step)}
                    slotProps={{ input: { 'aria-label': `Cut ${number} is made` } }}
                    onChange={() => (done ? cutting.untick(step) : cutting.tick(step))}
                  />
                  <button type="button" aria-current={step.id === at ? 'step' : undefined} onClick={() => onGo(step.id)}>
                    <span className="cut-number">{number}</span> {what} <span className="quiet">{step.near.part === null ? '' : stays.split(',')[0]}</span>
                  </button>
                </li>
              );
            })}
          </ul>
        </li>
      ))}
    </ol>
  );
}
