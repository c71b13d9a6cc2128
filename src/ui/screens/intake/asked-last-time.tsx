import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Derived } from '../../../state/derived';
import { useHistory } from '../../../state/history';
import { dayText } from '../../components/format';

/** What the session before this one asked the same athlete to work on. */
export function AskedLastTime({ derived }: { readonly derived: Derived }): ReactNode {
  const { results } = useHistory(derived);
  const before = results?.[results.findIndex((r) => r.sessionId === derived.session.id) - 1];
  if (!before || before.asked.length === 0) return null;
  return (
    <p style={{ margin: '0 0 14px' }} data-testid="asked-last-time">
      Asked last time, {dayText(before.on)}: {before.asked.map((a) => a.title.toLowerCase()).join('; ')}.{' '}
      <Link to={`/s/${derived.session.id}/follow-up`}>What became of it</Link>
    </p>
  );
}
