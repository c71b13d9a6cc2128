import { scaleLinear } from 'd3-scale';
import type { ReactNode } from 'react';
import { ROLE_STYLE } from '../../rendering/role-style';

export interface DifferenceBarProps {
  readonly athlete: { readonly value: number; readonly plusMinus: number } | null;
  readonly reference: { readonly value: number; readonly plusMinus: number } | null;
  /** The target band; null where nothing is judged. */
  readonly band: { readonly low: number; readonly high: number } | null;
  readonly width: number;
  readonly text: string;
}

const HEIGHT = 20;

/** Both values with their whiskers, and the band in which the athlete's is good. */
export function DifferenceBar({ athlete, reference, band, width, text }: DifferenceBarProps): ReactNode {
  const ends = [athlete, reference].flatMap((v) => (v ? [v.value - v.plusMinus, v.value + v.plusMinus] : []));
  if (band) ends.push(...[band.low, band.high].filter(Number.isFinite));
  if (ends.length === 0) return null;
  const low = Math.min(...ends);
  const high = Math.max(...ends);
  const room = (high - low || 1) * 0.12;
  const x = scaleLinear()
    .domain([low - room, high + room])
    .range([0, width]);
  const left = band ? x(Math.max(band.low, low - room)) : 0;
  const right = band ? x(Math.min(band.high, high + room)) : 0;
  return (
    <svg width={width} height={HEIGHT} role="img" aria-label={text} className="difference-bar">
      <line x1={0} x2={width} y1={HEIGHT / 2} y2={HEIGHT / 2} className="axis" />
      {band && <rect x={left} width={Math.max(1, right - left)} y={4} height={HEIGHT - 8} className="band" />}
      {reference && (
        <g stroke={ROLE_STYLE.reference.onPaper}>
          <line
            x1={x(reference.value - reference.plusMinus)}
            x2={x(reference.value + reference.plusMinus)}
            y1={13}
            y2={13}
            strokeDasharray="3 2"
          />
          <rect x={x(reference.value) - 3} y={10} width={6} height={6} fill={ROLE_STYLE.reference.onPaper} />
        </g>
      )}
      {athlete && (
        <g stroke={ROLE_STYLE.athlete.onPaper}>
          <line x1={x(athlete.value - athlete.plusMinus)} x2={x(athlete.value + athlete.plusMinus)} y1={7} y2={7} />
          <circle cx={x(athlete.value)} cy={7} r={3.4} fill={ROLE_STYLE.athlete.onPaper} />
        </g>
      )}
    </svg>
  );
}
