import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';

interface AddByNameProps {
  readonly label: string;
  readonly button: string;
  /** Takes the name; whether it was taken, so that the field is emptied. */
  readonly onAdd: (name: string) => boolean;
  readonly children?: ReactNode;
}

/** Adds something that has a name. */
export function AddByName({ label, button, onAdd, children }: AddByNameProps): ReactNode {
  const [name, setName] = useState('');
  return (
    <form
      className="row-of-fields"
      style={{ margin: '8px 0 0' }}
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() && onAdd(name.trim())) setName('');
      }}
    >
      <TextField size="small" label={label} value={name} onChange={(event) => setName(event.target.value)} />
      <Button type="submit" disabled={name.trim() === ''}>
        {button}
      </Button>
      {children}
    </form>
  );
}
