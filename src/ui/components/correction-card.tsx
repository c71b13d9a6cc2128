import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { placeName, type Correction } from '../../core/coaching/correction';
import { TEXT } from '../../text/components/common';

/** One correction as the athlete reads it; its caution cannot be taken off. */
export function CorrectionCard({
  correction,
  index,
  chainBelow = false,
}: {
  readonly correction: Correction;
  readonly index: number;
  readonly chainBelow?: boolean;
}): ReactNode {
  const place = placeName(index);
  const row = (label: string, content: ReactNode): ReactNode =>
    content ? (
      <>
        <dt>{label}</dt>
        <dd>{content}</dd>
      </>
    ) : null;
  return (
    <div className="correction">
      <Typography variant="h2">
        {place}: {correction.title}
        {correction.moment && `, ${correction.moment.toLowerCase()}`}
        {correction.change === 'set-up' && TEXT.changeOfSetUp}
      </Typography>
      <div>{TEXT.placeBecauseReason(place, correction.reason)}</div>
      <dl className="field" style={{ margin: 0 }}>
        {row(TEXT.seen, correction.seen)}
        {row(TEXT.byEyeToo, correction.byEye.map((words) => `\u201c${words}\u201d`).join('; '))}
        {row(TEXT.shouldBe, correction.shouldBe)}
        {row(TEXT.why, correction.why)}
        {row(TEXT.cue, correction.cue && <strong>“{correction.cue}”</strong>)}
        {row(
          TEXT.drills,
          correction.drills.length > 0 && (
            <ol>
              {correction.drills.map((d) => (
                <li key={d}>{d}</li>
              ))}
            </ol>
          ),
        )}
        {row(TEXT.load, correction.load)}
        {row(TEXT.check, correction.selfCheck)}
        {row(
          TEXT.willFollow,
          !chainBelow && correction.willFollow.length > 0 && (
            <ul>
              {correction.willFollow.map((f) => (
                <li key={f}>{f}</li>
              ))}
            </ul>
          ),
        )}
      </dl>
      {correction.caution && <div className="caution">{correction.caution}</div>}
    </div>
  );
}
