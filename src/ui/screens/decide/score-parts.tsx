import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import { useState, type ReactNode } from 'react';
import type { RankedGap } from '../../../core/judgement/priority';
import { weigh } from '../../../application/comparison/comparison-use-cases';

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
        Score {score.toFixed(2)} = size × sureness × importance{parts.fromConsequences > 0 ? ' + what follows' : ''}
        {parts.risk ? ', risk first' : ''}
      </summary>
      {bar('Size beyond the range', parts.size)}
      {bar('Sureness', parts.confidence)}
      <div className="part">
        <span>Importance</span>
        <Slider
          size="small"
          min={0}
          max={1}
          step={0.05}
          value={moving ?? parts.importance}
          aria-label={`Importance of ${name}`}
          onChange={(_, v) => setMoving(v)}
          onChangeCommitted={(_, v) => {
            setMoving(null);
            weigh(id, v);
          }}
        />
        <span>{(moving ?? parts.importance).toFixed(2)}</span>
      </div>
      {parts.fromConsequences > 0 && bar('From what follows', parts.fromConsequences)}
      <div className="note">
        {parts.affordable > 0
          ? 'There is time to change it before the competition.'
          : 'There is no time to change it before the competition.'}
        {overridden && (
          <>
            {' '}
            Importance set by you.{' '}
            <Button size="small" onClick={() => weigh(id, null)}>
              As the movement says
            </Button>
          </>
        )}
      </div>
    </details>
  );
}
