/** A field for a weight as people type it: 2.5, 800 g, 3 lb 4 oz. It shows the value in the reader's own units. */
import { readWeight, weightText, type DisplayUnit } from '@keen/core';
import { TextField } from '@mui/material';
import { useState } from 'react';
import { useAfterPress } from './useAfterPress.ts';
import { useRefusal } from './useRefusal.ts';

export interface WeightFieldProps {
  readonly label: string;
  readonly name: string;
  /** Kilograms; null where unweighed. */
  readonly value: number | null;
  readonly unit: DisplayUnit;
  readonly placeholder: string;
  readonly onChange: (kg: number | null) => void;
  readonly onLeave: () => void;
}

export function WeightField({ label, name, value, unit, placeholder, onChange, onLeave }: WeightFieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  /** The field was left: its text is the value's again, and only the line below it stays for a moment. */
  const [left, setLeft] = useState(false);
  const { afterPress, callOff } = useAfterPress();
  const read = draft === null || draft.trim() === '' ? null : readWeight(draft, unit === 'mm' ? 'kg' : 'lb', label);
  const wrong = read !== null && !read.ok;
  const input = useRefusal(wrong ? read.problem.accepted : undefined);
  const forget = (): void => {
    setDraft(null);
    setLeft(false);
  };
  const type = (text: string): void => {
    setLeft(false);
    setDraft(text);
    const next = text.trim() === '' ? null : readWeight(text, unit === 'mm' ? 'kg' : 'lb', label);
    if (next === null) onChange(null);
    else if (next.ok) onChange(next.value);
  };
  return (
    <TextField
      label={label}
      inputRef={input}
      value={draft !== null && !left ? draft : value === null ? '' : weightText(value, unit)}
      placeholder={placeholder}
      error={wrong}
      helperText={wrong ? read.problem.accepted : read?.ok ? weightText(read.value, unit) : undefined}
      onChange={({ target }) => type(target.value)}
      onBlur={() => {
        if (!wrong) {
          setLeft(true);
          afterPress(forget);
        }
        onLeave();
      }}
      onFocus={() => {
        callOff();
        if (!wrong) forget();
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') setDraft(null);
      }}
      slotProps={{ htmlInput: { 'data-field': name, autoComplete: 'off' }, inputLabel: { shrink: true } }}
    />
  );
}
