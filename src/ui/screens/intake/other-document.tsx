import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { useSessionFile } from '../../components/use-session-file';
import { measureByFile } from './measure-by-file';
import { TEXT } from '../../../text/screens/intake';

interface OtherDocumentProps {
  readonly is: 'session' | 'movement';
  readonly file: File;
  readonly onDone: () => void;
}

const WHAT = {
  session: { text: TEXT.isSavedSessionNoClip, act: TEXT.openIt },
  movement: { text: TEXT.isMovementNoClip, act: TEXT.measureThisSessionByIt },
} as const;

/** A file that belongs elsewhere: what it is, and going there with it. */
export function OtherDocument({ is, file, onDone }: OtherDocumentProps): ReactNode {
  const sessions = useSessionFile();
  const act = async (): Promise<void> => {
    if (is === 'session') return sessions.open(file);
    await measureByFile(file);
    onDone();
  };
  return (
    <Alert severity="info" sx={{ mt: 1 }} onClose={onDone}>
      “{file.name}” {WHAT[is].text}{' '}
      <Button size="small" disabled={sessions.opening} onClick={() => void act()}>
        {WHAT[is].act}
      </Button>
      {sessions.dialog}
    </Alert>
  );
}
