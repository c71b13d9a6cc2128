import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import { TEXT } from '../../text/components/common';

export interface ReasonDialogProps {
  readonly title: string;
  /** What the reason is kept with. */
  readonly about: string;
  readonly confirm: string;
  readonly onConfirm: (reason: string) => void;
  readonly onClose: () => void;
}

/** Asks for the reason of a decision; without one there is none. */
export function ReasonDialog({ title, about, confirm, onConfirm, onClose }: ReasonDialogProps): ReactNode {
  const [reason, setReason] = useState('');
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>{title}</DialogTitle>
      <DialogContent>
        <TextField
          autoFocus
          fullWidth
          label={TEXT.reason}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          sx={{ mt: 1 }}
          helperText={TEXT.keptWithAboutAndShown(about)}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{TEXT.cancel}</Button>
        <Button
          variant="contained"
          disabled={reason.trim() === ''}
          onClick={() => {
            onConfirm(reason.trim());
            onClose();
          }}
        >
          {confirm}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
