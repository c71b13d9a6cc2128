import ArrowDownwardIcon from '@mui/icons-material/ArrowDownward';
import ArrowUpwardIcon from '@mui/icons-material/ArrowUpward';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import IconButton from '@mui/material/IconButton';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { cautionsFor } from '../../../core/assessment/cautions';
import type { Judged } from '../../../core/assessment/state';
import type { RankedGap, ScoreParts } from '../../../core/assessment/priority';
import { draftCorrection } from '../../../core/coaching/correction';
import { momentsOf } from '../../../core/model/movement';
import { useDerived } from '../../../state/derived';
import { decide, reorder } from '../../../state/use-cases';
import { CorrectionCard } from '../../components/correction-card';
import { SessionFrame } from '../../components/session-frame';
import { StateMark } from '../../components/state-mark';

const ORDINAL = ['First', 'Second', 'Third'];

/** The gaps in the order in which to work on them; the analyst has the last word. */
export function DecideScreen(): ReactNode {
  const derived = useDerived();
  const { movement, judged, priorities } = derived;
  const [asking, setAsking] = useState<{ id: string; name: string; verdict: 'drop' | 'style' } | null>(null);
  const [reason, setReason] = useState('');
  const ids = priorities.proposed.map((gap) => gap.judged.measure.id);
  const move = (from: number, to: number): void => {
    const next = [...ids];
    const [moved] = next.splice(from, 1);
    next.splice(to, 0, moved!);
    reorder([...next, ...priorities.parked.map(({ gap }) => gap.judged.measure.id)]);
  };
  const strengths = judged.filter((j) => j.state === 'strength');
  const onTarget = judged.filter((j) => j.state === 'on-target');
  const nameOf = ({ measure }: Judged): string => `${measure.name}, ${movement.moments.find((m) => m.id === momentsOf(measure)[0])!.name.toLowerCase()}`;
  const unmeasured = judged.filter((j) => j.state === 'not-measurable');
  const styles = judged.filter((j) => j.state === 'style');
  const minor = derived.athlete?.clip.performer.minor ?? false;
  return (
    <SessionFrame step="decide">
      <main className="page">
        <div className="inner">
          <Typography variant="h1" gutterBottom>What to work on</Typography>
          {judged.length === 0 && <p>Corrections are proposed here once both clips are measured. Work through Intake, Moments and Measure first.</p>}
          <div className="columns" style={{ gridTemplateColumns: 'minmax(0, 1.7fr) minmax(0, 1fr)' }}>
            <div style={{ display: 'grid', gap: 12, alignContent: 'start' }}>
              {priorities.proposed.map((gap, i) => (
                <section key={gap.judged.measure.id} className="card" data-testid="proposed" data-measure={gap.judged.measure.id}>
                  <CorrectionCard correction={draftCorrection(movement, gap)} place={ORDINAL[i]!} moment={movement.moments.find((m) => m.id === momentsOf(gap.judged.measure)[0])!.name} />
                  <ScoreLine gap={gap} />
                  <div>
                    <IconButton aria-label={`Move ${gap.judged.measure.name} up`} disabled={i === 0} onClick={() => move(i, i - 1)}><ArrowUpwardIcon /></IconButton>
                    <IconButton aria-label={`Move ${gap.judged.measure.name} down`} disabled={i === ids.length - 1} onClick={() => move(i, i + 1)}><ArrowDownwardIcon /></IconButton>
                    <Button onClick={() => setAsking({ id: gap.judged.measure.id, name: gap.judged.measure.name, verdict: 'drop' })}>Drop with a reason</Button>
                    <Button onClick={() => setAsking({ id: gap.judged.measure.id, name: gap.judged.measure.name, verdict: 'style' })}>Style, leave alone</Button>
                  </div>
                </section>
              ))}
            </div>
            <div style={{ display: 'grid', gap: 12, alignContent: 'start' }}>
              <section className="card">
                <Typography variant="h2" gutterBottom>Strengths</Typography>
                {strengths.length + onTarget.length === 0 && <p>None stands out of the measuring error yet.</p>}
                <ul style={{ margin: 0, paddingLeft: 18 }}>
                  {strengths.map((j) => <li key={j.measure.id} data-testid="strength">{nameOf(j)}</li>)}
                </ul>
                {onTarget.length > 0 && <p style={{ margin: '6px 0 0' }}>Good as it is: {onTarget.map(nameOf).join('; ')}.</p>}
              </section>
              {(priorities.parked.length > 0 || priorities.dropped.length > 0 || styles.length > 0) && (
                <section className="card">
                  <Typography variant="h2" gutterBottom>Not now</Typography>
                  {priorities.parked.map(({ gap, why }) => (
                    <div key={gap.judged.measure.id}><strong>{gap.judged.measure.name}</strong>: {why}. <Button onClick={() => { decide(gap.judged.measure.id, { verdict: 'keep', reason: 'wanted by the analyst' }); reorder([gap.judged.measure.id, ...ids]); }}>Work on it now</Button></div>
                  ))}
                  {priorities.dropped.map(({ gap, reason: why }) => (
                    <div key={gap.judged.measure.id}><strong>{gap.judged.measure.name}</strong>: dropped, “{why}”. <Button onClick={() => decide(gap.judged.measure.id, null)}>Take it back</Button></div>
                  ))}
                  {styles.map((j) => (
                    <div key={j.measure.id}><StateMark state="style" /> <strong>{j.measure.name}</strong>: “{derived.session.decisions.find((d) => d.measureId === j.measure.id)?.reason}”. <Button onClick={() => decide(j.measure.id, null)}>Take it back</Button></div>
                  ))}
                </section>
              )}
              {unmeasured.length > 0 && (
                <section className="card">
                  <Typography variant="h2" gutterBottom>Film next time</Typography>
                  <ul style={{ margin: 0, paddingLeft: 18 }}>
                    {unmeasured.map((j) => {
                      const blocked = !j.athlete.measurable ? j.athlete : j.reference;
                      return <li key={j.measure.id}>{j.measure.name}: {blocked.measurable ? '' : `${blocked.message}. ${blocked.remedy}`}</li>;
                    })}
                  </ul>
                </section>
              )}
              {judged.length > 0 && cautionsFor(movement, [], minor).map((text) => <div key={text} className="caution">{text}</div>)}
            </div>
          </div>
        </div>
      </main>
      <Dialog open={asking !== null} onClose={() => setAsking(null)} fullWidth maxWidth="xs">
        <DialogTitle>{asking?.verdict === 'style' ? 'A personal style?' : 'Drop this correction?'}</DialogTitle>
        <DialogContent>
          <TextField autoFocus fullWidth label="Reason" value={reason} onChange={(event) => setReason(event.target.value)} sx={{ mt: 1 }} helperText={`Kept with “${asking?.name ?? ''}” and shown in the report.`} />
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setAsking(null)}>Cancel</Button>
          <Button
            variant="contained"
            disabled={reason.trim() === ''}
            onClick={() => {
              decide(asking!.id, { verdict: asking!.verdict, reason: reason.trim() });
              setAsking(null);
              setReason('');
            }}
          >
            {asking?.verdict === 'style' ? 'Mark as style' : 'Drop'}
          </Button>
        </DialogActions>
      </Dialog>
    </SessionFrame>
  );
}

const PART_NAMES: readonly (readonly [keyof ScoreParts, string])[] = [
  ['size', 'size'],
  ['confidence', 'sure'],
  ['importance', 'importance'],
  ['fromConsequences', 'from consequences'],
];

function ScoreLine({ gap }: { readonly gap: RankedGap }): ReactNode {
  return (
    <div style={{ fontSize: '.8rem', color: '#545c61' }}>
      Score {gap.score.toFixed(2)}: {PART_NAMES.map(([key, name]) => `${name} ${Number(gap.parts[key]).toFixed(2)}`).join(', ')}{gap.parts.risk ? ', risk first' : ''}
    </div>
  );
}
