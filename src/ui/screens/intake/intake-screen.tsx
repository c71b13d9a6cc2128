import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { edit } from '../../../state/document-store';
import { clipOf, useDerived } from '../../../state/derived';
import { useCommittedText } from '../../components/use-committed-text';
import { ClipIntake } from './clip-intake';

const isDays = (text: string): boolean => /^\s*\d{0,4}\s*$/.test(text);

/** Who, which movement, which clips: asked once, changed at any time. */
export function IntakeScreen(): ReactNode {
  const { session, movement } = useDerived();
  const name = useCommittedText(session.name, (text) => {
    if (text.trim()) edit((s) => { s.name = text.trim(); });
  });
  const days = useCommittedText(session.daysToCompetition === null ? '' : String(session.daysToCompetition), (text) => {
    if (isDays(text)) edit((s) => { s.daysToCompetition = text.trim() === '' ? null : Number(text); });
  });
  return (
    <main className="page">
      <div className="inner">
        <section style={{ display: 'flex', gap: 16, flexWrap: 'wrap', alignItems: 'flex-start', marginBottom: 16 }}>
          <TextField
            label="Session name"
            slotProps={{ htmlInput: { maxLength: 120 } }}
            {...name}
            sx={{ minWidth: 320 }}
          />
          <TextField label="Movement" value={`${movement.sport}: ${movement.name}`} slotProps={{ input: { readOnly: true } }} sx={{ minWidth: 220 }} />
          <TextField
            label="Days to the next competition"
            {...days}
            error={!isDays(days.value)}
            helperText={isDays(days.value) ? 'Empty: no competition near' : `“${days.value}” is not a number of days; leave it empty when there is none.`}
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
