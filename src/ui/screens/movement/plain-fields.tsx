import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { NUMBER_PAUSE, useCommittedText } from '../../components/use-committed-text';

interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly options: readonly (readonly [string, string])[];
  readonly onChange: (value: string) => void;
}

/** One of several. */
export function Choice({ label, value, options, onChange }: ChoiceProps): ReactNode {
  return (
    <TextField
      select
      size="small"
      label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      sx={{ minWidth: 130 }}
      slotProps={
        options.some(([id]) => id === '') ? { select: { displayEmpty: true }, inputLabel: { shrink: true } } : {}
      }
    >
      {options.map(([id, name]) => (
        <MenuItem key={id} value={id}>
          {name}
        </MenuItem>
      ))}
    </TextField>
  );
}

/** A number that is taken over when the field is left or Enter pressed. */
export function NumberField({
  label,
  value,
  onChange,
  width = 110,
}: {
  readonly label: string;
  readonly value: number;
  readonly onChange: (value: number) => void;
  readonly width?: number;
}): ReactNode {
  const text = useCommittedText(
    String(value),
    (typed) => {
      const number = Number(typed.replace(',', '.'));
      if (Number.isFinite(number) && typed.trim() !== '') onChange(number);
    },
    NUMBER_PAUSE,
  );
  return (
    <TextField
      size="small"
      label={label}
      sx={{ width }}
      {...text}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  );
}

export function CommittedField({
  label,
  value,
  onChange,
  multiline = false,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly multiline?: boolean;
}): ReactNode {
  const text = useCommittedText(value, onChange);
  return (
    <TextField
      size="small"
      fullWidth
      label={label}
      multiline={multiline}
      minRows={multiline ? 2 : undefined}
      {...text}
    />
  );
}
