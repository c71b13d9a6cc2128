import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import { decide } from '../../../state/use-cases';

export interface Asked {
  readonly id: string;
  readonly name: string;
  readonly verdict: 'drop' | 'style';
}

/** Asks for the reason of a decision; without one there is none. */
export function ReasonDialog({ asked, onClose }: { readonly asked: Asked; readonly onClose: () => void }): ReactNode {
  const [reason, setReason] = useState('');
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>{asked.verdict === 'style' ? 'A personal style?' : 'Drop this correction?'}</DialogTitle>
      <DialogContent>
        <TextField autoFocus fullWidth label="Reason" value={reason} onChange={(event) => setReason(event.target.value)} sx={{ mt: 1 }} helperText={`Kept with “${asked.name}” and shown in the report.`} />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          disabled={reason.trim() === ''}
          onClick={() => {
            decide(asked.id, { verdict: asked.verdict, reason: reason.trim() });
            onClose();
          }}
        >
          {asked.verdict === 'style' ? 'Mark as style' : 'Drop'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
