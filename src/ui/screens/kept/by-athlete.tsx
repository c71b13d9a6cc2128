import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { keptByAthlete, type KeptSession } from '../../../application/keeping/kept';
import { athleteAddress } from '../../components/athlete-address';
import { megabytes } from '../../components/format';
import { useShowMore } from '../../components/show-more';
import { TEXT } from '../../../text/screens/kept';

/** So many stand there at first. */
const AT_FIRST = 10;

/** What the sessions of each athlete take, the largest first. */
export function ByAthlete({ sessions }: { readonly sessions: readonly KeptSession[] }): ReactNode {
  const { shown, more } = useShowMore(keptByAthlete(sessions), AT_FIRST);
  if (shown.length === 0) return null;
  return (
    <section className="card" style={{ marginTop: 16 }}>
      <Typography variant="h2" gutterBottom>
        {TEXT.byAthlete}
      </Typography>
      <table className="sheet" aria-label={TEXT.byAthlete}>
        <thead>
          <tr>
            <th>{TEXT.athlete}</th>
            <th>{TEXT.sessions}</th>
            <th>{TEXT.pointsAndNotes}</th>
            <th>{TEXT.sizeOfVideos}</th>
          </tr>
        </thead>
        <tbody>
          {shown.map(({ key, name, count, bytes, videoBytes }) => (
            <tr key={key}>
              <td className="wrap">
                <Link to={athleteAddress(key)}>{name}</Link>
              </td>
              <td>{count}</td>
              <td>{megabytes(bytes)}</td>
              <td>{megabytes(videoBytes)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {more}
    </section>
  );
}
