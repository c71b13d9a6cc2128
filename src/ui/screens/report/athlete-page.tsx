import type { ReactNode } from 'react';
import { athletePage } from '../../../core/coaching/athlete-page';
import { cautionsFor } from '../../../core/judgement/cautions';
import { dayOf } from '../../../core/model/session';
import type { Derived } from '../../../application/analysis/derived';
import { dayText } from '../../components/format';
import { CorrectionPictures } from './correction-pictures';
import { useAthleteStills } from './use-stills';
import { TEXT } from '../../../text/screens/report';

/**
 * One side of paper: what is good already, then one to three corrections with their pictures, cue, drills and check.
 */
export function AthletePage({ derived }: { readonly derived: Derived }): ReactNode {
  const { session, movement, plan, judged, athlete, priorities } = derived;
  const stills = useAthleteStills(derived);
  const { name, minor } = athlete!.clip.performer;
  const page = athletePage(movement, plan.items, judged, session, minor);
  const [caution] = cautionsFor(movement, priorities.proposed, minor);
  return (
    <article
      className="athlete-page"
      data-testid="athlete-page"
      data-corrections={page.corrections.length}
      aria-busy={!stills.ready}
    >
      <header>
        <h1>{name}</h1>
        <span>
          {movement.name}, {dayText(dayOf(session), 'd MMMM yyyy')}
        </span>
      </header>
      {page.good.length > 0 && (
        <p className="good">
          <strong>{TEXT.goodAlready}</strong> {page.good.join('; ')}.
        </p>
      )}
      {page.without && <p>{page.without}</p>}
      {page.seen.length > 0 && (
        <p>
          <strong>{TEXT.seenByEye}</strong> {page.seen.join('; ')}.
        </p>
      )}
      {page.corrections.map((correction) => (
        <section key={correction.id} data-testid="athlete-correction">
          <CorrectionPictures derived={derived} of={correction} stills={stills.addresses} />
          <div>
            <h2>{correction.cue.replace(/[\u201c\u201d]/g, '')}</h2>
            <p>
              <strong>{correction.title}.</strong> {correction.seen && `${correction.seen}.`}
            </p>
            {correction.stages.length > 0 && (
              <>
                <ol>
                  {correction.stages.map(({ drill, dose }) => (
                    <li key={drill}>
                      {drill}, {dose}
                    </li>
                  ))}
                </ol>
                <p>
                  <strong>{TEXT.goOnWhen}</strong> {correction.goOn}
                </p>
              </>
            )}
            {correction.check && (
              <p>
                <strong>{TEXT.checkItYourself}</strong> {correction.check}
              </p>
            )}
            <p className="load">{correction.load}</p>
          </div>
        </section>
      ))}
      <footer>{caution}</footer>
    </article>
  );
}
