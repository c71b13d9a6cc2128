import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState, type ReactNode } from 'react';
import type { Clip } from '../../../core/model/clip';
import { withdrawConsent } from '../../../application/season/consent';
import { notify } from '../../../application/stores/notices';

/** Lets go of the footage of somebody who no longer consents. */
export function WithdrawConsent({ clip }: { readonly clip: Clip }): ReactNode {
  const [asking, setAsking] = useState(false);
  const { name } = clip.performer;
  const remove = async (): Promise<void> => {
    setAsking(false);
    const removed = await withdrawConsent(clip);
    if (!removed.ok) return notify('error', removed.issue.message);
    const others = removed.value;
    notify(
      'info',
      `The footage of ${name} is ` +
        `removed.${others.length > 0 ? ` Other sessions still know of them: ${others.join(', ')}. Open them on the start page to remove all.` : ''}`,
    );
  };
  return (
    <>
      <Alert
        severity="warning"
        action={
          <Button color="inherit" size="small" onClick={() => setAsking(true)}>
            Remove the footage
          </Button>
        }
      >
        Was the consent of {name} withdrawn? Then the footage must go.
      </Alert>
      <Dialog open={asking} onClose={() => setAsking(false)}>
        <DialogTitle>Remove the footage of {name}?</DialogTitle>
        <DialogContent>
          Every video of {name} in this session is removed for good, with all points, moments, notes and drawings on it.
          This cannot be undone.
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setAsking(false)}>Keep it</Button>
          <Button variant="contained" onClick={() => void remove()}>
            Remove for good
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
