import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useRef, useState, type ReactNode } from 'react';
import { useDerived } from '../../../application/analysis/use-derived';
import { dayOf, type Session } from '../../../core/model/session';
import { notify } from '../../../application/stores/notices';
import { download } from '../../../application/files/download';
import { setPaper, usePaper, type PaperSize } from '../../../application/export/paper';
import { csvOf, sessionText } from '../../../application/export/report';
import { sessionArchive } from '../../../application/keeping/session-files';
import { PaperButtons } from '../../components/paper-buttons';
import { SessionFrame } from '../../components/session-frame';
import { ShareNote } from '../../components/share-note';
import { fileSafe } from '../../components/format';
import { AthletePage } from './athlete-page';
import { CameraSheet } from './camera-sheet';
import { FilmDialog } from './film-dialog';
import { PaperOptions } from './paper-options';
import { ReportBody } from './report-body';
import { TEXT } from '../../../text/screens/report';

async function saveWithVideo(session: Session, name: string): Promise<void> {
  const archive = await sessionArchive(session);
  if (archive.ok) download(`${name}.falcon.zip`, 'application/zip', archive.value);
  else notify('info', archive.issue.message);
}

const PAPER_NAMES = { report: TEXT.report, athlete: TEXT.athletesPage, camera: TEXT.forWhoeverFilms } as const;
type Paper = keyof typeof PAPER_NAMES;
const SIZE_NAMES: Readonly<Record<PaperSize, string>> = { a4: 'A4', letter: TEXT.letter };

interface OneOfProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly names: Readonly<Record<T, string>>;
  readonly onChange: (value: T) => void;
}

function OneOf<T extends string>({ label, value, names, onChange }: OneOfProps<T>): ReactNode {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      aria-label={label}
      sx={{ '& .MuiToggleButton-root': { color: 'text.primary' } }}
      value={value}
      onChange={(_, next: T | null) => next && onChange(next)}
    >
      {Object.entries<string>(names).map(([id, name]) => (
        <ToggleButton key={id} value={id}>
          {name}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}

/** What is handed over: pictures, numbers, corrections, cautions. */
export function ReportScreen(): ReactNode {
  const derived = useDerived();
  const { session } = derived;
  const name = fileSafe(session.name);
  const [filming, setFilming] = useState(false);
  const [paper, choosePaper] = useState<Paper>('report');
  const { size } = usePaper();
  const printed = useRef<HTMLDivElement>(null);
  return (
    <SessionFrame step="report">
      <main className="page">
        <div
          className="no-print"
          style={{ display: 'flex', gap: 8, justifyContent: 'center', flexWrap: 'wrap', marginBottom: 12 }}
        >
          <OneOf label={TEXT.whatIsShownAndPrinted} value={paper} names={PAPER_NAMES} onChange={choosePaper} />
          <OneOf
            label={TEXT.sizeOfPaper}
            value={size}
            names={SIZE_NAMES}
            onChange={(next) => setPaper({ size: next })}
          />
          <PaperButtons
            part={printed}
            title={`${session.name}, ${PAPER_NAMES[paper].toLowerCase()}`}
            on={dayOf(session)}
          />
          <Button variant="outlined" onClick={() => download(`${name}.csv`, 'text/csv', csvOf(derived))}>
            {TEXT.saveAllNumbersAsCsv}
          </Button>
          <Button variant="outlined" disabled={derived.panes.length === 0} onClick={() => setFilming(true)}>
            {TEXT.saveFilm}
          </Button>
          <Button variant="outlined" onClick={() => void saveWithVideo(session, name)}>
            {TEXT.saveSessionWithVideo}
          </Button>
          <Button
            variant="outlined"
            onClick={() => download(`${name}.falcon.json`, 'application/json', sessionText(session))}
          >
            {TEXT.saveSessionWithoutVideo}
          </Button>
        </div>
        <ShareNote session={session} />
        {paper === 'report' && derived.athlete && <PaperOptions />}
        <div ref={printed} className={`on-${size}`}>
          {paper === 'camera' ? (
            <CameraSheet derived={derived} />
          ) : derived.athlete === null ? (
            <p style={{ textAlign: 'center' }}>{TEXT.reportFillsItselfOnceAthletes}</p>
          ) : paper === 'athlete' ? (
            <AthletePage derived={derived} />
          ) : (
            <ReportBody derived={derived} />
          )}
        </div>
      </main>
      {filming && <FilmDialog derived={derived} fileName={name} onClose={() => setFilming(false)} />}
    </SessionFrame>
  );
}
