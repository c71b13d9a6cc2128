import SwapVertIcon from '@mui/icons-material/SwapVert';
import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { format } from 'date-fns';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import type { Side } from '../../../core/anatomy/body-points';
import { mayBeMinor } from '../../../core/model/athlete';
import type { Role } from '../../../core/model/clip';
import { LIMITS } from '../../../core/model/limits';
import { recordOf } from '../../../application/season/athlete-use-cases';
import { named, startWith, type LastTime } from '../../../application/intake/quick-start';
import { MOVEMENTS } from '../../../movements';
import { AthleteName } from '../../components/athlete-name';
import { RoleName } from '../../components/role-name';
import { TEXT } from '../../../text/screens/home';

/** What is asked of each performer. */
interface Said {
  readonly name: string;
  readonly athleteId: string | undefined;
  readonly minor: boolean;
  readonly travel: Side;
}

const saidOf = ({ offered }: LastTime, role: Role): Said => {
  const { performer, travel } = offered[role];
  return { name: performer.name, athleteId: performer.athleteId, minor: performer.minor, travel };
};

interface QuickStartProps {
  /** One or two videos: the athlete's, then the reference's. */
  readonly files: readonly File[];
  readonly last: LastTime;
  readonly onClose: () => void;
}

const ROLES = ['athlete', 'reference'] as const;

/** From videos to both pictures side by side: who is in them, what they do, and that they agree. */
export function QuickStart({ files, last, onClose }: QuickStartProps): ReactNode {
  const navigate = useNavigate();
  const [swapped, setSwapped] = useState(false);
  const [said, setSaid] = useState(() => ({ athlete: saidOf(last, 'athlete'), reference: saidOf(last, 'reference') }));
  const [movementId, setMovementId] = useState(last.movementId);
  const [problem, setProblem] = useState<string | null>(null);
  const [reading, setReading] = useState(false);
  const fileOf = (role: Role): File | undefined => {
    const [first, second] = swapped ? [files[1], files[0]] : files;
    return role === 'athlete' ? first : second;
  };
  const today = format(new Date(), 'yyyy-MM-dd');
  const roles = ROLES.filter((role) => fileOf(role));
  const nameless = roles.some((role) => said[role].name.trim() === '');
  const say = (role: Role, part: Partial<Said>): void => setSaid({ ...said, [role]: { ...said[role], ...part } });

  const start = async (): Promise<void> => {
    setReading(true);
    setProblem(null);
    const records = await Promise.all(roles.map((role) => recordOf(said[role])));
    const gone = records.find((record) => record?.withdrawnOn != null);
    if (gone) {
      setReading(false);
      return setProblem(TEXT.nameHasWithdrawnConsentNo(gone.name));
    }
    const started = await startWith(
      roles.map((role, i) => {
        const { travel, ...who } = said[role];
        const offered = named(last.offered[role], { ...who, name: who.name.trim(), record: records[i]! });
        const performer = { ...offered.performer, consent: true };
        return { role, file: fileOf(role)!, offered: { ...offered, performer, travel } };
      }),
      `${said.athlete.name.trim()}, ${format(new Date(), 'd MMMM yyyy')}`.slice(0, LIMITS.name),
      movementId,
    );
    setReading(false);
    if (started.ok) void navigate(`/s/${started.value}/review`);
    else setProblem(TEXT.messageCreateSessionAndGive(started.issue.message));
  };

  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!nameless && !reading) void start();
        }}
      >
        <DialogTitle>{roles.length === 1 ? TEXT.whoIsInIt : TEXT.whoIsInThem}</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
          {roles.map((role, i) => (
            <div key={role}>
              <div style={{ display: 'flex', gap: 8, alignItems: 'center', marginBottom: 8 }}>
                <RoleName role={role} name={role === 'athlete' ? TEXT.athlete : TEXT.reference} />
                <span className="note">{fileOf(role)!.name}</span>
              </div>
              <div style={{ display: 'flex', gap: 8 }}>
                <AthleteName
                  label={TEXT.nameOfRole(role)}
                  size="small"
                  autoFocus={i === 0}
                  name={said[role].name}
                  athleteId={said[role].athleteId}
                  onChange={({ name, athleteId, record }) =>
                    say(role, {
                      name,
                      athleteId,
                      ...(record?.birthYear == null ? {} : { minor: mayBeMinor(record.birthYear, today) }),
                    })
                  }
                />
                <TextField
                  select
                  label={TEXT.movesInPicture}
                  size="small"
                  value={said[role].travel}
                  onChange={({ target }) => say(role, { travel: target.value as Said['travel'] })}
                  sx={{ minWidth: 150 }}
                >
                  <MenuItem value="right">{TEXT.toRight}</MenuItem>
                  <MenuItem value="left">{TEXT.toLeft}</MenuItem>
                </TextField>
                <FormControlLabel
                  control={
                    <Checkbox
                      checked={said[role].minor}
                      onChange={({ target }) => say(role, { minor: target.checked })}
                    />
                  }
                  label={TEXT.underAge}
                  sx={{ flex: 'none' }}
                />
              </div>
            </div>
          ))}
          {files.length > 1 && (
            <Button startIcon={<SwapVertIcon />} sx={{ justifySelf: 'start' }} onClick={() => setSwapped(!swapped)}>
              {TEXT.exchangeVideos}
            </Button>
          )}
          <TextField
            select
            label={TEXT.movement}
            size="small"
            value={movementId}
            onChange={({ target }) => setMovementId(target.value)}
          >
            {MOVEMENTS.map((m) => (
              <MenuItem key={m.id} value={m.id}>
                {m.sport}: {m.name}
              </MenuItem>
            ))}
          </TextField>
          <p className="note" style={{ margin: 0 }}>
            {TEXT.viewAndRateAreTaken}
          </p>
          {problem && <Alert severity="error">{problem}</Alert>}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>{TEXT.cancel}</Button>
          <Button type="submit" variant="contained" disabled={nameless || reading}>
            {reading ? TEXT.readingVideos : TEXT.consentIsGivenStart}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
