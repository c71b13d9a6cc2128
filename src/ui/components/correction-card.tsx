import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { placeName, type Correction } from '../../core/coaching/correction';

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
        {correction.change === 'set-up' && ', change of set-up'}
      </Typography>
      <div>
        {place} because {correction.reason}.
      </div>
      <dl className="field" style={{ margin: 0 }}>
        {row('Seen', correction.seen)}
        {row('By eye, too', correction.byEye.map((words) => `\u201c${words}\u201d`).join('; '))}
        {row('Should be', correction.shouldBe)}
        {row('Why', correction.why)}
        {row('Cue', correction.cue && <strong>“{correction.cue}”</strong>)}
        {row(
          'Drills',
          correction.drills.length > 0 && (
            <ol>
              {correction.drills.map((d) => (
                <li key={d}>{d}</li>
              ))}
            </ol>
          ),
        )}
        {row('Load', correction.load)}
        {row('Check', correction.selfCheck)}
        {row(
          'Will follow',
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
