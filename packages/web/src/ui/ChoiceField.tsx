/** A native select, so that a phone shows its own list and the keyboard works everywhere. */
import { TextField } from '@mui/material';

export interface ChoiceFieldProps {
  readonly label: string;
  readonly value: string;
  readonly options: readonly { readonly value: string; readonly label: string; readonly disabled?: boolean }[];
  readonly name?: string;
  readonly onChange: (value: string) => void;
}

export function ChoiceField({ label, value, options, name, onChange }: ChoiceFieldProps) {
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      slotProps={{ select: { native: true }, htmlInput: { 'data-field': name }, inputLabel: { shrink: true } }}
    >
      {options.map((option) => (
        <option key={option.value} value={option.value} disabled={option.disabled ?? false}>
          {option.label}
        </option>
      ))}
    </TextField>
  );
}
