import type { ReactNode } from 'react';
import { trendOf, type Followed, type SessionResult } from '../../core/coaching/progress';
import { dayText, plusMinus, readingText, signed } from './format';
import { StandingMark } from './standing-mark';
import { TEXT } from '../../text/components/common';

export interface FollowedTableProps {
  readonly followed: readonly Followed[];
  readonly results: readonly SessionResult[];
  readonly chosen?: string | null;
  /** What can be done with each, where the table is not on paper. */
  readonly acts?: (followed: Followed) => ReactNode;
}

/** Every correction that was asked for: from what to what, how much more than the error, and how it stands. */
export function FollowedTable({ followed, results, chosen = null, acts }: FollowedTableProps): ReactNode {
  return (
    <table className="sheet">
      <thead>
        <tr>
          <th>{TEXT.correction}</th>
          <th className="left">{TEXT.asked}</th>
          <th>{TEXT.then}</th>
          <th>{TEXT.lastRead}</th>
          <th>{TEXT.change}</th>
          <th className="left">{TEXT.stands}</th>
          {acts && <th />}
        </tr>
      </thead>
      <tbody>
        {followed.map((f) => {
          const trend = trendOf(f.id, results.slice(f.askedIn[0]));
          const [first, last] = [trend[0], trend.at(-1)];
          const value = (of: typeof first): ReactNode =>
            of ? (
              <>
                {readingText(of.reading).value} <span className="pm">{readingText(of.reading).plusMinus}</span>
              </>
            ) : (
              '\u2013'
            );
          return (
            <tr key={f.id} className={f.id === chosen ? 'chosen' : undefined} data-testid={`followed-${f.id}`}>
              <td className="wrap">
                {f.title}
                {f.correctionVerdicts && (
                  <div className="note">
                    {f.correctionVerdicts.verdict === 'closed'
                      ? TEXT.closedByAnalystReason(f.correctionVerdicts.reason)
                      : TEXT.keptOpenByAnalystReason(f.correctionVerdicts.reason)}
                  </div>
                )}
                {f.notRead && f.standing !== 'by-eye' && (
                  <div className="note">{TEXT.notReadThisTimeNot(f.notRead)}</div>
                )}
              </td>
              <td className="left wrap">{f.askedIn.map((i) => dayText(results[i]!.on)).join(', ')}</td>
              <td>{value(first)}</td>
              <td>{trend.length > 1 ? value(last) : '\u2013'}</td>
              <td>
                {f.change && last ? (
                  <>
                    {signed(f.change.change, last.reading.unit)}{' '}
                    <span className="pm">{plusMinus(f.change.plusMinus, last.reading.unit)}</span>
                  </>
                ) : (
                  '\u2013'
                )}
              </td>
              <td className="left">
                <StandingMark standing={f.standing} />
              </td>
              {acts && <td className="acts">{acts(f)}</td>}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
