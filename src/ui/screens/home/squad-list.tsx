import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { dueOf, type SquadMember } from '../../../application/season/squad';
import { TrendLine } from '../../charts/trend-line';
import { athleteAddress } from '../../components/athlete-address';
import { dayText, inDisplayUnit, plusMinus } from '../../components/format';
import { movementNameOf } from '../../components/movement-name';
import { PersonPicture } from '../../components/person-picture';
import { useShowMore } from '../../components/show-more';
import { StandingMark } from '../../components/standing-mark';
import { TEXT } from '../../../text/screens/home';

/** So many stand there at first. */
const AT_FIRST = 12;

interface SquadListProps {
  readonly members: readonly SquadMember[];
  /** Today, ISO. */
  readonly today: string;
}

/** Each athlete with the last picture, what is worked on and when it is due, and the way to the last session. */
export function SquadList({ members, today }: SquadListProps): ReactNode {
  const { shown, more } = useShowMore(members, AT_FIRST);
  return (
    <>
      <table className="sheet squad" aria-label={TEXT.athletes}>
        <thead>
          <tr>
            <th>{TEXT.athlete}</th>
            <th className="left">{TEXT.worksOn}</th>
            <th className="left">{TEXT.trend}</th>
            <th className="left">{TEXT.due}</th>
            <th>{TEXT.lastSession}</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((member) => (
            <Member key={member.key} member={member} today={today} />
          ))}
        </tbody>
      </table>
      {more}
    </>
  );
}

function Member({ member, today }: { readonly member: SquadMember; readonly today: string }): ReactNode {
  const { key, name, record, sessions, standings, picture } = member;
  const [last] = sessions;
  const [standing] = standings;
  const [first, ...others] = standing?.open ?? [];
  const due = dueOf(member);
  const trend = standing?.trend;
  const value = trend?.values.at(-1);
  return (
    <tr data-testid={`athlete-${key}`}>
      <td>
        <div className="who">
          <PersonPicture name={name} picture={picture} size={48} />
          <span>
            <Link to={athleteAddress(key)}>{name}</Link>
            {record?.withdrawnOn != null && <span className="note">{TEXT.consentWithdrawn}</span>}
            {record?.squad && <span className="note">{record.squad}</span>}
            <span className="note">
              {last && `${movementNameOf(last)}, `}
              {sessions.length === 1 ? TEXT.oneSession : TEXT.countSessions(sessions.length)}
            </span>
          </span>
        </div>
      </td>
      <td className="left wrap">
        {first ? (
          <>
            {first.title} <StandingMark standing={first.standing} />
            {others.length > 0 && (
              <div className="note">
                {others.length === 1 ? TEXT.andCountOther(others.length) : TEXT.andCountOthers(others.length)}
              </div>
            )}
          </>
        ) : (
          <span className="note">{standing ? TEXT.nothingIsOpen : sessions.length > 0 ? TEXT.notMeasuredYet : ''}</span>
        )}
      </td>
      <td className="left">
        {trend && value && (
          <TrendLine
            trend={trend}
            text={
              TEXT.measureCountSessionsLastIn(
                trend.measure,
                trend.values.length,
                inDisplayUnit(value.value, trend.unit),
              ) + plusMinus(value.plusMinus, trend.unit)
            }
          />
        )}
      </td>
      <td className="left">
        {due && (
          <span className={due < today ? 'overdue' : undefined}>
            {dayText(due, 'd MMM')}
            {due < today && <span className="note"> {TEXT.past}</span>}
          </span>
        )}
      </td>
      <td>
        {last && (
          <Link to={`/s/${last.id}/measure`} aria-label={TEXT.openLastSessionOfName(name)}>
            {dayText(last.on)}
          </Link>
        )}
        {sessions.length > 1 && last && (
          <div>
            <Link className="note" to={`/s/${last.id}/follow-up`} aria-label={TEXT.followUpName(name)}>
              {TEXT.followUp}
            </Link>
          </div>
        )}
      </td>
    </tr>
  );
}
