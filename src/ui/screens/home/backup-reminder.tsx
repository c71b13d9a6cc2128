import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { backupDue, lastBackup } from '../../../application/keeping/backup-age';
import type { SessionSummary } from '../../../application/keeping/session-list';

interface BackupReminderProps {
  readonly sessions: readonly SessionSummary[];
  readonly onBackUp: () => void;
}

/** Says what would be lost with this browser, once the last backup is old. */
export function BackupReminder({ sessions, onBackUp }: BackupReminderProps): ReactNode {
  const due = backupDue(sessions, lastBackup(), new Date().toISOString());
  if (!due) return null;
  const what = due.changed === 1 ? 'One session stands' : `${due.changed} sessions stand`;
  return (
    <Alert
      severity="info"
      sx={{ mb: 1 }}
      action={
        <Button color="inherit" size="small" onClick={onBackUp}>
          Save everything now
        </Button>
      }
    >
      {what} in this browser only,{' '}
      {due.days === null ? 'in no backup yet' : `changed since the last backup ${due.days} days ago`}.
    </Alert>
  );
}
