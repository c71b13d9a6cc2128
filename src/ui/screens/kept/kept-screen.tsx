import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useEffect, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { askToPersist } from '../../../application/stores/browser';
import {
  backUp,
  forgetMarkerMaps,
  sweep,
  whatIsKept,
  type Kept,
  type KeptSession,
} from '../../../application/keeping/kept';
import { notify } from '../../../application/stores/notices';
import { removeSession } from '../../../application/keeping/session-list';
import { megabytes } from '../../components/format';
import { ByAthlete } from './by-athlete';

const bytesOf = (videos: readonly { readonly bytes: number }[]): number => videos.reduce((sum, v) => sum + v.bytes, 0);

/** All that this browser holds, how large it is, and how to save it or let go of it. */
export function KeptScreen(): ReactNode {
  const [kept, setKept] = useState<Kept | null>(null);
  const [removing, setRemoving] = useState<KeptSession | null>(null);
  const refresh = (): void => void whatIsKept().then(setKept);
  useEffect(refresh, []);
  if (!kept)
    return (
      <main className="page" role="status">
        Counting
      </main>
    );
  const save = async (id: string): Promise<void> => {
    const saved = await backUp(id);
    if (!saved.ok) notify('error', saved.issue.message);
  };
  const sweepNow = async (): Promise<void> => {
    const bytes = await sweep();
    notify(
      'info',
      bytes > 0
        ? `${megabytes(bytes)} removed.`
        : 'Nothing was removed: another window is open, or a step back could still need it.',
    );
    refresh();
  };
  const looseText = `${megabytes(bytesOf(kept.loose))}: ${kept.loose.map((v) => v.fileName).join(', ')}`;
  return (
    <main className="page">
      <div className="inner">
        <p style={{ margin: 0 }}>
          <Link to="/">All sessions</Link>
        </p>
        <Typography variant="h1" gutterBottom>
          What is kept here
        </Typography>
        <Typography sx={{ mb: 1, maxWidth: 720 }}>
          Everything is in this browser, at the address {window.location.origin}; nothing is sent anywhere. Another
          browser, or this one at another address, does not see it.{' '}
          {kept.usage !== null && kept.quota !== null
            ? `In use: ${megabytes(kept.usage)} of ${megabytes(kept.quota)} that the browser gives.`
            : ''}
        </Typography>
        {!kept.persisted && (
          <Alert
            severity="info"
            sx={{ mb: 2 }}
            action={
              <Button color="inherit" size="small" onClick={() => void askToPersist().then(refresh)}>
                Ask the browser to keep it
              </Button>
            }
          >
            The browser may clear this by itself when the disk is full. Save what matters as files.
          </Alert>
        )}
        <section className="card">
          <Typography variant="h2" gutterBottom>
            Sessions and their videos
          </Typography>
          {kept.sessions.length === 0 ? (
            <p>No sessions.</p>
          ) : (
            <table className="sheet">
              <thead>
                <tr>
                  <th>Session</th>
                  <th className="left">Videos</th>
                  <th>Points and notes</th>
                  <th>Size of videos</th>
                  <th />
                </tr>
              </thead>
              <tbody>
                {kept.sessions.map((session) => (
                  <tr key={session.id}>
                    <td className="wrap">{session.name}</td>
                    <td className="left wrap">{session.videos.map((v) => v.fileName).join(', ') || 'none'}</td>
                    <td>{megabytes(session.bytes)}</td>
                    <td>{megabytes(bytesOf(session.videos))}</td>
                    <td className="acts">
                      <Button
                        size="small"
                        aria-label={`Save ${session.name} as a file`}
                        onClick={() => void save(session.id)}
                      >
                        Save as a file
                      </Button>
                      <Button size="small" aria-label={`Remove ${session.name}`} onClick={() => setRemoving(session)}>
                        Remove
                      </Button>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </section>
        <ByAthlete sessions={kept.sessions} />
        <section className="card" style={{ marginTop: 16 }}>
          <Typography variant="h2" gutterBottom>
            Left over
          </Typography>
          <p>
            {kept.loose.length === 0
              ? 'Every video here belongs to a session.'
              : `${kept.loose.length} videos that no session shows any more, ${looseText}. `}
            {kept.loose.length > 0 && <Button onClick={() => void sweepNow()}>Remove them</Button>}
          </p>
          <p>
            {kept.markerMaps === 0
              ? 'No sets of markers are remembered.'
              : `${kept.markerMaps} sets of markers of point files are remembered. `}
            {kept.markerMaps > 0 && <Button onClick={() => void forgetMarkerMaps().then(refresh)}>Forget them</Button>}
          </p>
        </section>
      </div>
      <Dialog open={removing !== null} onClose={() => setRemoving(null)}>
        <DialogTitle>Remove this session?</DialogTitle>
        <DialogContent>
          “{removing?.name}” and the videos that only it shows are removed from this browser for good.
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setRemoving(null)}>Keep it</Button>
          <Button
            variant="contained"
            onClick={() =>
              void removeSession(removing!.id).then(() => {
                setRemoving(null);
                refresh();
              })
            }
          >
            Remove
          </Button>
        </DialogActions>
      </Dialog>
    </main>
  );
}
