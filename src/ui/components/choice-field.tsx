import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { Controller, type Control, type FieldPath, type FieldValues } from 'react-hook-form';
import { TEXT } from '../../text/components/common';

interface ChoiceFieldProps<T extends FieldValues> {
  readonly name: FieldPath<T>;
  readonly control: Control<T>;
  readonly label: string;
  /** Each value with its words. */
  readonly options: readonly (readonly [string, string])[];
  readonly size?: 'small' | 'medium';
}

/** One of several, in a form. */
export function ChoiceField<T extends FieldValues>({
  name,
  control,
  label,
  options,
  size = 'medium',
}: ChoiceFieldProps<T>): ReactNode {
  return (
    <Controller
      name={name}
      control={control}
      render={({ field }) => (
        <TextField select size={size} label={label} {...field} sx={{ minWidth: 150 }}>
          {options.map(([value, text]) => (
            <MenuItem key={value} value={value}>
              {text}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
}

/** What is asked of everybody whose body is measured. */
export const SIDES = [
  ['right', TEXT.right],
  ['left', TEXT.left],
] as const;
export const SEGMENT_TABLES = [
  ['male', TEXT.maleTable],
  ['female', TEXT.femaleTable],
] as const;
