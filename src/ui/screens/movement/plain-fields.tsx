import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { NUMBER_PAUSE, useCommittedText } from '../../components/use-committed-text';

interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly options: readonly (readonly [string, string])[];
  readonly onChange: (value: string) => void;
  readonly width?: number;
}

/** One of several. */
export function Choice({ label, value, options, onChange, width = 130 }: ChoiceProps): ReactNode {
  return (
    <TextField
      select
      size="small"
      label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      sx={{ minWidth: width }}
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

/** A number that is taken over when the field is left or Enter pressed; none where it may be left empty. */
export function NumberField({
  label,
  value,
  onChange,
  onEmpty,
  width = 110,
}: {
  readonly label: string;
  readonly value: number | null;
  readonly onChange: (value: number) => void;
  readonly onEmpty?: () => void;
  readonly width?: number;
}): ReactNode {
  const text = useCommittedText(
    value === null ? '' : String(value),
    (typed) => {
      if (typed.trim() === '') return onEmpty?.();
      const number = Number(typed.replace(',', '.'));
      if (Number.isFinite(number)) onChange(number);
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

/** Yes or no. */
export const Tick = ({
  label,
  checked,
  onChange,
}: {
  readonly label: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}): ReactNode => (
  <FormControlLabel
    control={<Checkbox size="small" checked={checked} onChange={({ target }) => onChange(target.checked)} />}
    label={label}
  />
);
