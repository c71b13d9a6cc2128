import { format } from 'date-fns';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Derived } from '../../../application/analysis/derived';
import { useHistory } from '../../../application/season/history';
import { passStages } from '../../../application/season/practice-use-cases';
import { dayText } from '../../components/format';
import { Ladder } from '../../components/ladder';
import { TEXT } from '../../../text/screens/intake';

/** What the session before this one asked the same athlete to work on, and how far each ladder has been climbed. */
export function AskedLastTime({ derived }: { readonly derived: Derived }): ReactNode {
  const { results } = useHistory(derived);
  const { session } = derived;
  const before = results?.[results.findIndex((r) => r.sessionId === session.id) - 1];
  if (!before || before.asked.length === 0) return null;
  const { ladders, passed } = session.practice;
  const practised = before.asked.filter(({ id }) => ladders[id]);
  return (
    <div style={{ margin: '0 0 14px' }} data-testid="asked-last-time">
      {TEXT.askedLastTimeDayText(dayText(before.on), before.asked.map((a) => a.title.toLowerCase()).join('; '))}{' '}
      <Link to={`/s/${session.id}/follow-up`}>{TEXT.whatBecameOfIt}</Link>
      {practised.length > 0 && (
        <details className="asked-ladders" open>
          <summary>{TEXT.whichStagesArePassed}</summary>
          {practised.map(({ id, title }) => (
            <div key={id}>
              <strong>{title}</strong>
              <Ladder
                of={title}
                stages={ladders[id]!}
                passed={passed[id] ?? []}
                onPass={(count) => passStages(id, count, format(new Date(), 'yyyy-MM-dd'))}
              />
            </div>
          ))}
        </details>
      )}
    </div>
  );
}
