import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { FileButton } from '../../components/file-button';

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
        Files
      </Typography>
      <p className="note" style={{ margin: '0 0 8px' }}>
        All of it stays in this browser, at {window.location.origin}: <Link to="/kept">What is kept here</Link>.
      </p>
      <FileButton
        variant="outlined"
        size="small"
        disabled={opening}
        fieldName="Session file"
        accept=".zip,.json"
        onFiles={([file]) => onOpen(file)}
      >
        {opening ? 'Reading the file' : 'Open a session or a backup'}
      </FileButton>
      {onBackUp && (
        <Button size="small" onClick={onBackUp}>
          Save everything as one file
        </Button>
      )}
    </section>
  );
}
