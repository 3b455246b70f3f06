/** A field for a name, or a few words. */
import { TextField } from '@mui/material';
import { useState } from 'react';

/** A required text keeps its value until something is typed. */
export function NameField({
  label,
  name,
  value,
  most,
  needed,
  onChange,
  onLeave,
}: {
  readonly label: string;
  readonly name: string;
  readonly value: string;
  readonly most: number;
  readonly needed: boolean;
  readonly onChange: (value: string) => void;
  readonly onLeave: () => void;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  const wrong = needed && draft?.trim() === '';
  return (
    <TextField
      label={label}
      value={draft ?? value}
      error={wrong}
      helperText={wrong ? `text of 1 to ${most} characters` : undefined}
      onChange={({ target }) => {
        const text = target.value.slice(0, most);
        setDraft(text);
        if (!needed || text.trim() !== '') onChange(text);
      }}
      onBlur={() => {
        setDraft(null);
        onLeave();
      }}
      slotProps={{ htmlInput: { 'data-field': name, autoComplete: 'off' }, inputLabel: { shrink: true } }}
    />
  );
}
