import Button from '@mui/material/Button';
import { useState, type ReactNode, type RefObject } from 'react';
import { download } from '../../application/files/download';
import { startJob } from '../../application/stores/jobs';
import { notify } from '../../application/stores/notices';
import { paperFile } from '../../application/export/paper-file';
import { fileSafe } from './format';
import { paperDocument } from './paper-document';
import { TEXT } from '../../text/components/common';

interface PaperButtonsProps {
  /** What is printed. */
  readonly part: RefObject<HTMLElement | null>;
  /** Of the file, and what it is called by. */
  readonly title: string;
  /** The day that the file states, `YYYY-MM-DD`. */
  readonly on: string;
}

async function savePdf({ part, title, on }: PaperButtonsProps): Promise<void> {
  if (!part.current) return;
  const job = startJob('paper', TEXT.pdfOfTitle(title));
  try {
    const file = await paperFile(await paperDocument(part.current, title, job.signal), on, job.signal);
    if (file.ok) download(`${fileSafe(title)}.pdf`, 'application/pdf', file.value);
    else notify('error', file.issue.message);
  } catch (error) {
    if (!job.signal.aborted) throw error;
  } finally {
    job.end();
  }
}

/** Paper as a file, or straight to a printer. */
export function PaperButtons(props: PaperButtonsProps): ReactNode {
  const [making, setMaking] = useState(false);
  return (
    <>
      <Button
        variant="contained"
        className="no-print"
        disabled={making}
        onClick={() => {
          setMaking(true);
          void savePdf(props).finally(() => setMaking(false));
        }}
      >
        {TEXT.saveAsPdf}
      </Button>
      <Button variant="outlined" className="no-print" onClick={() => window.print()}>
        {TEXT.print}
      </Button>
    </>
  );
}
