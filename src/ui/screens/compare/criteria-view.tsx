import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import type { CriterionResult, Met } from '../../../core/judgement/criteria';
import { markCriterion } from '../../../application/comparison/comparison-use-cases';
import type { Derived } from '../../../application/analysis/derived';
import { readingText } from '../../components/format';
import { StateMark } from '../../components/state-mark';
import { framesOf, goToFrames } from '../../components/go-to-frames';

const WORDS: Readonly<Record<Met, string>> = { yes: 'met', partly: 'partly', no: 'not met', open: 'open' };

/** The criteria sheet: every criterion with the frame that proves it, gates, and what the analyst says by eye. */
export function CriteriaView({ derived }: { readonly derived: Derived }): ReactNode {
  const { sheet, movement, session } = derived;
  const navigate = useNavigate();
  const [asking, setAsking] = useState<CriterionResult | null>(null);
  const [met, setMet] = useState<'yes' | 'partly' | 'no'>('yes');
  const [reason, setReason] = useState('');
  if (!sheet || !movement.sheet)
    return (
      <p>
        This movement has no criteria sheet. A movement of your own can have one: see its file or “Change the movement”
        at Intake.
      </p>
    );
  const group = (must: boolean): ReactNode => (
    <>
      <tr>
        <th colSpan={5} className="left">
          {must ? 'Must be there' : 'Counts extra'}
        </th>
      </tr>
      {sheet.results
        .filter((r) => r.criterion.must === must)
        .map((result) => {
          const { criterion, judged, byEye } = result;
          return (
            <tr key={criterion.id} data-testid={`criterion-${criterion.id}`}>
              <td className="wrap">
                {judged ? (
                  <button
                    type="button"
                    className="row"
                    onClick={() =>
                      goToFrames(navigate, session.id, framesOf(judged.athlete, judged.reference), judged.measure.id)
                    }
                  >
                    {criterion.name}
                  </button>
                ) : (
                  criterion.name
                )}
                {byEye && <div className="reason">by eye: {byEye.reason}</div>}
              </td>
              <td className="left">{judged && <StateMark state={judged.state} />}</td>
              <td>
                {judged ? (
                  <>
                    {readingText(judged.athlete).value}{' '}
                    <span className="pm">{readingText(judged.athlete).plusMinus}</span>
                  </>
                ) : (
                  '–'
                )}
              </td>
              <td className="left">
                {WORDS[result.met]}, {result.points} of {criterion.points}
              </td>
              <td>
                {byEye ? (
                  <Button size="small" onClick={() => markCriterion(criterion.id, null)}>
                    By the measure again
                  </Button>
                ) : (
                  <Button
                    size="small"
                    onClick={() => {
                      setAsking(result);
                      setMet(result.met === 'open' ? 'yes' : result.met === 'yes' ? 'no' : 'yes');
                      setReason('');
                    }}
                  >
                    Mark by eye
                  </Button>
                )}
              </td>
            </tr>
          );
        })}
    </>
  );
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {movement.sheet.name}: {sheet.points} of {sheet.most} points{sheet.open > 0 ? `, ${sheet.open} still open` : ''}
      </Typography>
      {sheet.held.map((gate) => (
        <div key={gate.because} className="caution" style={{ marginBottom: 8 }}>
          Held at {gate.most}: {gate.because}.
        </div>
      ))}
      <table className="sheet">
        <thead>
          <tr>
            <th>Criterion</th>
            <th className="left">State</th>
            <th>Athlete</th>
            <th className="left">Points</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {group(true)}
          {group(false)}
        </tbody>
      </table>
      <p className="note">
        Full points on target, half where it is borderline or lies within the measuring error. Source:{' '}
        {movement.sheet.source}.
      </p>
      <Dialog open={asking !== null} onClose={() => setAsking(null)} fullWidth maxWidth="xs">
        <DialogTitle>{asking?.criterion.name}: by eye</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          <TextField
            select
            label="Is it met?"
            value={met}
            onChange={(event) => setMet(event.target.value as 'yes')}
            sx={{ mt: 1 }}
          >
            <MenuItem value="yes">Met</MenuItem>
            <MenuItem value="partly">Partly</MenuItem>
            <MenuItem value="no">Not met</MenuItem>
          </TextField>
          <TextField
            autoFocus
            label="Reason"
            value={reason}
            onChange={(event) => setReason(event.target.value)}
            helperText="Stands beside the criterion and in the report."
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setAsking(null)}>Cancel</Button>
          <Button
            variant="contained"
            disabled={reason.trim() === ''}
            onClick={() => {
              markCriterion(asking!.criterion.id, { met, reason: reason.trim() });
              setAsking(null);
            }}
          >
            Mark it
          </Button>
        </DialogActions>
      </Dialog>
    </section>
  );
}
