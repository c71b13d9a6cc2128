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
import { TEXT } from '../../../text/screens/compare';

const WORDS: Readonly<Record<Met, string>> = {
  yes: TEXT.metWithin,
  partly: TEXT.partlyWithin,
  no: TEXT.notMet,
  open: TEXT.openWithin,
};

/** The criteria sheet: every criterion with the frame that proves it, gates, and what the analyst says by eye. */
export function CriteriaView({ derived }: { readonly derived: Derived }): ReactNode {
  const { sheet, movement, session } = derived;
  const navigate = useNavigate();
  const [asking, setAsking] = useState<CriterionResult | null>(null);
  const [met, setMet] = useState<'yes' | 'partly' | 'no'>('yes');
  const [reason, setReason] = useState('');
  if (!sheet || !movement.sheet) return <p>{TEXT.thisMovementHasNoCriteria}</p>;
  const group = (must: boolean): ReactNode => (
    <>
      <tr>
        <th colSpan={5} className="left">
          {must ? TEXT.mustBeThere : TEXT.countsExtra}
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
                {byEye && <div className="reason">{TEXT.byEyeReason(byEye.reason)}</div>}
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
              <td className="left">{TEXT.wordsPointsOfPoints2(WORDS[result.met], result.points, criterion.points)}</td>
              <td>
                {byEye ? (
                  <Button size="small" onClick={() => markCriterion(criterion.id, null)}>
                    {TEXT.byMeasureAgain}
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
                    {TEXT.markByEye}
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
        {sheet.open > 0
          ? TEXT.namePointsOfMostPoints(movement.sheet.name, sheet.points, sheet.most, sheet.open)
          : TEXT.namePointsOfMostPointsWithName(movement.sheet.name, sheet.points, sheet.most)}
      </Typography>
      {sheet.held.map((gate) => (
        <div key={gate.because} className="caution" style={{ marginBottom: 8 }}>
          {TEXT.heldAtMostBecause(gate.most, gate.because)}
        </div>
      ))}
      <table className="sheet">
        <thead>
          <tr>
            <th>{TEXT.criterion}</th>
            <th className="left">{TEXT.state}</th>
            <th>{TEXT.athlete}</th>
            <th className="left">{TEXT.points}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {group(true)}
          {group(false)}
        </tbody>
      </table>
      <p className="note">{TEXT.fullPointsOnTargetHalf(movement.sheet.source)}</p>
      <Dialog open={asking !== null} onClose={() => setAsking(null)} fullWidth maxWidth="xs">
        <DialogTitle>
          {asking?.criterion.name}
          {TEXT.byEye}
        </DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          <TextField
            select
            label={TEXT.isItMet}
            value={met}
            onChange={(event) => setMet(event.target.value as 'yes')}
            sx={{ mt: 1 }}
          >
            <MenuItem value="yes">{TEXT.met}</MenuItem>
            <MenuItem value="partly">{TEXT.partly}</MenuItem>
            <MenuItem value="no">{TEXT.notMetLabel}</MenuItem>
          </TextField>
          <TextField
            autoFocus
            label={TEXT.reason}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
            helperText={TEXT.standsBesideCriterionAndIn}
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setAsking(null)}>{TEXT.cancel}</Button>
          <Button
            variant="contained"
            disabled={reason.trim() === ''}
            onClick={() => {
              markCriterion(asking!.criterion.id, { met, reason: reason.trim() });
              setAsking(null);
            }}
          >
            {TEXT.markIt}
          </Button>
        </DialogActions>
      </Dialog>
    </section>
  );
}
