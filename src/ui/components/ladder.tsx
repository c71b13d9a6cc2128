import Checkbox from '@mui/material/Checkbox';
import type { ReactNode } from 'react';
import { doseText } from '../../core/coaching/ladder';
import type { Stage } from '../../core/model/practice';
import { dayText } from './format';
import { TEXT } from '../../text/components/common';

interface LadderProps {
  /** Name of what is practised. */
  readonly of: string;
  readonly stages: readonly Stage[];
  /** Days on which its first stages were passed. */
  readonly passed: readonly string[];
  /** Says how many stages are passed; left out where that is only read. */
  readonly onPass?: (count: number) => void;
}

/** Stages one after the other: what, how much, when it is passed and what else. */
export function Ladder({ of, stages, passed, onPass }: LadderProps): ReactNode {
  return (
    <ol className="ladder">
      {stages.map((stage, i) => {
        const day = passed[i];
        return (
          <li key={`${i}-${stage.drill}`} className={i === passed.length ? 'now' : ''}>
            {onPass && (
              <Checkbox
                size="small"
                checked={day !== undefined}
                // One stage after the other: only the next can be passed, only the last taken back.
                disabled={i !== passed.length && i !== passed.length - 1}
                slotProps={{ input: { 'aria-label': TEXT.ofTextStageIIs(of, i + 1) } }}
                onChange={({ target }) => onPass(target.checked ? i + 1 : i)}
              />
            )}
            <div>
              <strong>{stage.drill}</strong>, {doseText(stage)}.{' '}
              {day === undefined ? (
                <>
                  {stage.pass} <span className="pm">{TEXT.ifNotIfNot(stage.ifNot)}</span>
                </>
              ) : (
                <span className="pm">{TEXT.passedDayText(dayText(day))}</span>
              )}
            </div>
          </li>
        );
      })}
    </ol>
  );
}
