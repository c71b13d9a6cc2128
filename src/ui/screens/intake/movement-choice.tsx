import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useRef, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Movement } from '../../../core/model/movement';
import { MOVEMENTS } from '../../../movements';
import { chooseMovement, movementFileName, movementText, readMovement } from '../../../state/movement-files';
import { notify } from '../../../state/notices';
import { download } from '../../../state/download';

/** Which movement the session is measured by: one that ships, or one from a file. */
export function MovementChoice({
  movement,
  own,
  sessionId,
}: {
  readonly movement: Movement;
  readonly own: boolean;
  readonly sessionId: string;
}): ReactNode {
  const input = useRef<HTMLInputElement>(null);
  const read = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const result = await readMovement(file);
    notify(
      result.ok ? 'info' : 'error',
      result.ok
        ? `The session is measured by \u201c${result.value.name}\u201d: ${result.value.moments.length} moments, ` +
            `${result.value.measures.length} measures.`
        : `${result.issue.message} The movement stays as it was.`,
    );
  };
  return (
    <div>
      <TextField
        select
        label="Movement"
        value={own ? '' : movement.id}
        slotProps={{
          select: {
            displayEmpty: true,
            renderValue: () => `${movement.sport}: ${movement.name}${own ? ' (your own)' : ''}`,
          },
          inputLabel: { shrink: true },
        }}
        onChange={(event) => chooseMovement(event.target.value)}
        sx={{ minWidth: 260 }}
      >
        {MOVEMENTS.map((m) => (
          <MenuItem key={m.id} value={m.id}>
            {m.sport}: {m.name}
          </MenuItem>
        ))}
      </TextField>
      <div>
        <Button component={Link} to={`/s/${sessionId}/movement`}>
          Change the movement
        </Button>
        <Button onClick={() => input.current?.click()}>Load from a file</Button>
        <Button onClick={() => download(movementFileName(movement), 'application/json', movementText(movement))}>
          Save it as a file
        </Button>
        <input
          ref={input}
          type="file"
          accept=".json"
          aria-label="Movement from a file"
          className="visually-hidden"
          tabIndex={-1}
          onChange={(event) => {
            void read(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </div>
    </div>
  );
}
