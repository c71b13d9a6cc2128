import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Clip } from '../../../core/model/clip';
import { performerKey } from '../../../core/model/performer';
import { withdrawConsent } from '../../../application/season/consent';
import { notify } from '../../../application/stores/notices';
import { athleteAddress } from '../../components/athlete-address';
import { TEXT } from '../../../text/screens/intake';

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
      others.length > 0
        ? TEXT.footageOfNameIsRemoved(name, others.join(', '))
        : TEXT.footageOfNameIsRemovedWithName(name),
    );
  };
  return (
    <>
      <Alert
        severity="warning"
        action={
          <Button color="inherit" size="small" onClick={() => setAsking(true)}>
            {TEXT.removeFootage}
          </Button>
        }
      >
        {TEXT.wasConsentOfNameWithdrawn(name)}
      </Alert>
      <Dialog open={asking} onClose={() => setAsking(false)}>
        <DialogTitle>{TEXT.removeFootageOfName(name)}</DialogTitle>
        <DialogContent>
          <p style={{ margin: 0 }}>{TEXT.everyVideoOfNameIn(name)}</p>
          <p style={{ marginBottom: 0 }}>
            {TEXT.fromAllSessions} <Link to={athleteAddress(performerKey(clip.performer))}>{TEXT.onPageOf(name)}</Link>.
          </p>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setAsking(false)}>{TEXT.keepIt}</Button>
          <Button variant="contained" onClick={() => void remove()}>
            {TEXT.removeForGood}
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
