/** Length entry for a dusty thumb: digits, fraction keys, and steps of a tape or caliper. */
import { enter, enteredFromNm, tapeTextWithUnit, typedText, type DisplayUnit, type Entered, type Length } from '@keen/core';
import Backspace from '@mui/icons-material/BackspaceOutlined';
import { Button } from '@mui/material';
import { useState } from 'react';

export interface EntryPadProps {
  readonly label: string;
  readonly unit: DisplayUnit;
  /** The planned length: steps start from it while nothing is typed. */
  readonly planned: Length;
  /** A caliper's tenths, or a tape's halves. */
  readonly fine?: boolean;
  readonly least: Length;
  readonly most: Length;
  readonly onKeep: (value: Entered) => void;
}

const FRACTIONS = ['1/16', '1/8', '3/16', '1/4', '5/16', '3/8', '7/16', '1/2', '9/16', '5/8', '11/16', '3/4', '13/16', '7/8', '15/16'] as const;
/** Steps, nanometers. */
const STEPS: Readonly<Record<DisplayUnit, readonly [coarse: number, tape: number, fine: number]>> = {
  mm: [1_000_000, 500_000, 100_000],
  in: [1_587_500, 793_750, 127_000],
};
const STEP_WORDS: Readonly<Record<DisplayUnit, readonly [string, string, string]>> = { mm: ['1', '0.5', '0.1'], in: ['1/16', '1/32', '0.005'] };

export function EntryPad({ label, unit, planned, fine = false, least, most, onKeep }: EntryPadProps) {
  const [text, setText] = useState('');
  const read = text.trim() === '' ? null : enter(text.trim(), unit);
  const value = read?.ok ? read.value : null;
  const nm = value?.nm ?? planned;
  const outside = value !== null && (value.nm < least || value.nm > most);
  const wrong =
    read && !read.ok
      ? `${read.problem.message}. Accepted: ${read.problem.accepted}`
      : outside
        ? `from ${tapeTextWithUnit(least, unit)} to ${tapeTextWithUnit(most, unit)}`
        : null;
  const type = (key: string): void => setText((old) => old + key);
  const fraction = (key: string): void => setText((old) => `${old.trim().replace(/\s*\d+\/\d+$/, '')} ${key}`.trim());
  const step = (by: number): void => setText(typedText(enteredFromNm(Math.max(0, nm + by) as Length), unit));
  const steps = STEPS[unit].map((by, index) => ({ by, words: STEP_WORDS[unit][index]! })).filter((_, index) => (fine ? index !== 0 : index !== 2));
  return (
    <form
      className="entry-pad"
      aria-label={label}
      onSubmit={(event) => {
        event.preventDefault();
        if (value && !outside) onKeep(value);
      }}
    >
      <p className="entry-label">
        {label}, planned {tapeTextWithUnit(planned, unit)}
      </p>
      <p className="entry-value">
        {text === '' ? <span className="quiet">{typedText(enteredFromNm(planned), unit)}</span> : text} <span className="unit">{unit}</span>
      </p>
      <p className="entry-echo" role="status">
        {wrong ?? (value ? `${tapeTextWithUnit(value.nm, unit)}, ${offWords(value.nm - planned, unit)}` : 'type it, or step from what was planned')}
      </p>
      <div className="entry-steps">
        {steps.map(({ by, words }) => (
          <span key={words}>
            <Button type="button" variant="outlined" aria-label={`less by ${words}`} onClick={() => step(-by)}>
              − {words}
            </Button>
            <Button type="button" variant="outlined" aria-label={`more by ${words}`} onClick={() => step(by)}>
              + {words}
            </Button>
          </span>
        ))}
      </div>
      <div className="entry-keys">
        {['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0'].map((key) => (
          <Button key={key} type="button" variant="outlined" onClick={() => type(key)}>
            {key}
          </Button>
        ))}
        <Button type="button" variant="outlined" aria-label="Take the last away" onClick={() => setText((old) => old.slice(0, -1))}>
          <Backspace />
        </Button>
      </div>
      {unit === 'in' && (
        <div className="entry-fractions">
          {FRACTIONS.map((key) => (
            <Button key={key} type="button" variant="outlined" onClick={() => fraction(key)}>
              {key}
            </Button>
          ))}
        </div>
      )}
      <Button type="submit" variant="contained" className="entry-keep" disabled={value === null || outside}>
        It measures that
      </Button>
    </form>
  );
}

function offWords(off: number, unit: DisplayUnit): string {
  if (Math.abs(off) < 20_000) return 'as planned';
  return `${tapeTextWithUnit(Math.abs(off) as Length, unit)} ${off > 0 ? 'over' : 'short'}`;
}
