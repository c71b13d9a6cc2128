import type { ReactNode } from 'react';
import { doseText } from '../../../core/coaching/ladder';
import { dayOf } from '../../../core/model/session';
import type { Derived } from '../../../application/analysis/derived';
import { practiceOf } from '../../../application/season/practice-use-cases';
import { PracticeStrip } from '../../components/practice-strip';
import { TEXT } from '../../../text/screens/report';

/** The weeks to come on paper: when each correction is practised, and the stage it is at. */
export function PracticePart({ derived }: { readonly derived: Derived }): ReactNode {
  const { corrections, plan } = practiceOf(derived);
  const practised = corrections.filter(({ ladder }) => ladder.length > 0);
  if (practised.length === 0) return null;
  return (
    <section data-testid="practice-part">
      <h2>{TEXT.practice}</h2>
      <PracticeStrip
        plan={plan}
        names={new Map(practised.map(({ id, title }) => [id, title]))}
        on={dayOf(derived.session)}
      />
      <ul>
        {practised.map(({ id, title, ladder, passed }) => {
          const stage = ladder[Math.min(passed.length, ladder.length - 1)]!;
          return (
            <li key={id}>
              <strong>{title}</strong>,{' '}
              {passed.length < ladder.length ? (
                <>
                  {TEXT.stageCountOfCount2Drill(
                    passed.length + 1,
                    ladder.length,
                    stage.drill,
                    doseText(stage),
                    stage.pass,
                    stage.ifNot,
                  )}
                </>
              ) : (
                TEXT.allCountStagesArePassed(ladder.length)
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
