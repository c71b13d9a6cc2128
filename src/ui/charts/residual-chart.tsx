import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { ReactNode } from 'react';
import type { ResidualAnalysis } from '../../core/signal/residual-analysis';
import { TEXT } from '../../text/charts';

const SIZE = { width: 300, height: 130 };
const MARGIN = { left: 34, right: 8, top: 8, bottom: 22 };

/** What smoothing takes away at each cut-off frequency, the line of the noise, and the frequency that it suggests. */
export function ResidualChart({
  analysis,
  used,
}: {
  readonly analysis: ResidualAnalysis;
  readonly used: number;
}): ReactNode {
  const { cutoffs, residuals, noise, cutoff } = analysis;
  const last = cutoffs[cutoffs.length - 1]!;
  const x = scaleLinear([0, last], [MARGIN.left, SIZE.width - MARGIN.right]);
  const y = scaleLinear(
    [0, Math.max(noise.intercept * 2.5, residuals[Math.min(residuals.length - 1, 6)]!)],
    [SIZE.height - MARGIN.bottom, MARGIN.top],
  ).clamp(true);
  const path = line<number>(
    (_, i) => x(cutoffs[i]!),
    (r) => y(r),
  )(residuals);
  return (
    <svg
      width={SIZE.width}
      height={SIZE.height}
      role="img"
      aria-label={TEXT.residualAgainstCutOffFrequency(cutoff.toFixed(1), used)}
      className="residual-chart"
    >
      {x.ticks(5).map((t) => (
        <text key={t} x={x(t)} y={SIZE.height - 8} textAnchor="middle">
          {t}
        </text>
      ))}
      {y.ticks(3).map((t) => (
        <text key={t} x={MARGIN.left - 4} y={y(t) + 4} textAnchor="end">
          {t}
        </text>
      ))}
      <text x={SIZE.width - MARGIN.right} y={SIZE.height - MARGIN.bottom - 4} textAnchor="end">
        {TEXT.hz}
      </text>
      <text x={MARGIN.left + 4} y={MARGIN.top + 8}>
        {TEXT.pixels}
      </text>
      <line
        x1={x(0)}
        y1={y(noise.intercept)}
        x2={x(last)}
        y2={y(noise.intercept + noise.slope * last)}
        stroke="#545c61"
        strokeDasharray="2 3"
      />
      <line
        x1={x(0)}
        y1={y(noise.intercept)}
        x2={x(cutoff)}
        y2={y(noise.intercept)}
        stroke="#545c61"
        strokeDasharray="2 3"
      />
      <path d={path ?? ''} fill="none" stroke="#22313a" strokeWidth={2} />
      <line x1={x(cutoff)} x2={x(cutoff)} y1={MARGIN.top} y2={SIZE.height - MARGIN.bottom} stroke="#22313a" />
      {used <= last && (
        <line
          x1={x(used)}
          x2={x(used)}
          y1={MARGIN.top}
          y2={SIZE.height - MARGIN.bottom}
          stroke="#545c61"
          strokeDasharray="6 3"
        />
      )}
    </svg>
  );
}
