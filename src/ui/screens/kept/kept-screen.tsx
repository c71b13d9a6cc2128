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
import { removeSession } from '../../../application/keeping/remove-session';
import { megabytes } from '../../components/format';
import { ByAthlete } from './by-athlete';
import { TEXT } from '../../../text/screens/kept';

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
        {TEXT.counting}
      </main>
    );
  const save = async (id: string): Promise<void> => {
    const saved = await backUp(id);
    if (!saved.ok) notify('error', saved.issue.message);
  };
  const sweepNow = async (): Promise<void> => {
    const bytes = await sweep();
    notify('info', bytes > 0 ? TEXT.megabytesRemoved(megabytes(bytes)) : TEXT.nothingWasRemovedAnotherWindow);
    refresh();
  };
  const looseText = `${megabytes(bytesOf(kept.loose))}: ${kept.loose.map((v) => v.fileName).join(', ')}`;
  return (
    <main className="page">
      <div className="inner">
        <p style={{ margin: 0 }}>
          <Link to="/">{TEXT.allSessions}</Link>
        </p>
        <Typography variant="h1" gutterBottom>
          {TEXT.whatIsKeptHere}
        </Typography>
        <Typography sx={{ mb: 1, maxWidth: 720 }}>
          {kept.usage !== null && kept.quota !== null
            ? TEXT.everythingIsInThisBrowser(window.location.origin, megabytes(kept.usage), megabytes(kept.quota))
            : TEXT.everythingIsInThisBrowserAt(window.location.origin)}
        </Typography>
        {!kept.persisted && (
          <Alert
            severity="info"
            sx={{ mb: 2 }}
            action={
              <Button color="inherit" size="small" onClick={() => void askToPersist().then(refresh)}>
                {TEXT.askBrowserToKeepIt}
              </Button>
            }
          >
            {TEXT.browserMayClearThisBy}
          </Alert>
        )}
        <section className="card">
          <Typography variant="h2" gutterBottom>
            {TEXT.sessionsAndTheirVideos}
          </Typography>
          {kept.sessions.length === 0 ? (
            <p>{TEXT.noSessions}</p>
          ) : (
            <table className="sheet">
              <thead>
                <tr>
                  <th>{TEXT.session}</th>
                  <th className="left">{TEXT.videos}</th>
                  <th>{TEXT.pointsAndNotes}</th>
                  <th>{TEXT.sizeOfVideos}</th>
                  <th />
                </tr>
              </thead>
              <tbody>
                {kept.sessions.map((session) => (
                  <tr key={session.id}>
                    <td className="wrap">{session.name}</td>
                    <td className="left wrap">{session.videos.map((v) => v.fileName).join(', ') || TEXT.noVideos}</td>
                    <td>{megabytes(session.bytes)}</td>
                    <td>{megabytes(bytesOf(session.videos))}</td>
                    <td className="acts">
                      <Button
                        size="small"
                        aria-label={TEXT.saveNameAsFile(session.name)}
                        onClick={() => void save(session.id)}
                      >
                        {TEXT.saveAsFile}
                      </Button>
                      <Button
                        size="small"
                        aria-label={TEXT.removeName(session.name)}
                        onClick={() => setRemoving(session)}
                      >
                        {TEXT.remove}
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
            {TEXT.leftOver}
          </Typography>
          <p>
            {kept.loose.length === 0
              ? TEXT.everyVideoHereBelongsTo
              : TEXT.countVideosThatNoSession(kept.loose.length, looseText)}
            {kept.loose.length > 0 && <Button onClick={() => void sweepNow()}>{TEXT.removeThem}</Button>}
          </p>
          <p>
            {kept.markerMaps === 0 ? TEXT.noSetsOfMarkersAre : TEXT.markerMapsSetsOfMarkers(kept.markerMaps)}
            {kept.markerMaps > 0 && (
              <Button onClick={() => void forgetMarkerMaps().then(refresh)}>{TEXT.forgetThem}</Button>
            )}
          </p>
        </section>
      </div>
      <Dialog open={removing !== null} onClose={() => setRemoving(null)}>
        <DialogTitle>{TEXT.removeThisSession}</DialogTitle>
        <DialogContent>
          “{removing?.name}
          {TEXT.andVideosThatOnlyIt}
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setRemoving(null)}>{TEXT.keepIt}</Button>
          <Button
            variant="contained"
            onClick={() =>
              void removeSession(removing!.id).then(() => {
                setRemoving(null);
                refresh();
              })
            }
          >
            {TEXT.remove}
          </Button>
        </DialogActions>
      </Dialog>
    </main>
  );
}
