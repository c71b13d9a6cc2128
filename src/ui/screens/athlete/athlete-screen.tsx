import Typography from '@mui/material/Typography';
import { format } from 'date-fns';
import { useEffect, useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { mayBeMinor } from '../../../core/model/athlete';
import type { Performer } from '../../../core/model/clip';
import { performerIn } from '../../../application/season/athlete-use-cases';
import { readSquad, type SquadMember } from '../../../application/season/squad';
import { athleteAddress } from '../../components/athlete-address';
import { PersonPicture } from '../../components/person-picture';
import { ConsentCard } from './consent-card';
import { RecordForm } from './record-form';
import { TheirSessions } from './their-sessions';
import { WhoIsIt } from './who-is-it';
import { WorksOn } from './works-on';
import { TEXT } from '../../../text/screens/athlete';

interface Known {
  readonly member: SquadMember;
  readonly others: readonly SquadMember[];
  /** As their latest session has them. */
  readonly performer: Performer | null;
}

async function knownOf(key: string): Promise<Known | 'nobody'> {
  const { members } = await readSquad();
  const member = members.find((m) => m.key === key);
  if (!member) return 'nobody';
  const performer = await performerIn(member.sessions[0]?.id ?? member.asReference[0]?.id, key);
  return { member, others: members.filter((m) => m !== member), performer };
}

/** One athlete: who they are, what they have agreed to, what they work on, and every session of theirs. */
export function AthleteScreen(): ReactNode {
  const { key = '' } = useParams();
  const navigate = useNavigate();
  const [known, setKnown] = useState<Known | 'nobody' | null>(null);
  const refresh = (): void => void knownOf(key).then(setKnown);
  useEffect(() => {
    let current = true;
    void knownOf(key).then((of) => current && setKnown(of));
    return () => {
      current = false;
    };
  }, [key]);
  if (known === null)
    return (
      <main className="page" role="status">
        {TEXT.lookingForAthlete}
      </main>
    );
  if (known === 'nobody')
    return (
      <main className="page">
        <p>{TEXT.noSessionOrRecordIn}</p>
        <Link to="/">{TEXT.allAthletes}</Link>
      </main>
    );
  const { member, others, performer } = known;
  const { record, name, picture } = member;
  const today = format(new Date(), 'yyyy-MM-dd');
  const facts = [
    record?.squad,
    record?.birthYear == null ? null : TEXT.bornBirthYear(record.birthYear),
    record?.birthYear == null
      ? performer?.minor && TEXT.underAge
      : mayBeMinor(record.birthYear, today) && TEXT.mayBeUnderAge,
  ].filter(Boolean);
  return (
    <main className="page">
      <div className="inner">
        <p style={{ margin: '0 0 8px' }}>
          <Link to="/">{TEXT.allAthletes}</Link>
        </p>
        <div style={{ display: 'flex', gap: 14, alignItems: 'center', marginBottom: 12 }}>
          <PersonPicture name={name} picture={picture} size={64} />
          <div>
            <Typography variant="h1">{name}</Typography>
            {facts.length > 0 && <span className="note">{facts.join(', ')}</span>}
          </div>
        </div>
        <div className="columns" style={{ gridTemplateColumns: 'minmax(0, 1.35fr) minmax(0, 1fr)' }}>
          <div style={{ display: 'grid', gap: 12, alignContent: 'start' }}>
            <WorksOn member={member} today={today} />
            <TheirSessions member={member} />
          </div>
          <div style={{ display: 'grid', gap: 12, alignContent: 'start' }}>
            <RecordForm member={member} performer={performer} onKept={refresh} />
            <ConsentCard member={member} performer={performer} today={today} onChanged={refresh} />
            <WhoIsIt
              member={member}
              others={others}
              onMoved={(to) => (to === key ? refresh() : void navigate(athleteAddress(to), { replace: true }))}
            />
          </div>
        </div>
      </div>
    </main>
  );
}
