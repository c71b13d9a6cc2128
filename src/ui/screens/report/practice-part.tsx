import type { ReactNode } from 'react';
import { dayOf } from '../../../core/model/session';
import type { Derived } from '../../../state/derived';
import { practiceOf } from '../../../state/practice-use-cases';
import { Ladder } from '../../components/ladder';
import { PracticeStrip } from '../decide/practice-strip';

/** The weeks to come on paper: when each correction is practised, and its stages. */
export function PracticePart({ derived }: { readonly derived: Derived }): ReactNode {
  const { corrections, plan } = practiceOf(derived);
  const practised = corrections.filter(({ ladder }) => ladder.length > 0);
  if (practised.length === 0) return null;
  return (
    <section data-testid="practice-part">
      <h2>Practice</h2>
      <PracticeStrip
        plan={plan}
        names={new Map(practised.map(({ id, title }) => [id, title]))}
        on={dayOf(derived.session)}
      />
      {practised.map(({ id, title, ladder, passed }) => (
        <div key={id} style={{ breakInside: 'avoid' }}>
          <h3>{title}</h3>
          <Ladder of={title} stages={ladder} passed={passed} />
        </div>
      ))}
    </section>
  );
}
