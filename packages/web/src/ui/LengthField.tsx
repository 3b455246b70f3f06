/**
 * A field for one length. It keeps the text apart from the value: input is read on every keystroke and, when valid, passed on at once; Escape restores the
 * previous value, and unreadable text stays with the reason below it.
 */
import { enter, tapeTextWithUnit, toMm, typedText, type DisplayUnit, type Entered, type Length } from '@keen/core';
import { TextField } from '@mui/material';
import { useId, useState, type KeyboardEvent } from 'react';
import { useAfterPress } from './useAfterPress.ts';
import { useRefusal } from './useRefusal.ts';

export interface LengthFieldProps {
  readonly label: string;
  readonly value: Entered | null;
  readonly unit: DisplayUnit;
  readonly least?: Length;
  readonly most?: Length;
  readonly name?: string;
  /** Shown when nothing is entered and nothing is required. */
  readonly placeholder?: string;
  readonly optional?: boolean;
  /** Shown here, and entered elsewhere. */
  readonly disabled?: boolean;
  readonly onChange: (value: Entered | null) => void;
  readonly onLeave?: () => void;
  /** Enter, or leaving it, after valid input: for facts, which are recorded once. */
  readonly onCommit?: (value: Entered | null) => void;
}

interface Draft {
  readonly text: string;
  readonly from: Entered | null;
  /** Last value passed on. */
  readonly told: Entered | null;
  /** The field was left: its text is the value's again, and only the line below it stays for a moment. */
  readonly left?: true;
}

export function LengthField({
  label,
  value,
  unit,
  least,
  most,
  name,
  placeholder,
  optional = false,
  disabled = false,
  onChange,
  onLeave,
  onCommit,
}: LengthFieldProps) {
  const [draft, setDraft] = useState<Draft | null>(null);
  const [last, setLast] = useState(value);
  // Changed by something else during input, such as an undo: the field shows that.
  if (last?.nm !== value?.nm) {
    setLast(value);
    if (draft && value?.nm !== draft.told?.nm) setDraft(null);
  }
  const { afterPress, callOff } = useAfterPress();
  const helpId = useId();
  const text = draft && !draft.left ? draft.text : value ? typedText(value, unit) : '';
  const read = draft ? readText(draft.text, unit, optional, least, most) : undefined;
  const other: DisplayUnit = unit === 'mm' ? 'in' : 'mm';
  const wrong = read && 'reason' in read ? read.reason : undefined;
  const input = useRefusal(wrong);
  const echo =
    draft && read && 'value' in read && read.value ? `${tapeTextWithUnit(read.value.nm, unit)} = ${tapeTextWithUnit(read.value.nm, other)}` : undefined;

  const type = (typed: string): void => {
    const now = readText(typed, unit, optional, least, most);
    setDraft((old) => ({ text: typed, from: old ? old.from : value, told: 'value' in now ? now.value : (old?.told ?? value) }));
    if ('value' in now && now.value?.nm !== value?.nm) onChange(now.value);
    else if ('value' in now && now.value && now.value.text !== value?.text) onChange(now.value);
  };
  const commit = (): void => {
    if (onCommit && read && 'value' in read && read.value?.text !== value?.text) onCommit(read.value);
  };
  const leave = (): void => {
    commit();
    if (!wrong) setDraft(null);
    onLeave?.();
  };
  const blur = (): void => {
    commit();
    onLeave?.();
    if (wrong) return;
    setDraft((old) => old && { ...old, left: true });
    afterPress(() => setDraft(null));
  };
  /** Refocused before that moment is over: the text is the value’s already, so that nothing changes under the selection. */
  const come = (): void => {
    callOff();
    if (!wrong) setDraft(null);
  };
  const key = (event: KeyboardEvent): void => {
    if (event.key === 'Escape' && draft) {
      event.stopPropagation();
      if (draft.from?.text !== value?.text) onChange(draft.from);
      setDraft(null);
    }
    if (event.key === 'Enter') leave();
  };

  return (
    <TextField
      inputRef={input}
      label={label}
      value={text}
      disabled={disabled}
      error={wrong !== undefined}
      helperText={wrong ?? echo}
      onChange={(event) => type(event.target.value)}
      onBlur={blur}
      onFocus={come}
      onKeyDown={key}
      slotProps={{
        htmlInput: { inputMode: 'text', autoComplete: 'off', spellCheck: false, 'data-field': name, 'aria-describedby': helpId },
        input: { endAdornment: <span className="unit">{unit}</span> },
        inputLabel: { shrink: true },
        formHelperText: { id: helpId, 'aria-live': wrong ? 'polite' : 'off' },
      }}
      {...(placeholder === undefined ? {} : { placeholder })}
    />
  );
}

function readText(text: string, unit: DisplayUnit, optional: boolean, least?: Length, most?: Length): { value: Entered | null } | { reason: string } {
  if (optional && text.trim() === '') return { value: null };
  const read = enter(text, unit);
  if (!read.ok) return { reason: `${read.problem.message}. Accepted: ${read.problem.accepted}` };
  const { nm } = read.value;
  if ((least !== undefined && nm < least) || (most !== undefined && nm > most)) {
    return {
      reason: `from ${tapeTextWithUnit(least ?? (0 as Length), unit)} to ${tapeTextWithUnit(most ?? (1e11 as Length), unit)}${most !== undefined && toMm(nm) > toMm(most) ? '; this is more' : ''}`,
    };
  }
  return { value: read.value };
}
