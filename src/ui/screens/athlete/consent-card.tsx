import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import type { Consent } from '../../../core/model/athlete';
import type { Performer } from '../../../core/model/clip';
import { isFilmingDay } from '../../../core/model/fields';
import {
  firstRecord,
  restoreConsent,
  saveAthlete,
  withdrawConsentOf,
} from '../../../application/season/athlete-use-cases';
import { notify } from '../../../application/stores/notices';
import type { SquadMember } from '../../../application/season/squad';
import { dayText } from '../../components/format';
import { TEXT } from '../../../text/screens/athlete';

interface ConsentCardProps {
  readonly member: SquadMember;
  readonly performer: Performer | null;
  /** Today, ISO. */
  readonly today: string;
  readonly onChanged: () => void;
}

const SCOPES: readonly (readonly [keyof Omit<Consent, 'on'>, string])[] = [
  ['film', TEXT.toBeFilmed],
  ['analyse', TEXT.toBeAnalysed],
  ['share', TEXT.thatPicturesAndReportsAre],
];

/** What an athlete, or their guardian, has agreed to and when; and what becomes of the footage when they withdraw it. */
export function ConsentCard({ member, performer, today, onChanged }: ConsentCardProps): ReactNode {
  const record = member.record ?? firstRecord(member, performer);
  const [withdrawing, setWithdrawing] = useState(false);
  const [numbers, setNumbers] = useState<'stay' | 'go'>('stay');
  const [consent, setConsent] = useState<Consent>(
    record.consent ?? { on: today, film: false, analyse: false, share: false },
  );
  const keep = async (part: Partial<Consent>): Promise<void> => {
    const changed = { ...consent, ...part };
    setConsent(changed);
    const kept = await saveAthlete({ ...record, consent: changed }, record.name);
    if (kept.ok) onChanged();
    else notify('error', kept.issue.message);
  };
  const withdraw = async (): Promise<void> => {
    setWithdrawing(false);
    const done = await withdrawConsentOf(member, numbers, today);
    if (!done.ok) return notify('error', done.issue.message);
    notify(
      'info',
      numbers === 'stay' ? TEXT.everyVideoOfNameIs(member.name) : TEXT.everyVideoOfNameIsRemoved(member.name),
    );
    onChanged();
  };
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.consent}
      </Typography>
      {record.withdrawnOn !== null ? (
        <Alert
          severity="warning"
          action={
            <Button
              color="inherit"
              size="small"
              onClick={() => void restoreConsent(record).then((kept) => kept.ok && onChanged())}
            >
              {TEXT.itWasGivenAgain}
            </Button>
          }
        >
          {TEXT.withdrawnOnDayTextTheir(dayText(record.withdrawnOn))}
        </Alert>
      ) : (
        <>
          <div style={{ display: 'grid' }}>
            {SCOPES.map(([scope, words]) => (
              <FormControlLabel
                key={scope}
                label={words}
                control={
                  <Checkbox
                    size="small"
                    sx={{ py: 0.5 }}
                    checked={consent[scope]}
                    onChange={({ target }) => void keep({ [scope]: target.checked })}
                  />
                }
              />
            ))}
          </div>
          <div style={{ display: 'flex', gap: 12, alignItems: 'center', marginTop: 8 }}>
            <TextField
              key={consent.on}
              type="date"
              size="small"
              label={TEXT.givenOn}
              defaultValue={consent.on}
              onBlur={({ target }) => {
                if (isFilmingDay(target.value) && target.value !== consent.on) void keep({ on: target.value });
              }}
              slotProps={{ inputLabel: { shrink: true } }}
            />
            <Button size="small" onClick={() => setWithdrawing(true)}>
              {TEXT.itWasWithdrawn}
            </Button>
          </div>
          {/* Last: it goes with the first tick, and no box may move under whoever ticks the next one. */}
          {record.consent === null && (
            <p className="note" style={{ marginBottom: 0 }}>
              {TEXT.nothingIsWrittenDownHere}
            </p>
          )}
        </>
      )}
      <Dialog open={withdrawing} onClose={() => setWithdrawing(false)}>
        <DialogTitle>{TEXT.removeFootageOfName(member.name)}</DialogTitle>
        <DialogContent>
          <p style={{ marginTop: 0 }}>{TEXT.everyVideoThatShowsName(member.name)}</p>
          <RadioGroup value={numbers} onChange={({ target }) => setNumbers(target.value as 'stay' | 'go')}>
            <FormControlLabel value="stay" control={<Radio />} label={TEXT.pointsAndNumbersStayDrawn} />
            <FormControlLabel value="go" control={<Radio />} label={TEXT.pointsNumbersNotesAndDrawings} />
          </RadioGroup>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setWithdrawing(false)}>{TEXT.keepIt}</Button>
          <Button variant="contained" onClick={() => void withdraw()}>
            {TEXT.removeForGood}
          </Button>
        </DialogActions>
      </Dialog>
    </section>
  );
}
