import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { edit } from '../../../state/document-store';
import { clipOf, useDerived } from '../../../state/derived';
import { ClipIntake } from './clip-intake';

/** Who, which movement, which clips: asked once, changed at any time. */
export function IntakeScreen(): ReactNode {
  const { session, movement } = useDerived();
  const [days, setDays] = useState(session.daysToCompetition === null ? '' : String(session.daysToCompetition));
  const daysInvalid = days !== '' && !/^\d{1,4}$/.test(days);
  return (
    <main className="page">
      <div className="inner">
        <section style={{ display: 'flex', gap: 16, flexWrap: 'wrap', alignItems: 'flex-start', marginBottom: 16 }}>
          <TextField
            label="Session name"
            defaultValue={session.name}
            slotProps={{ htmlInput: { maxLength: 120 } }}
            onBlur={(event) => {
              const name = event.target.value.trim();
              if (name && name !== session.name) edit((s) => { s.name = name; });
            }}
            sx={{ minWidth: 320 }}
          />
          <TextField label="Movement" value={`${movement.sport}: ${movement.name}`} slotProps={{ input: { readOnly: true } }} sx={{ minWidth: 220 }} />
          <TextField
            label="Days to the next competition"
            value={days}
            error={daysInvalid}
            helperText={daysInvalid ? `“${days}” is not a number of days; leave it empty when there is none.` : 'Empty: no competition near'}
            onChange={(event) => setDays(event.target.value)}
            onBlur={() => {
              if (daysInvalid) return;
              const value = days === '' ? null : Number(days);
              if (value !== session.daysToCompetition) edit((s) => { s.daysToCompetition = value; });
            }}
          />
        </section>
        <div className="columns">
          <ClipIntake role="athlete" clip={clipOf(session, 'athlete')} />
          <ClipIntake role="reference" clip={clipOf(session, 'reference')} />
        </div>
        <Typography sx={{ mt: 2, color: 'text.secondary', maxWidth: 720 }}>
          Footage stays in this browser. Film with consent; for a minor, with a guardian’s. A fixed camera at hip height, at right angles to the movement, measures best.
        </Typography>
        {session.clips.length === 2 && <Button component={Link} to={`/s/${session.id}/look`} variant="contained" sx={{ mt: 2 }}>Go on to Look</Button>}
      </div>
    </main>
  );
}
