import { scaleLinear } from 'd3-scale';
import type { ReactNode } from 'react';
import type { LimitsOfAgreement } from '../../core/reliability/agreement';
import { DISPLAY_UNITS, fromSi, inUnit, type DisplayUnit } from '../../core/units';
import { TEXT } from '../../text/charts';

const SIZE = { width: 300, height: 150 };
const MARGIN = { left: 40, right: 10, top: 10, bottom: 22 };

/**
 * Difference of two digitisings against their mean, with the bias and the limits of agreement (Bland and Altman 1986).
 */
export function AgreementChart({
  limits,
  unit,
}: {
  readonly limits: LimitsOfAgreement;
  readonly unit: DisplayUnit;
}): ReactNode {
  const means = limits.points.map((p) => fromSi(p.mean, unit));
  const differences = limits.points.map((p) => fromSi(p.difference, unit));
  const [bias, lower, upper] = [limits.bias, limits.lower, limits.upper].map((v) => fromSi(v, unit)) as [
    number,
    number,
    number,
  ];
  const reach =
    1.15 *
    Math.max(Math.abs(lower), Math.abs(upper), ...differences.map(Math.abs), 10 ** -DISPLAY_UNITS[unit].decimals);
  const x = scaleLinear(
    [Math.min(...means), Math.max(...means)],
    [MARGIN.left + 6, SIZE.width - MARGIN.right - 6],
  ).nice();
  const y = scaleLinear([-reach, reach], [SIZE.height - MARGIN.bottom, MARGIN.top]);
  const level = (value: number, dash: string): ReactNode => (
    <line
      x1={MARGIN.left}
      x2={SIZE.width - MARGIN.right}
      y1={y(value)}
      y2={y(value)}
      stroke="#22313a"
      strokeDasharray={dash}
    />
  );
  return (
    <svg
      width={SIZE.width}
      height={SIZE.height}
      role="img"
      className="residual-chart"
      aria-label={TEXT.differencesOfTwoDigitisingsBias(
        inUnit(limits.bias, unit, 1),
        inUnit(limits.lower, unit, 1),
        inUnit(limits.upper, unit, 1),
      )}
    >
      {x.ticks(4).map((t) => (
        <text key={t} x={x(t)} y={SIZE.height - 8} textAnchor="middle">
          {t}
        </text>
      ))}
      {y.ticks(4).map((t) => (
        <text key={t} x={MARGIN.left - 4} y={y(t) + 4} textAnchor="end">
          {t}
        </text>
      ))}
      <line x1={MARGIN.left} x2={SIZE.width - MARGIN.right} y1={y(0)} y2={y(0)} stroke="#b9b09d" />
      {level(bias, '')}
      {level(lower, '5 3')}
      {level(upper, '5 3')}
      {means.map((mean, i) => (
        <circle key={i} cx={x(mean)} cy={y(differences[i]!)} r={2.6} fill="#22464a" fillOpacity={0.6} />
      ))}
    </svg>
  );
}
