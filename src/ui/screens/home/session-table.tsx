import DeleteOutlinedIcon from '@mui/icons-material/DeleteOutlined';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { SessionSummary } from '../../../application/keeping/session-list';
import { dayText, stampText } from '../../components/format';
import { movementNameOf } from '../../components/movement-name';
import { useShowMore } from '../../components/show-more';
import { RepairButtons } from './repair-buttons';
import { TEXT } from '../../../text/screens/home';

/** So many stand there at first. */
const AT_FIRST = 15;

interface SessionTableProps {
  readonly sessions: readonly SessionSummary[];
  readonly onDelete: (session: SessionSummary) => void;
  readonly onChange: () => void;
}

/** The sessions of this browser, the one changed last first. */
export function SessionTable({ sessions, onDelete, onChange }: SessionTableProps): ReactNode {
  const { shown, more } = useShowMore(sessions, AT_FIRST);
  return (
    <>
      <table className="sheet" aria-label={TEXT.sessions}>
        <thead>
          <tr>
            <th>{TEXT.session}</th>
            <th className="left">{TEXT.movement}</th>
            <th className="left">{TEXT.performers}</th>
            <th>{TEXT.filmed}</th>
            <th>{TEXT.lastChange}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {shown.map((session) => (
            <tr key={session.id}>
              {session.damage === null ? (
                <Sound session={session} />
              ) : (
                <Damaged session={session} onChange={onChange} />
              )}
              <td className="acts">
                {session.performers.length > 0 && (
                  <Button
                    size="small"
                    component={Link}
                    to={`/s/${session.id}/follow-up`}
                    aria-label={TEXT.followUpName(session.name)}
                  >
                    {TEXT.followUp}
                  </Button>
                )}
                <IconButton aria-label={TEXT.deleteName(session.name)} onClick={() => onDelete(session)}>
                  <DeleteOutlinedIcon />
                </IconButton>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {more}
    </>
  );
}

function Sound({ session }: { readonly session: SessionSummary }): ReactNode {
  return (
    <>
      <td className="wrap">
        <Link to={`/s/${session.id}/${session.performers.length < 2 ? 'intake' : 'measure'}`}>{session.name}</Link>
      </td>
      <td className="left wrap">{movementNameOf(session)}</td>
      <td className="left wrap">{[...new Set(session.performers)].join(', ') || TEXT.noClipsYet}</td>
      <td>{dayText(session.on)}</td>
      <td>{stampText(session.updatedAt)}</td>
    </>
  );
}

function Damaged({
  session,
  onChange,
}: Pick<SessionTableProps, 'onChange'> & { readonly session: SessionSummary }): ReactNode {
  return (
    <>
      <td className="wrap">{session.name}</td>
      <td className="left wrap" colSpan={3}>
        <span className="note">
          {TEXT.cannotBeOpenedAsIt} {session.damage}{' '}
        </span>
        <RepairButtons id={session.id} onRepaired={onChange} />
      </td>
      <td>{stampText(session.updatedAt)}</td>
    </>
  );
}
