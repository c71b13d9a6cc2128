import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { cautionsFor } from '../../../core/judgement/cautions';
import type { Judged } from '../../../core/judgement/state';
import { measureName } from '../../../core/model/movement';
import type { Derived } from '../../../application/analysis/derived';
import { decide, reorder } from '../../../application/findings/finding-use-cases';
import { FilmingList } from '../../components/filming-list';
import { StateMark } from '../../components/state-mark';
import { TEXT } from '../../../text/screens/decide';

/** What is good, what waits, what to film better, and the cautions that always stand. */
export function AsideOfPlan({
  derived,
  ids,
}: {
  readonly derived: Derived;
  readonly ids: readonly string[];
}): ReactNode {
  const { movement, judged, priorities, plan, session, decisions } = derived;
  const strengths = judged.filter((j) => j.state === 'strength');
  const good = session.notes.filter((n) => n.kind === 'good' && n.text);
  const onTarget = judged.filter((j) => j.state === 'on-target');
  const styles = judged.filter((j) => j.state === 'style');
  const betterThan = judged.filter(
    (j) => j.referenceState === 'gap' && (j.state === 'strength' || j.state === 'on-target'),
  );
  const nameOf = ({ measure }: Judged): string => measureName(movement, measure);
  const minor = derived.athlete?.clip.performer.minor ?? false;
  return (
    <div style={{ display: 'grid', gap: 12, alignContent: 'start' }}>
      <section className="card">
        <Typography variant="h2" gutterBottom>
          {TEXT.strengths}
        </Typography>
        {strengths.length + onTarget.length === 0 && <p>{TEXT.noneStandsOutOfMeasuring}</p>}
        <ul style={{ margin: 0, paddingLeft: 18 }}>
          {good.map((note) => (
            <li key={note.id} data-testid="strength-by-eye">
              {note.text} <span className="pm">{TEXT.seenByEye}</span>
            </li>
          ))}
          {strengths.map((j) => (
            <li key={j.measure.id} data-testid="strength">
              {nameOf(j)}
            </li>
          ))}
        </ul>
        {onTarget.length > 0 && (
          <p style={{ margin: '6px 0 0' }}>{TEXT.goodAsItIsOn(onTarget.map(nameOf).join('; '))}</p>
        )}
        {betterThan.length > 0 && (
          <p style={{ margin: '6px 0 0' }}>{TEXT.metHereAndMissedBy(betterThan.map(nameOf).join('; '))}</p>
        )}
      </section>
      {(priorities.parked.length > 0 ||
        priorities.dropped.length > 0 ||
        styles.length > 0 ||
        plan.crowdedOut.length > 0) && (
        <section className="card">
          <Typography variant="h2" gutterBottom>
            {TEXT.notNow}
          </Typography>
          {plan.crowdedOut.map((gap) => (
            <div key={gap.judged.measure.id}>
              <strong>{gap.judged.measure.name}</strong>
              {TEXT.yourOwnCorrectionsComeBefore}
            </div>
          ))}
          {priorities.parked.map(({ gap, why }) => (
            <div key={gap.judged.measure.id}>
              <strong>{gap.judged.measure.name}</strong>: {why}.{' '}
              <Button
                onClick={() => {
                  decide(gap.judged.measure.id, { verdict: 'keep', reason: TEXT.analystsChoice });
                  reorder([gap.judged.measure.id, ...ids]);
                }}
              >
                {TEXT.workOnItNow}
              </Button>
            </div>
          ))}
          {priorities.dropped.map(({ gap, reason }) => (
            <div key={gap.judged.measure.id}>
              <strong>{gap.judged.measure.name}</strong>
              {TEXT.droppedReason(reason)}{' '}
              <Button onClick={() => decide(gap.judged.measure.id, null)}>{TEXT.withdraw}</Button>
            </div>
          ))}
          {styles.map((j) => (
            <div key={j.measure.id}>
              <StateMark state="style" /> <strong>{j.measure.name}</strong>: “
              {decisions.find((d) => d.measureId === j.measure.id)?.reason}”.{' '}
              <Button onClick={() => decide(j.measure.id, null)}>{TEXT.withdraw}</Button>
            </div>
          ))}
        </section>
      )}
      <FilmingList derived={derived} />
      {judged.length > 0 &&
        cautionsFor(movement, [], minor).map((text) => (
          <div key={text} className="caution">
            {text}
          </div>
        ))}
    </div>
  );
}
