import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import type { Result } from '../../../core/result';
import { mergeAthletes, splitAthlete, type TakeBack } from '../../../application/season/athlete-use-cases';
import { notify } from '../../../application/stores/notices';
import type { SquadMember } from '../../../application/season/squad';
import { dayText } from '../../components/format';
import { TEXT } from '../../../text/screens/athlete';

interface WhoIsItProps {
  readonly member: SquadMember;
  readonly others: readonly SquadMember[];
  /** Called with the key of whom to look at now. */
  readonly onMoved: (key: string) => void;
}

const told = (member: SquadMember): string => {
  const { name, record, sessions, asReference } = member;
  const of = [
    record?.squad,
    record?.birthYear == null ? null : TEXT.bornBirthYear(record.birthYear),
    TEXT.countSessions(sessions.length + asReference.length),
  ];
  return `${name} (${of.filter(Boolean).join(', ')})`;
};

/** Two names of one person are brought together; two persons of one name are told apart. */
export function WhoIsIt({ member, others, onMoved }: WhoIsItProps): ReactNode {
  const [into, setInto] = useState<SquadMember | null>(null);
  const [elsewhere, setElsewhere] = useState<readonly string[]>([]);
  const all = [...member.sessions, ...member.asReference];
  /** Says what was done, and offers to take it back. */
  const tell = (text: string, takeBack: TakeBack): void =>
    notify('info', text, {
      label: TEXT.undo,
      run: () =>
        void takeBack().then((back: Result<null, { code: string; message: string }>) => {
          if (back.ok) onMoved(member.key);
          else notify('error', back.issue.message);
        }),
    });
  const merge = async (): Promise<void> => {
    if (!into) return;
    const merged = await mergeAthletes(member, into);
    if (!merged.ok) return notify('error', merged.issue.message);
    tell(TEXT.nameAndName2AreOne(member.name, into.name), merged.value);
    onMoved(into.key);
  };
  const split = async (): Promise<void> => {
    const done = await splitAthlete(member, elsewhere);
    if (!done.ok) return notify('error', done.issue.message);
    setElsewhere([]);
    tell(TEXT.anotherNameHasRecordOf(member.name), done.value.takeBack);
    onMoved(done.value.record.id);
  };
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.whoItIs}
      </Typography>
      {others.length > 0 && (
        <div style={{ display: 'flex', gap: 8, alignItems: 'center', marginBottom: 10 }}>
          <Autocomplete
            size="small"
            sx={{ flex: 1 }}
            options={others}
            value={into}
            getOptionLabel={told}
            getOptionKey={({ key }) => key}
            onChange={(_, chosen) => setInto(chosen)}
            renderInput={(params) => <TextField {...params} label={TEXT.isSamePersonAs} />}
          />
          <Button size="small" disabled={!into} onClick={() => void merge()}>
            {TEXT.merge}
          </Button>
        </div>
      )}
      {all.length > 1 && (
        <details>
          <summary>{TEXT.someSessionsShowAnotherPerson}</summary>
          <div style={{ display: 'grid', margin: '6px 0' }}>
            {all.map(({ id, name, on }) => (
              <FormControlLabel
                key={id}
                label={`${name}, ${dayText(on)}`}
                control={
                  <Checkbox
                    size="small"
                    checked={elsewhere.includes(id)}
                    onChange={({ target }) =>
                      setElsewhere(target.checked ? [...elsewhere, id] : elsewhere.filter((e) => e !== id))
                    }
                  />
                }
              />
            ))}
          </div>
          <Button
            size="small"
            disabled={elsewhere.length === 0 || elsewhere.length === all.length}
            onClick={() => void split()}
          >
            {TEXT.giveThemRecordOfTheir}
          </Button>
        </details>
      )}
      {others.length === 0 && all.length < 2 && <p className="note">{TEXT.nobodyElseIsKnownHere}</p>}
    </section>
  );
}
