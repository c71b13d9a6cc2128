import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { format } from 'date-fns';
import { useEffect, useRef, useState, type FormEvent, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { LIMITS } from '../../../core/model/limits';
import { MOVEMENTS } from '../../../movements';
import type { Issue, Result } from '../../../core/result';
import { restoreBackup, saveBackup, type Restored } from '../../../state/backup';
import { DEMOS } from '../../../state/demo';
import { missingFeatures } from '../../../state/browser';
import { notify } from '../../../state/notices';
import { openSessionFile } from '../../../state/session-files';
import { allSessions, removeSession, type SessionSummary } from '../../../state/session-list';
import { lastTime, type LastTime } from '../../../state/quick-start';
import { createSession } from '../../../state/session-use-cases';
import { BackupReminder } from './backup-reminder';
import { QuickStart } from './quick-start';
import { SessionTable } from './session-table';

const SESSION_FILE = /\.(zip|json)$/i;

const countOf = (n: number): string => `${n} ${n === 1 ? 'session' : 'sessions'}`;

/** Says what came of a backup. */
function tellRestored(restored: Result<Restored | null, Issue>): void {
  if (!restored.ok) return notify('error', restored.issue.message);
  const { opened, beside, leftOut } = restored.value!;
  const besides =
    beside > 0
      ? ` ${countOf(beside)} were here in another state, which stays; those of the file stand beside them.`
      : '';
  notify('info', `${countOf(opened)} opened from the backup.${besides}`);
  if (leftOut.length > 0) notify('error', `Left out of the backup: ${leftOut.slice(0, 8).join('; ')}.`);
}

/** All sessions of this browser, and the way to a new one. */
export function HomeScreen(): ReactNode {
  const navigate = useNavigate();
  const [sessions, setSessions] = useState<readonly SessionSummary[] | null>(null);
  const [name, setName] = useState('');
  const [movementId, setMovementId] = useState(MOVEMENTS[0]!.id);
  const [deleting, setDeleting] = useState<SessionSummary | null>(null);
  const [opening, setOpening] = useState(false);
  const [damaged, setDamaged] = useState<{ readonly file: File; readonly message: string } | null>(null);
  const [starting, setStarting] = useState<{ readonly files: readonly File[]; readonly last: LastTime } | null>(null);
  const missing = missingFeatures();
  const videos = useRef<HTMLInputElement>(null);
  const input = useRef<HTMLInputElement>(null);
  const refresh = (): void => void allSessions().then(setSessions);
  useEffect(refresh, []);

  const onCreate = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    const created = await createSession(name.trim() || `Session of ${format(new Date(), 'd MMMM yyyy')}`, movementId);
    if (created.ok) void navigate(`/s/${created.value}/intake`);
    else notify('error', created.issue.message);
  };

  const backUp = async (): Promise<void> => {
    const saved = await saveBackup();
    if (!saved.ok) notify('error', saved.issue.message);
    else if (saved.value.length > 0) notify('error', `Not in the backup: ${saved.value.slice(0, 8).join('; ')}.`);
    refresh();
  };

  const openFile = async (file: File | undefined, repair = false): Promise<void> => {
    if (!file) return;
    setOpening(true);
    const restored = await restoreBackup(file);
    if (!restored.ok || restored.value) {
      setOpening(false);
      tellRestored(restored);
      return refresh();
    }
    const opened = await openSessionFile(file, repair);
    setOpening(false);
    setDamaged(null);
    if (!opened.ok) {
      const { code, message } = opened.issue;
      return code === 'invalid-session' && !repair ? setDamaged({ file, message }) : notify('error', message);
    }
    const { id, beside, withoutVideo, dropped } = opened.value;
    if (dropped.length > 0) notify('error', `Left out of the file: ${dropped.slice(0, 8).join('; ')}.`);
    if (beside)
      notify(
        'info',
        'That session was here already in another state, which stays as it is; the one of the file stands beside it.',
      );
    // Stays until it is read: the session opens on pictures that are not there.
    if (withoutVideo.length > 0)
      notify(
        'error',
        `Without video: ${withoutVideo.join(', ')}. Points and numbers are there; drop the video on its clip at ` +
          'Intake to see it again.',
      );
    void navigate(`/s/${id}/measure`);
  };

  const begin = async (files: readonly File[]): Promise<void> => {
    if (files.length > 2)
      return notify('info', `One or two videos begin a session, not ${files.length}; more are given at Intake.`);
    setStarting({ files, last: await lastTime() });
  };
  /** Session files are opened; anything else begins a session. */
  const take = (all: FileList | null): void => {
    const files = [...(all ?? [])];
    const [first] = files;
    if (!first) return;
    if (SESSION_FILE.test(first.name)) void openFile(first);
    else void begin(files);
  };

  return (
    <main
      className="page"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        take(event.dataTransfer.files);
      }}
    >
      <div className="inner">
        <Typography variant="h1" gutterBottom>
          Proud Falcon
        </Typography>
        <Typography sx={{ mb: 2, maxWidth: 640 }}>
          Puts an athlete’s clip beside a reference, brings both to the same moment, measures what differs and says what
          to work on first. All of it stays in this browser, at {window.location.origin}:{' '}
          <Link to="/kept">What is kept here</Link>.
        </Typography>
        {missing.length > 0 && (
          <Alert severity="warning" sx={{ mb: 2 }}>
            This browser lacks {missing.join('; ')}. A current desktop version of Chromium and its kin, of Firefox or of
            Safari has it all.
          </Alert>
        )}
        <div className="columns">
          <section className="card">
            <Typography variant="h2" gutterBottom>
              New session
            </Typography>
            <p style={{ margin: '0 0 12px' }}>
              <Button variant="contained" sx={{ mr: 1 }} onClick={() => videos.current?.click()}>
                Begin with one or two videos
              </Button>
              or drop them anywhere on this page.
              <input
                ref={videos}
                type="file"
                multiple
                accept="video/*,image/*,.mkv,.mts,.m2ts,.ts,.avi,.mxf"
                aria-label="Videos to begin with"
                className="visually-hidden"
                tabIndex={-1}
                onChange={(event) => {
                  take(event.target.files);
                  event.target.value = '';
                }}
              />
            </p>
            <form onSubmit={(event) => void onCreate(event)} style={{ display: 'grid', gap: 10 }}>
              <TextField
                label="Name"
                value={name}
                onChange={(event) => setName(event.target.value)}
                fullWidth
                slotProps={{ htmlInput: { maxLength: LIMITS.name } }}
              />
              <TextField
                select
                label="Movement"
                value={movementId}
                onChange={(event) => setMovementId(event.target.value)}
                fullWidth
              >
                {MOVEMENTS.map((m) => (
                  <MenuItem key={m.id} value={m.id}>
                    {m.sport}: {m.name}
                  </MenuItem>
                ))}
              </TextField>
              <Button type="submit" variant="outlined" sx={{ justifySelf: 'start' }}>
                Create
              </Button>
            </form>
          </section>
          <section className="card">
            <Typography variant="h2" gutterBottom>
              Demo
            </Typography>
            <Typography sx={{ mb: 1 }}>
              A made-up academy, filmed at 120 frames per second, with points, moments and judgements in place.
            </Typography>
            <ul style={{ margin: 0, paddingLeft: 0, listStyle: 'none', display: 'grid', gap: 6 }}>
              {DEMOS.map((demo, i) => (
                <li key={demo.id}>
                  <Button
                    component={Link}
                    to={i === 0 ? '/demo' : `/demo/${demo.id}`}
                    variant="outlined"
                    size="small"
                    sx={{ mr: 1 }}
                  >
                    {i === 0 ? 'Open the demo' : `Open ${demo.name.toLowerCase()}`}
                  </Button>
                  <span className="note">
                    {demo.name}: {demo.about}
                  </span>
                </li>
              ))}
            </ul>
          </section>
        </div>
        <section style={{ marginTop: 20 }}>
          <div style={{ display: 'flex', alignItems: 'center', gap: 12, marginBottom: 6 }}>
            <Typography variant="h2">Sessions</Typography>
            <Button variant="outlined" disabled={opening} onClick={() => input.current?.click()}>
              {opening ? 'Reading the file' : 'Open a session or a backup'}
            </Button>
            {sessions !== null && sessions.length > 0 && (
              <Button onClick={() => void backUp()}>Save everything as one file</Button>
            )}
            <input
              ref={input}
              type="file"
              accept=".zip,.json"
              aria-label="Session file"
              className="visually-hidden"
              tabIndex={-1}
              onChange={(event) => {
                void openFile(event.target.files?.[0]);
                event.target.value = '';
              }}
            />
          </div>
          {sessions?.length === 0 && (
            <p>
              No sessions yet. A session holds two clips and everything measured on them; create one, open a file that
              was saved from a report, or open the demo to see a finished one.
            </p>
          )}
          {sessions !== null && <BackupReminder sessions={sessions} onBackUp={() => void backUp()} />}
          {sessions !== null && sessions.length > 0 && (
            <SessionTable sessions={sessions} onDelete={setDeleting} onChange={refresh} />
          )}
        </section>
        <p className="note" style={{ marginTop: 24 }}>
          <a href="/third-party.md">Licences of what is built in</a>
        </p>
      </div>
      {starting && <QuickStart {...starting} onClose={() => setStarting(null)} />}
      <Dialog open={damaged !== null} onClose={() => setDamaged(null)}>
        <DialogTitle>Open what can be read?</DialogTitle>
        <DialogContent>
          {damaged?.message} The rest can be opened without it; what is left out is named. The file itself stays as it
          is.
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setDamaged(null)}>Leave it</Button>
          <Button variant="contained" onClick={() => void openFile(damaged!.file, true)}>
            Open the rest
          </Button>
        </DialogActions>
      </Dialog>
      <Dialog open={deleting !== null} onClose={() => setDeleting(null)}>
        <DialogTitle>Delete this session?</DialogTitle>
        <DialogContent>
          “{deleting?.name}” with its clips, points and decisions is removed from this browser for good.
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setDeleting(null)}>Keep it</Button>
          <Button
            variant="contained"
            onClick={() =>
              void removeSession(deleting!.id).then(() => {
                setDeleting(null);
                refresh();
              })
            }
          >
            Delete
          </Button>
        </DialogActions>
      </Dialog>
    </main>
  );
}
