import { scaleLinear } from 'd3-scale';
import type { ReactNode } from 'react';
import { ROLE_STYLE } from '../../rendering/role-style';
import { useWidth } from './use-width';
import { TEXT } from '../../text/charts';
import { LevelTicks } from './level-ticks';

interface GateChartProps {
  /** Seconds behind the reference at each gate, and half of the 95 % interval. */
  readonly gates: readonly { readonly name: string; readonly behind: number; readonly plusMinus: number }[];
  readonly onChoose: (gate: number) => void;
}

const HEIGHT = 150;
const MARGIN = { left: 62, right: 16, top: 18, bottom: 34 };

/** Running gain or loss from gate to gate: above the line is ahead. */
export function GateChart({ gates, onChoose }: GateChartProps): ReactNode {
  const [width, watch] = useWidth(900);
  const { onPaper } = ROLE_STYLE.athlete;
  const most = Math.max(0.01, ...gates.map((g) => Math.abs(g.behind) + g.plusMinus));
  const x = scaleLinear()
    .domain([0, Math.max(1, gates.length - 1)])
    .range([MARGIN.left, Math.max(MARGIN.left + 40, width - MARGIN.right - 60)]);
  // Behind is down.
  const y = scaleLinear()
    .domain([-most, most])
    .nice(4)
    .range([MARGIN.top, HEIGHT - MARGIN.bottom]);
  const ms = (s: number): string => TEXT.signedMs(s > 0 ? '+' : s < 0 ? '\u2212' : '', Math.abs(Math.round(s * 1000)));
  return (
    <svg ref={watch} className="curve-strip" height={HEIGHT} role="img" aria-label={TEXT.runningGainOrLossAgainst}>
      <LevelTicks y={y} count={4} from={MARGIN.left} to={width - MARGIN.right} textOf={ms} />
      <line className="zero" x1={MARGIN.left} x2={width - MARGIN.right} y1={y(0)} y2={y(0)} />
      <text x={width - MARGIN.right} y={y(0) - 4} textAnchor="end">
        {TEXT.ahead}
      </text>
      <text x={width - MARGIN.right} y={y(0) + 12} textAnchor="end">
        {TEXT.behind}
      </text>
      <polyline
        points={gates.map((g, i) => `${x(i)},${y(g.behind)}`).join(' ')}
        fill="none"
        stroke={onPaper}
        strokeWidth={2.4}
      />
      {gates.map((g, i) => (
        <g key={g.name} style={{ cursor: 'pointer' }} onClick={() => onChoose(i)}>
          <line
            x1={x(i)}
            x2={x(i)}
            y1={y(g.behind - g.plusMinus)}
            y2={y(g.behind + g.plusMinus)}
            stroke={onPaper}
            strokeWidth={1}
          />
          <circle cx={x(i)} cy={y(g.behind)} r={5} fill={onPaper} />
          <text x={x(i)} y={HEIGHT - 16} textAnchor={i === 0 ? 'start' : 'middle'}>
            {g.name}
          </text>
          <text x={x(i)} y={HEIGHT - 3} textAnchor={i === 0 ? 'start' : 'middle'} className="title">
            {i === 0 ? '' : ms(g.behind)}
          </text>
        </g>
      ))}
    </svg>
  );
}
