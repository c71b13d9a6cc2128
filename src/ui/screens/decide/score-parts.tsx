import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import { useState, type ReactNode } from 'react';
import type { RankedGap } from '../../../core/judgement/priority';
import { weigh } from '../../../application/comparison/comparison-use-cases';
import { TEXT } from '../../../text/screens/decide';

/** The parts of a score as bars, and what they make together; the importance can be set. */
export function ScoreParts({ gap, overridden }: { readonly gap: RankedGap; readonly overridden: boolean }): ReactNode {
  const { parts, score } = gap;
  const { id, name } = gap.judged.measure;
  const [moving, setMoving] = useState<number | null>(null);
  const bar = (label: string, value: number): ReactNode => (
    <div className="part">
      <span>{label}</span>
      <span className="bar" aria-hidden>
        <span style={{ width: `${100 * Math.min(1, value)}%` }} />
      </span>
      <span>{value.toFixed(2)}</span>
    </div>
  );
  return (
    <details className="parts">
      <summary>
        {TEXT.scoreOf(
          score.toFixed(2),
          parts.fromConsequences > 0 ? TEXT.whatFollows : '',
          parts.risk ? TEXT.riskFirst : '',
        )}
      </summary>
      {bar(TEXT.sizeBeyondRange, parts.size)}
      {bar(TEXT.sureness, parts.confidence)}
      <div className="part">
        <span>{TEXT.importance}</span>
        <Slider
          size="small"
          min={0}
          max={1}
          step={0.05}
          value={moving ?? parts.importance}
          aria-label={TEXT.importanceOfName(name)}
          onChange={(_, v) => setMoving(v)}
          onChangeCommitted={(_, v) => {
            setMoving(null);
            weigh(id, v);
          }}
        />
        <span>{(moving ?? parts.importance).toFixed(2)}</span>
      </div>
      {parts.fromConsequences > 0 && bar(TEXT.fromWhatFollows, parts.fromConsequences)}
      <div className="note">
        {parts.affordable > 0 ? TEXT.thereIsTimeToChange : TEXT.thereIsNoTimeTo}
        {overridden && (
          <>
            {' '}
            {TEXT.importanceSetByYou}{' '}
            <Button size="small" onClick={() => weigh(id, null)}>
              {TEXT.asMovementSays}
            </Button>
          </>
        )}
      </div>
    </details>
  );
}
