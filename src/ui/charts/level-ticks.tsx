import type { ScaleLinear } from 'd3-scale';
import type { ReactNode } from 'react';
import { withMinusSign } from '../../core/units';

interface LevelTicksProps {
  readonly y: ScaleLinear<number, number>;
  readonly count: number;
  /** Where the lines begin and end, pixels. */
  readonly from: number;
  readonly to: number;
  readonly textOf: (value: number) => string;
}

/** Lines across a chart at round values, each with its value on the left. */
export const LevelTicks = ({ y, count, from, to, textOf }: LevelTicksProps): ReactNode =>
  y.ticks(count).map((t) => (
    <g key={t} className="tick">
      <line x1={from} x2={to} y1={y(t)} y2={y(t)} />
      <text x={from - 6} y={y(t) + 4} textAnchor="end">
        {withMinusSign(textOf(t))}
      </text>
    </g>
  ));
