import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { trendOf, type alsoMoved, type Change, type SessionResult } from '../../../core/coaching/progress';
import type { Measure } from '../../../core/model/measure';
import { dayText, plusMinus, signed } from '../../components/format';
import { TEXT } from '../../../text/screens/follow-up';

const WORDS: Readonly<Record<Change['direction'], string>> = {
  better: TEXT.nearerToItsRange,
  worse: TEXT.furtherFromItsRange,
  changed: TEXT.moved,
  same: '',
};

/** What changed beside what was asked for. */
export function AlsoMoved({
  moved,
  results,
  onChoose,
}: {
  readonly moved: ReturnType<typeof alsoMoved>;
  readonly results: readonly SessionResult[];
  readonly onChoose: (measure: Measure) => void;
}): ReactNode {
  return (
    <section className="card">
      <Typography variant="h2" gutterBottom>
        {TEXT.whatElseMoved}
      </Typography>
      {moved.length === 0 && <p>{TEXT.nothingElseByMoreThan}</p>}
      {(['worse', 'better', 'changed'] as const).map((direction) => {
        const all = moved.filter((m) => m.change.direction === direction);
        if (all.length === 0) return null;
        return (
          <div key={direction}>
            <h3 style={{ margin: '6px 0 2px', fontSize: '.92rem' }}>{WORDS[direction]}</h3>
            <ul className="plain">
              {all.map(({ measure, since, change }) => {
                const { unit } = trendOf(measure.id, results).at(-1)!.reading;
                return (
                  <li key={measure.id}>
                    <Button size="small" onClick={() => onChoose(measure)}>
                      {measure.name}
                    </Button>{' '}
                    {signed(change.change, unit)}{' '}
                    <span className="pm">
                      {TEXT.plusMinusSinceDayText(plusMinus(change.plusMinus, unit), dayText(results[since]!.on))}
                    </span>
                  </li>
                );
              })}
            </ul>
          </div>
        );
      })}
    </section>
  );
}
