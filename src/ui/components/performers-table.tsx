import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { draftCorrection } from '../../core/coaching/correction';
import { judgedCount, type Judged } from '../../core/judgement/state';
import { techniqueWords } from '../../core/judgement/technique-words';
import { eventsOf } from '../../core/model/measure';
import { measureName, type Movement } from '../../core/model/movement';
import type { Reading } from '../../core/reading';
import type { Performers, Subject } from '../../application/analysis/subjects';
import { readingText, signed } from './format';
import { JudgedSummary } from './judged-summary';
import { RoleName } from './role-name';
import { StateMark } from './state-mark';
import { TEXT } from '../../text/components/common';

interface Shown {
  readonly movement: Movement;
  readonly performers: Performers;
  /** What stands under an athlete's name. */
  readonly below?: (subject: Subject) => ReactNode;
  /** Leads to the frames of readings; left out on paper. */
  readonly onShow?: (measureId: string, readings: readonly Reading[]) => void;
}

/** A reading with its plus-minus, which may lead to the frames that prove it. */
function Value({ reading, onShow }: { readonly reading: Reading; readonly onShow?: () => void }): ReactNode {
  if (!reading.measurable) return <span title={`${reading.message}. ${reading.remedy}`}>–</span>;
  const { value, plusMinus } = readingText(reading);
  const text = (
    <>
      {value} <span className="pm">{plusMinus}</span>
    </>
  );
  if (!onShow) return text;
  return (
    <button type="button" className="row" style={{ fontWeight: 400 }} onClick={onShow}>
      {text}
    </button>
  );
}

/** How one athlete stands in one measure. */
function Standing({ judged }: { readonly judged: Judged }): ReactNode {
  const { difference, athlete, state } = judged;
  // Every cell of a table need not say that it is nothing to judge.
  if (state === 'not-judged' || state === 'not-measurable') return null;
  return (
    <div>
      <StateMark state={state} />
      {difference !== null && athlete.measurable && state === 'gap' && (
        <span className="pm"> {signed(difference, athlete.unit)}</span>
      )}
    </div>
  );
}

/** Readings moment by moment: a column for every athlete, then one for every reference. */
export function PerformersTable({ movement, performers: { subjects, references }, below, onShow }: Shown): ReactNode {
  const columns = 1 + subjects.length + references.length;
  const rows = movement.measures.map((measure, i) => ({
    measure,
    of: subjects.map(({ judged }) => judged[i]!),
    shown: references.map(({ readings }) => readings[i]!),
  }));
  return (
    <div style={{ overflowX: 'auto' }}>
      <table className="sheet" data-testid="performers">
        <thead>
          <tr style={{ verticalAlign: 'top' }}>
            <th scope="col">{TEXT.measure}</th>
            {subjects.map((subject) => (
              <th key={subject.clip.id} scope="col">
                <RoleName role={subject.clip.styleKey} name={subject.clip.trial.clip.performer.name} />
                {below?.(subject)}
              </th>
            ))}
            {references.map(({ clip }) => (
              <th key={clip.id} scope="col">
                <RoleName role={clip.styleKey} name={clip.trial.clip.performer.name} />
              </th>
            ))}
          </tr>
        </thead>
        {movement.moments.map((moment) => {
          const own = rows.filter(
            ({ measure, of, shown }) =>
              eventsOf(measure)[0] === moment.id &&
              [...of.map((j) => j.athlete), ...shown].some((reading) => reading.measurable),
          );
          return own.length === 0 ? null : (
            <tbody key={moment.id}>
              <tr>
                <th scope="rowgroup" colSpan={columns} className="left of-moment">
                  {moment.name}
                </th>
              </tr>
              {own.map(({ measure, of, shown }) => (
                <tr key={measure.id} data-testid={`performers-${measure.id}`}>
                  <td className="wrap">{measure.name}</td>
                  {of.map((judged, k) => (
                    <td key={subjects[k]!.clip.id} data-state={judged.state}>
                      <Value
                        reading={judged.athlete}
                        {...(onShow && { onShow: () => onShow(measure.id, [judged.athlete, judged.reference]) })}
                      />
                      <Standing judged={judged} />
                    </td>
                  ))}
                  {shown.map((reading, k) => (
                    <td key={references[k]!.clip.id}>
                      <Value reading={reading} {...(onShow && { onShow: () => onShow(measure.id, [reading]) })} />
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          );
        })}
      </table>
    </div>
  );
}

/** What one athlete is to work on. */
export function WorkOf({ subject }: { readonly subject: Subject }): ReactNode {
  const { movement, technique } = subject;
  const { performer } = subject.clip.trial.clip;
  const gaps = subject.gaps.map((gap) => ({ gap, said: draftCorrection(movement, gap, performer.minor) }));
  return (
    <section className="card" data-testid={`work-of-${subject.clip.id}`}>
      <Typography variant="h2" gutterBottom>
        <RoleName role={subject.clip.styleKey} name={performer.name} />
      </Typography>
      {technique && <p className="note">{techniqueWords(movement, technique)}</p>}
      <JudgedSummary judged={subject.judged} />
      {gaps.length === 0 ? (
        judgedCount(subject.judged).judged > 0 && <p style={{ margin: 0 }}>{TEXT.noGapBeyondError}</p>
      ) : (
        <ol style={{ margin: 0, paddingLeft: 20 }}>
          {gaps.map(({ gap, said }) => (
            <li key={said.measureId}>
              <strong>{measureName(movement, gap.judged.measure)}</strong>. {said.seen}; {TEXT.shouldBeWithin}{' '}
              {said.shouldBe}.
              {gap.willFollow.length > 0 &&
                ` ${TEXT.followFromIt(gap.willFollow.map((f) => f.judged.measure.name).join(', '))}`}
              {said.caution && <div className="caution">{said.caution}</div>}
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
