import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { SessionSummary } from '../../../application/keeping/session-list';
import type { SquadMember } from '../../../application/season/squad';
import { movementNameOf } from '../../components/movement-name';
import { dayText } from '../../components/format';
import { TEXT } from '../../../text/screens/athlete';

/** Every session about an athlete, and those in which they are the reference of somebody else. */
export function TheirSessions({ member: { sessions, asReference } }: { readonly member: SquadMember }): ReactNode {
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.sessions}
      </Typography>
      {sessions.length > 0 && <Sessions sessions={sessions} follow />}
      {sessions.length === 0 && <p>{TEXT.noneYet}</p>}
      {asReference.length > 0 && (
        <>
          <h3 style={{ margin: '10px 0 4px', fontSize: '.95rem' }}>{TEXT.asReferenceOfOthers}</h3>
          <Sessions sessions={asReference} follow={false} />
        </>
      )}
    </section>
  );
}

function Sessions({
  sessions,
  follow,
}: {
  readonly sessions: readonly SessionSummary[];
  readonly follow: boolean;
}): ReactNode {
  return (
    <table className="sheet">
      <thead>
        <tr>
          <th>{TEXT.session}</th>
          <th className="left">{TEXT.movement}</th>
          <th>{TEXT.filmed}</th>
          {follow && <th />}
        </tr>
      </thead>
      <tbody>
        {sessions.map((session) => (
          <tr key={session.id}>
            <td className="wrap">
              <Link to={`/s/${session.id}/measure`}>{session.name}</Link>
            </td>
            <td className="left wrap">{movementNameOf(session)}</td>
            <td>{dayText(session.on)}</td>
            {follow && (
              <td className="acts">
                <Button
                  size="small"
                  component={Link}
                  to={`/s/${session.id}/follow-up`}
                  aria-label={TEXT.followUpName(session.name)}
                >
                  {TEXT.followUp}
                </Button>
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
