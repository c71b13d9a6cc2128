import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Movement } from '../../../core/model/movement';
import { MOVEMENTS } from '../../../movements';
import { chooseMovement, movementFileName, movementText } from '../../../application/movement/movement-files';
import { download } from '../../../application/files/download';
import { FileButton } from '../../components/file-button';
import { measureByFile } from './measure-by-file';
import { TEXT } from '../../../text/screens/intake';

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
  return (
    <div>
      <TextField
        select
        label={TEXT.movement}
        value={own ? '' : movement.id}
        slotProps={{
          select: {
            displayEmpty: true,
            renderValue: () => `${movement.sport}: ${movement.name}${own ? TEXT.yourOwn : ''}`,
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
          {TEXT.changeMovement}
        </Button>
        <FileButton fieldName={TEXT.movementFromFile} accept=".json" onFiles={([file]) => void measureByFile(file)}>
          {TEXT.loadFromFile}
        </FileButton>
        <Button onClick={() => download(movementFileName(movement), 'application/json', movementText(movement))}>
          {TEXT.saveItAsFile}
        </Button>
      </div>
    </div>
  );
}
