import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { FileButton } from '../../components/file-button';
import { TEXT } from '../../../text/screens/home';

/** Where everything is kept, and how it comes in and goes out as files. */
export function FilesCard({
  opening,
  onOpen,
  onBackUp,
}: {
  readonly opening: boolean;
  readonly onOpen: (file: File) => void;
  /** Null where there is nothing to save. */
  readonly onBackUp: (() => void) | null;
}): ReactNode {
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.files}
      </Typography>
      <p className="note" style={{ margin: '0 0 8px' }}>
        {TEXT.allOfItStaysIn(window.location.origin)} <Link to="/kept">{TEXT.whatIsKeptHere}</Link>.
      </p>
      <FileButton
        variant="outlined"
        size="small"
        disabled={opening}
        fieldName={TEXT.sessionFile}
        accept=".zip,.json"
        onFiles={([file]) => onOpen(file)}
      >
        {opening ? TEXT.readingFile : TEXT.openSessionOrBackup}
      </FileButton>
      {onBackUp && (
        <Button size="small" onClick={onBackUp}>
          {TEXT.saveEverythingAsOneFile}
        </Button>
      )}
    </section>
  );
}
