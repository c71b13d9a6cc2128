import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import useMediaQuery from '@mui/material/useMediaQuery';
import { lazy, Suspense, useCallback, useEffect, useRef, useState, type ReactNode } from 'react';
import { missingFeatures } from '../../../application/stores/browser';
import { notify } from '../../../application/stores/notices';
import { useSessionFile } from '../../components/use-session-file';
import type { SessionSummary } from '../../../application/keeping/session-list';
import type { LastTime } from '../../../application/intake/quick-start';
import { readSquad, refreshStandings, type Squad } from '../../../application/season/squad';
import { BackupReminder } from './backup-reminder';
import { DemoCard } from './demo-card';
import { FilesCard } from './files-card';
import { NewSession } from './new-session';
import { SquadAndSessions } from './squad-and-sessions';
import { TEXT } from '../../../text/screens/home';

/** How often the list follows what is measured meanwhile, ms. */
const SHOW_EVERY = 1500;

// What begins a session, and reads files, is not needed to show who is there.
const QuickStart = lazy(() => import('./quick-start').then((m) => ({ default: m.QuickStart })));

/** What is called so and holds nothing else is a saved session, readable or not. */
const SESSION_FILE = /\.(zip|json)$/i;

/** Everybody who was analysed, all sessions of this browser, and the way to a new one. */
export function HomeScreen(): ReactNode {
  const [squad, setSquad] = useState<Squad | null>(null);
  const [measuring, setMeasuring] = useState<{ readonly done: number; readonly all: number } | null>(null);
  const [deleting, setDeleting] = useState<SessionSummary | null>(null);
  const [starting, setStarting] = useState<{ readonly files: readonly File[]; readonly last: LastTime } | null>(null);
  const missing = missingFeatures();
  const running = useRef<AbortController>(null);
  const refresh = useCallback((): void => {
    running.current?.abort();
    const { signal } = (running.current = new AbortController());
    let shownAt = -Infinity;
    const show = async (): Promise<Squad> => {
      shownAt = performance.now();
      const read = await readSquad();
      if (!signal.aborted) setSquad(read);
      return read;
    };
    void show()
      .then((read) =>
        refreshStandings(read, signal, (done, all) => {
          if (signal.aborted) return;
          setMeasuring(done < all ? { done, all } : null);
          // Hundreds of athletes in a row are not read anew for each.
          if (done === all || performance.now() - shownAt > SHOW_EVERY) void show();
        }),
      )
      .finally(() => !signal.aborted && setMeasuring(null));
  }, []);
  useEffect(() => {
    refresh();
    return () => running.current?.abort();
  }, [refresh]);
  const files = useSessionFile(refresh);

  const backUp = async (): Promise<void> => {
    const { saveBackup } = await import('../../../application/keeping/backup');
    const saved = await saveBackup();
    if (!saved.ok) notify('error', saved.issue.message);
    else if (saved.value.length > 0) notify('error', TEXT.notInBackupValue(saved.value.slice(0, 8).join('; ')));
    refresh();
  };

  const remove = async (id: string): Promise<void> => {
    const { removeSession } = await import('../../../application/keeping/remove-session');
    await removeSession(id);
    setDeleting(null);
    refresh();
  };

  const begin = async (videos: readonly File[]): Promise<void> => {
    if (videos.length > 2) return notify('info', TEXT.oneOrTwoVideosBegin(videos.length));
    const { lastTime } = await import('../../../application/intake/quick-start');
    setStarting({ files: videos, last: await lastTime() });
  };
  /** Saved sessions are opened; anything else begins a session. */
  const take = async (given: readonly File[]): Promise<void> => {
    const [first] = given;
    if (!first) return;
    // What tells files apart is not needed to show the page.
    const [{ documentIn }, { isPointFile }] = await Promise.all([
      import('../../../application/intake/dropped-file'),
      import('../../../application/tracks/point-files'),
    ]);
    const document = await documentIn(first);
    const isNamedSo = SESSION_FILE.test(first.name) && !(await isPointFile(first));
    if (document === 'session' || (document === null && isNamedSo)) await files.open(first);
    else if (document === 'movement') notify('info', TEXT.nameIsMovementCreateSession(first.name));
    else await begin(given);
  };
  const isEmpty = squad?.sessions.length === 0 && squad.members.length === 0;
  // In one column a long list would push down what begins; a newcomer reads first.
  const beginsFirst = useMediaQuery('(max-width: 960px)') && squad !== null && !isEmpty;

  const people = (
    <div key="people" className="main">
      {isEmpty && (
        <>
          <Typography sx={{ mb: 2, maxWidth: 640 }}>{TEXT.putsAthletesClipBesideReference}</Typography>
          <DemoCard first />
        </>
      )}
      {squad && !isEmpty && (
        <>
          <BackupReminder sessions={squad.sessions} onBackUp={() => void backUp()} />
          <SquadAndSessions squad={squad} measuring={measuring} onDelete={setDeleting} onChange={refresh} />
        </>
      )}
    </div>
  );
  const beginning = (
    <aside key="beginning">
      <NewSession onFiles={(all) => void take(all)} />
      <FilesCard
        opening={files.opening}
        onOpen={(file) => void files.open(file)}
        onBackUp={squad !== null && squad.sessions.length > 0 ? () => void backUp() : null}
      />
    </aside>
  );
  const further = (
    <aside key="further">
      {squad && !isEmpty && <DemoCard first={false} />}
      <p className="note">
        <a href="/third-party.md">{TEXT.licencesOfWhatIsBuilt}</a>
      </p>
    </aside>
  );
  return (
    <main
      className="page"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void take([...event.dataTransfer.files]);
      }}
    >
      <div className="inner">
        <Typography variant="h1" gutterBottom>
          {TEXT.proudFalcon}
        </Typography>
        {missing.length > 0 && (
          <Alert severity="warning" sx={{ mb: 2 }}>
            {TEXT.thisBrowserLacksMissingCurrent(missing.join('; '))}
          </Alert>
        )}
        <div className="home">{beginsFirst ? [beginning, people, further] : [people, beginning, further]}</div>
      </div>
      {starting && (
        <Suspense>
          <QuickStart {...starting} onClose={() => setStarting(null)} />
        </Suspense>
      )}
      {files.dialog}
      <Dialog open={deleting !== null} onClose={() => setDeleting(null)}>
        <DialogTitle>{TEXT.deleteThisSession}</DialogTitle>
        <DialogContent>
          “{deleting?.name}
          {TEXT.withItsClipsPointsAnd}
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setDeleting(null)}>{TEXT.keepIt}</Button>
          <Button variant="contained" onClick={() => void remove(deleting!.id)}>
            {TEXT.delete}
          </Button>
        </DialogActions>
      </Dialog>
    </main>
  );
}
