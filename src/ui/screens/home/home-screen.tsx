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
import { saveBackup } from '../../../state/backup';
import { DEMOS } from '../../../state/demo';
import { missingFeatures } from '../../../state/browser';
import { notify } from '../../../state/notices';
import { useSessionFile } from '../../components/use-session-file';
import { allSessions, removeSession, type SessionSummary } from '../../../state/session-list';
import { lastTime, type LastTime } from '../../../state/quick-start';
import { createSession } from '../../../state/session-use-cases';
import { BackupReminder } from './backup-reminder';
import { QuickStart } from './quick-start';
import { SessionTable } from './session-table';

/** What is called so and holds nothing else is a saved session, readable or not. */
const SESSION_FILE = /\.(zip|json)$/i;

/** All sessions of this browser, and the way to a new one. */
export function HomeScreen(): ReactNode {
  const navigate = useNavigate();
  const [sessions, setSessions] = useState<readonly SessionSummary[] | null>(null);
  const [name, setName] = useState('');
  const [movementId, setMovementId] = useState(MOVEMENTS[0]!.id);
  const [deleting, setDeleting] = useState<SessionSummary | null>(null);
  const [starting, setStarting] = useState<{ readonly files: readonly File[]; readonly last: LastTime } | null>(null);
  const missing = missingFeatures();
  const videoInput = useRef<HTMLInputElement>(null);
  const input = useRef<HTMLInputElement>(null);
  const refresh = (): void => void allSessions().then(setSessions);
  useEffect(refresh, []);
  const files = useSessionFile(refresh);

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

  const begin = async (videos: readonly File[]): Promise<void> => {
    if (videos.length > 2)
      return notify('info', `One or two videos begin a session, not ${videos.length}; more are given at Intake.`);
    setStarting({ files: videos, last: await lastTime() });
  };
  /** Saved sessions are opened; anything else begins a session. */
  const take = async (all: FileList | null): Promise<void> => {
    const dropped = [...(all ?? [])];
    const [first] = dropped;
    if (!first) return;
    // What tells files apart is not needed to show the page.
    const [{ documentIn }, { isPointFile }] = await Promise.all([
      import('../../../state/dropped-file'),
      import('../../../state/point-files'),
    ]);
    const document = await documentIn(first);
    const isNamedSo = SESSION_FILE.test(first.name) && !(await isPointFile(first));
    if (document === 'session' || (document === null && isNamedSo)) await files.open(first);
    else if (document === 'movement')
      notify(
        'info',
        `\u201c${first.name}\u201d is a movement. Create a session, or open one, and drop it on a clip\u2019s ` +
          'place at Intake to measure by it.',
      );
    else await begin(dropped);
  };

  return (
    <main
      className="page"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void take(event.dataTransfer.files);
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
              <Button variant="contained" sx={{ mr: 1 }} onClick={() => videoInput.current?.click()}>
                Begin with one or two videos
              </Button>
              or drop them anywhere on this page.
              <input
                ref={videoInput}
                type="file"
                multiple
                accept="video/*,image/*,.mkv,.mts,.m2ts,.ts,.avi,.mxf"
                aria-label="Videos to begin with"
                className="visually-hidden"
                tabIndex={-1}
                onChange={(event) => {
                  void take(event.target.files);
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
            <Button variant="outlined" disabled={files.opening} onClick={() => input.current?.click()}>
              {files.opening ? 'Reading the file' : 'Open a session or a backup'}
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
                const [file] = event.target.files ?? [];
                if (file) void files.open(file);
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
      {files.dialog}
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
