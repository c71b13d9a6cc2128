import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { SessionResult } from '../../../core/coaching/progress';
import { resultText, setUpChanges } from '../../../core/model/conditions';
import { dayText } from '../../components/format';
import { TEXT } from '../../../text/screens/follow-up';

/** Results and set-ups beside the changes: what moved may have moved because of other shoes. */
export function ConditionsCard({ results }: { readonly results: readonly SessionResult[] }): ReactNode {
  if (results.every(({ setUp, result }) => setUp.length === 0 && result === null)) return null;
  const allChanges = setUpChanges(results.map(({ setUp }) => setUp));
  return (
    <section className="card" data-testid="conditions">
      <Typography variant="h2" gutterBottom>
        {TEXT.resultsAndSetUp}
      </Typography>
      <table className="sheet">
        <thead>
          <tr>
            <th className="left">{TEXT.session}</th>
            <th className="left">{TEXT.result}</th>
            <th className="left">{TEXT.setUp}</th>
          </tr>
        </thead>
        <tbody>
          {results.map(({ sessionId, on, setUp, result }, i) => {
            const changes = allChanges[i]!;
            return (
              <tr key={sessionId}>
                <td className="left">{dayText(on)}</td>
                <td className="left">{result ? resultText(result) : '\u2013'}</td>
                <td className="left wrap">
                  {changes.map(({ what, before, now }) => (
                    <div key={what}>
                      <strong>{TEXT.otherWhatNow(what.toLowerCase(), now)}</strong>{' '}
                      <span className="pm">{TEXT.before(before)}</span>
                    </div>
                  ))}
                  {setUp
                    .filter(({ what }) => !changes.some((change) => change.what === what))
                    .map(({ what, value }) => `${what.toLowerCase()} ${value}`)
                    .join('; ') || (changes.length === 0 ? '\u2013' : '')}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="pm">{TEXT.measureThatMovedWithSet}</p>
    </section>
  );
}
