import type { ReactNode } from 'react';
import type { RankedGap } from '../../../core/judgement/priority';
import { signed } from '../../components/format';
import { TEXT } from '../../../text/screens/decide';

interface CauseChainProps {
  readonly gap: RankedGap;
  readonly onChoose: (measureId: string) => void;
}

/** What follows from a gap, drawn under it: each consequence hangs on its cause with why, and is not worked on. */
export function CauseChain({ gap, onChoose }: CauseChainProps): ReactNode {
  if (gap.willFollow.length === 0) return null;
  const size = ({ judged }: Pick<RankedGap, 'judged'>): string =>
    judged.athlete.measurable ? signed(judged.excess, judged.athlete.unit) : '';
  const under = (causeId: string, depth: number): ReactNode =>
    depth > 6 ? null : (
      <ul>
        {gap.willFollow
          .filter((f) => f.cause === causeId)
          .map((f) => (
            <li key={f.judged.measure.id}>
              <button type="button" className="row" onClick={() => onChoose(f.judged.measure.id)}>
                {f.judged.measure.name}
              </button>{' '}
              <span className="pm">{TEXT.sizeOutside(size(f))}</span>
              {f.because && <div className="because">{TEXT.becausePassesUp(f.because, f.passes.toFixed(2))}</div>}
              {under(f.judged.measure.id, depth + 1)}
            </li>
          ))}
      </ul>
    );
  return (
    <div className="chain" data-testid={`chain-${gap.judged.measure.id}`}>
      <div>
        <strong>{gap.judged.measure.name}</strong> <span className="pm">{TEXT.sizeOutsideRootWorkedOn(size(gap))}</span>
      </div>
      {under(gap.judged.measure.id, 0)}
    </div>
  );
}
