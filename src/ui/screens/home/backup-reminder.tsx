import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { backupDue, lastBackup } from '../../../application/keeping/backup-age';
import type { SessionSummary } from '../../../application/keeping/session-list';
import { TEXT } from '../../../text/screens/home';

interface BackupReminderProps {
  readonly sessions: readonly SessionSummary[];
  readonly onBackUp: () => void;
}

/** Says what would be lost with this browser, once the last backup is old. */
export function BackupReminder({ sessions, onBackUp }: BackupReminderProps): ReactNode {
  const due = backupDue(sessions, lastBackup(), new Date().toISOString());
  if (!due) return null;
  const what = due.changed === 1 ? TEXT.oneSessionStands : TEXT.changedSessionsStand(due.changed);
  return (
    <Alert
      severity="info"
      sx={{ mb: 1 }}
      action={
        <Button color="inherit" size="small" onClick={onBackUp}>
          {TEXT.saveEverythingNow}
        </Button>
      }
    >
      {due.days === null ? TEXT.whatInThisBrowserOnly(what) : TEXT.whatInThisBrowserOnlyChanged(what, due.days)}
    </Alert>
  );
}
