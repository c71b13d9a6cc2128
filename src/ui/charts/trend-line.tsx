import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { ReactNode } from 'react';
import type { StandingTrend } from '../../core/coaching/athlete-standing';
import { ROLE_STYLE } from '../../rendering/role-style';

const [WIDTH, HEIGHT, EDGE] = [112, 34, 5];

interface TrendLineProps {
  readonly trend: StandingTrend;
  /** Said to somebody who does not see it. */
  readonly text: string;
}

/** One measure over sessions, small: the values with their 95 % intervals, and the range that is worked towards. */
export function TrendLine({ trend: { values, low, high }, text }: TrendLineProps): ReactNode {
  const ends = [
    ...values.flatMap(({ value, plusMinus }) => [value - plusMinus, value + plusMinus]),
    ...[low, high].filter((end) => end !== null),
  ].filter(Number.isFinite);
  const x = scaleLinear([0, Math.max(1, values.length - 1)], [EDGE, WIDTH - EDGE]);
  const y = scaleLinear([Math.min(...ends), Math.max(...ends)], [HEIGHT - EDGE, EDGE]);
  const [top, bottom] = [high === null ? 0 : y(high), low === null ? HEIGHT : y(low)];
  const at = (i: number): number => (values.length === 1 ? WIDTH / 2 : x(i));
  const colour = ROLE_STYLE.athlete.onPaper;
  return (
    <svg className="trend-line" width={WIDTH} height={HEIGHT} role="img" aria-label={text}>
      <title>{text}</title>
      <rect className="band" x={0} width={WIDTH} y={top} height={Math.max(1, bottom - top)} />
      <path
        fill="none"
        stroke={colour}
        strokeWidth={1.5}
        d={
          line<StandingTrend['values'][number]>(
            (_, i) => at(i),
            ({ value }) => y(value),
          )([...values]) ?? ''
        }
      />
      {values.map(({ on, value, plusMinus }, i) => (
        <g key={`${on} ${i}`} stroke={colour} fill={colour}>
          <line x1={at(i)} x2={at(i)} y1={y(value - plusMinus)} y2={y(value + plusMinus)} strokeOpacity={0.5} />
          <circle cx={at(i)} cy={y(value)} r={i === values.length - 1 ? 3.5 : 2} />
        </g>
      ))}
    </svg>
  );
}
