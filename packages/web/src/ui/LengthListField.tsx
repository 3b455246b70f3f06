/** A field for several lengths, separated by commas or semicolons. The text stays until it is valid; the reason names the faulty length. */
import { enter, typedText, type DisplayUnit, type Entered, type Length } from '@keen/core';
import { TextField } from '@mui/material';
import { useState } from 'react';

export interface LengthListFieldProps {
  readonly label: string;
  readonly name: string;
  readonly value: readonly Entered[];
  readonly unit: DisplayUnit;
  readonly least: Length;
  readonly most: Length;
  readonly longest: number;
  readonly onChange: (value: readonly Entered[]) => void;
}

export function LengthListField({ label, name, value, unit, least, most, longest, onChange }: LengthListFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const read = typed === null ? undefined : readList(typed, unit, least, most, longest);
  const wrong = read && 'reason' in read ? read.reason : undefined;
  return (
    <TextField
      label={label}
      size="small"
      className="wide-field"
      multiline
      value={typed ?? value.map((each) => typedText(each, unit)).join('; ')}
      error={wrong !== undefined}
      helperText={wrong ?? 'set apart by semicolons'}
      slotProps={{ htmlInput: { 'data-field': name, 'aria-invalid': wrong !== undefined } }}
      onChange={(event) => {
        setTyped(event.target.value);
        const now = readList(event.target.value, unit, least, most, longest);
        if ('value' in now) onChange(now.value);
      }}
      onBlur={() => !wrong && setTyped(null)}
    />
  );
}

type Read = { readonly value: readonly Entered[] } | { readonly reason: string };

/** A comma may be a decimal point, so lengths are separated by semicolons. */
export function readList(text: string, unit: DisplayUnit, least: Length, most: Length, longest: number): Read {
  const value: Entered[] = [];
  const rows = text
    .split(';')
    .map((row) => row.trim())
    .filter((row) => row !== '');
  if (rows.length > longest) return { reason: `${rows.length} entries; at most ${longest} fit` };
  for (const row of rows) {
    const read = enter(row, unit);
    if (!read.ok) return { reason: `'${row}': ${read.problem.message}` };
    if (read.value.nm < least || read.value.nm > most) return { reason: `'${row}' is out of range: ${least / 1e6} to ${most / 1e6} mm` };
    value.push(read.value);
  }
  return { value };
}
