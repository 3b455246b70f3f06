/** A field for a plain number (a count, kilograms, degrees, a price), with its limits. */
import { TextField } from '@mui/material';
import { useId, useState, type KeyboardEvent } from 'react';
import { useRefusal } from './useRefusal.ts';

export interface NumberFieldProps {
  readonly label: string;
  readonly value: number | null;
  readonly unit?: string;
  readonly least: number;
  readonly most: number;
  readonly whole?: boolean;
  readonly optional?: boolean;
  readonly placeholder?: string;
  readonly name?: string;
  readonly onChange: (value: number | null) => void;
  readonly onLeave?: () => void;
}

export function NumberField({ label, value, unit, least, most, whole = false, optional = false, placeholder, name, onChange, onLeave }: NumberFieldProps) {
  const [draft, setDraft] = useState<string | null>(null);
  const [told, setTold] = useState(value);
  const [last, setLast] = useState(value);
  // Changed by something else during input, such as an undo: the field shows that.
  if (last !== value) {
    setLast(value);
    if (draft !== null && value !== told) setDraft(null);
  }
  const helpId = useId();
  const text = draft ?? (value === null ? '' : String(Math.round(value * 1000) / 1000));
  const wrong = draft === null ? undefined : fault(draft, least, most, whole, optional);

  const input = useRefusal(wrong);

  const type = (typed: string): void => {
    setDraft(typed);
    if (fault(typed, least, most, whole, optional) !== undefined) return;
    const now = typed.trim() === '' ? null : Number(typed.replace(',', '.'));
    setTold(now);
    onChange(now);
  };
  const leave = (): void => {
    if (wrong === undefined) setDraft(null);
    onLeave?.();
  };
  const key = (event: KeyboardEvent): void => {
    if (event.key === 'Enter') leave();
    if (event.key === 'Escape') setDraft(null);
    if (whole && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      const next = Math.min(most, Math.max(least, (value ?? least) + (event.key === 'ArrowUp' ? 1 : -1)));
      setDraft(null);
      onChange(next);
    }
  };

  return (
    <TextField
      inputRef={input}
      label={label}
      value={text}
      error={wrong !== undefined}
      helperText={wrong}
      onChange={(event) => type(event.target.value)}
      onBlur={leave}
      onKeyDown={key}
      slotProps={{
        htmlInput: { inputMode: whole ? 'numeric' : 'decimal', autoComplete: 'off', 'data-field': name, 'aria-describedby': helpId },
        input: { endAdornment: unit ? <span className="unit">{unit}</span> : undefined },
        inputLabel: { shrink: true },
        formHelperText: { id: helpId },
      }}
      {...(placeholder === undefined ? {} : { placeholder })}
    />
  );
}

function fault(text: string, least: number, most: number, whole: boolean, optional: boolean): string | undefined {
  if (text.trim() === '') return optional ? undefined : `a number from ${least} to ${most}`;
  const value = Number(text.replace(',', '.'));
  if (!Number.isFinite(value) || value < least || value > most || (whole && !Number.isInteger(value)))
    return `a ${whole ? 'whole ' : ''}number from ${least} to ${most}`;
  return undefined;
}
