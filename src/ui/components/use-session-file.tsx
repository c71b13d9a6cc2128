import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import type { Issue, Result } from '../../core/result';
import type { Restored } from '../../application/keeping/backup';
import { notify } from '../../application/stores/notices';
import type { OpenedFile } from '../../application/keeping/session-files';
import { TEXT } from '../../text/components/common';

const countOf = (n: number): string => (n === 1 ? TEXT.oneSession : TEXT.countSessions(n));

/** Says what came of a backup. */
function tellRestored(restored: Result<Restored | null, Issue>): void {
  if (!restored.ok) return notify('error', restored.issue.message);
  const { opened, beside, leftOut } = restored.value!;
  const besides = beside > 0 ? TEXT.countOfWereHereIn(countOf(beside)) : '';
  notify('info', TEXT.countOfOpenedFromBackup(countOf(opened), besides));
  if (leftOut.length > 0) notify('error', TEXT.leftOutOfBackupLeft(leftOut.slice(0, 8).join('; ')));
}

/** Says what is not as it was in the file. */
function tellOpened({ beside, missing, dropped }: OpenedFile): void {
  if (dropped.length > 0) notify('error', TEXT.leftOutOfFileDropped(dropped.slice(0, 8).join('; ')));
  if (beside) notify('info', TEXT.thatSessionWasHereAlready);
  if (missing.length > 0) notify('error', TEXT.notInFile(missing.join(', ')));
}

/** Opening a file that holds a session, or all sessions of a browser. */
export interface SessionFileOpening {
  readonly opening: boolean;
  readonly open: (file: File) => Promise<void>;
  /** Asks about a file of which not all can be read. */
  readonly dialog: ReactNode;
}

/** @param onRestored after a backup was opened */
export function useSessionFile(onRestored?: () => void): SessionFileOpening {
  const navigate = useNavigate();
  const [opening, setOpening] = useState(false);
  const [damaged, setDamaged] = useState<{ readonly file: File; readonly message: string } | null>(null);
  const openOne = async (file: File, repair: boolean): Promise<void> => {
    const { openSessionFile } = await import('../../application/keeping/session-files');
    const opened = await openSessionFile(file, repair);
    setDamaged(null);
    if (!opened.ok) {
      const { code, message } = opened.issue;
      return code === 'invalid-session' && !repair ? setDamaged({ file, message }) : notify('error', message);
    }
    tellOpened(opened.value);
    void navigate(`/s/${opened.value.id}/measure`);
  };
  const whileOpening = async (act: () => Promise<void>): Promise<void> => {
    setOpening(true);
    try {
      await act();
    } finally {
      setOpening(false);
    }
  };
  const open = (file: File): Promise<void> =>
    whileOpening(async () => {
      const { restoreBackup } = await import('../../application/keeping/backup');
      const restored = await restoreBackup(file);
      if (restored.ok && !restored.value) return openOne(file, false);
      tellRestored(restored);
      onRestored?.();
    });
  const dialog = (
    <Dialog open={damaged !== null} onClose={() => setDamaged(null)}>
      <DialogTitle>{TEXT.openWhatCanBeRead}</DialogTitle>
      <DialogContent>
        {damaged?.message} {TEXT.restCanBeOpenedWithout}
      </DialogContent>
      <DialogActions>
        <Button onClick={() => setDamaged(null)}>{TEXT.leaveIt}</Button>
        <Button variant="contained" onClick={() => void whileOpening(() => openOne(damaged!.file, true))}>
          {TEXT.openRest}
        </Button>
      </DialogActions>
    </Dialog>
  );
  return { opening, open, dialog };
}
