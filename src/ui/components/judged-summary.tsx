import type { ReactNode } from 'react';
import type { Judged } from '../../core/judgement/state';
import { judgedSummary } from '../../core/judgement/summary';

/** What a verdict rests on; it stands before it. */
export function JudgedSummary({ judged }: { readonly judged: readonly Judged[] }): ReactNode {
  return judged.length === 0 ? null : (
    <p className="note" data-testid="judged-summary" style={{ margin: '0 0 10px' }}>
      {judgedSummary(judged).join(' ')}
    </p>
  );
}
